/** Where a choice holds: the organisation, a property, a place, a machine, a point; and which points follow it. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { SCOPES, type Scope } from '../../contract/due/practice.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { machineName } from './names.ts';
import { readPointsBelow } from '../sql/scope.ts';

export interface ScopedSubject {
  readonly scope: Scope;
  readonly subjectId: string;
  readonly name: string;
  readonly today: Day;
}

/**
 * Finds what a choice is about; another organisation's is not there. Whoever is limited to some properties may read
 * what holds for all, and changes nothing of it.
 * @throws Problem: notFound (404), limited (403)
 */
export async function findScope(call: Call, scope: Scope, subjectId: string | null): Promise<ScopedSubject> {
  const {
    db,
    env: { say },
    actor: { organisationId },
    now,
  } = call;
  if (scope === 'organisation') {
    if (call.actor.properties && db.transaction) throw new Problem(403, 'limited');
    // Days differ by zone; what holds for all begins with the first property's day.
    const [first] = await db.property.all({ organisationId }, { order: [['sort', 'ASC']], limit: 1 });
    return {
      scope,
      subjectId: organisationId,
      name: call.actor.organisation,
      today: dayOfInstant(now, first?.zone ?? 'UTC'),
    };
  }
  if (subjectId === null) throw notFound();
  const chain = await chainOf(call, scope, subjectId);
  const { point, machine, place, property } = chain;
  if (!chain[scope] || !property) throw notFound();
  const inner = [point && say(`point.${point.procedure}`), machine && machineName(say, machine)].filter(Boolean);
  const name = [...inner, (place ?? property).name].join(', ');
  return { scope, subjectId, name, today: dayOfInstant(now, property.zone) };
}

/** What a subject is, and all that it stands in. */
async function chainOf(
  { db, actor: { organisationId } }: Call,
  scope: Exclude<Scope, 'organisation'>,
  subjectId: string,
) {
  const point = scope === 'point' ? await db.point.one({ id: subjectId, organisationId }) : undefined;
  const machineId = point?.machineId ?? (scope === 'machine' ? subjectId : undefined);
  const machine = machineId ? await db.machine.one({ id: machineId, organisationId }) : undefined;
  const placeId = machine?.placeId ?? (scope === 'place' ? subjectId : undefined);
  const place = placeId ? await db.place.one({ id: placeId, organisationId }) : undefined;
  const property = await db.property.one({ id: place?.propertyId ?? subjectId, organisationId });
  return { point, machine, place, property };
}

/** Finds what an address names, where the organisation goes by any id. */
export async function findAddressed(call: Call, scope: string, id: string): Promise<ScopedSubject> {
  if (!SCOPES.includes(scope as Scope)) throw notFound();
  return findScope(call, scope as Scope, scope === 'organisation' ? null : id);
}

/** Points that follow a choice made there. */
export const pointsBelow = (
  { db }: Call,
  { scope, subjectId }: Pick<ScopedSubject, 'scope' | 'subjectId'>,
): Promise<string[]> => readPointsBelow(db, scope, subjectId);
