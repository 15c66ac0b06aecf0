/** What was handed back undone, and why: it stands on its home and in one list until somebody has seen to it. */
import type { HandBackSummary } from '../../contract/jobs/handBacks.ts';
import { systems } from '../../core/catalogue/systems.ts';
import { namesOf } from '../lookup/find.ts';
import type { Call } from '../context/context.ts';
import { isManager } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import type { Row } from '../store/tables.ts';

export interface HandedBack {
  readonly pointIds: readonly string[];
  /** Key of the reason; words at `handBack.<reason>`. */
  readonly reason: string;
  readonly note: string;
  /** What stands otherwise than usual, `<variable>.<value>`, as a device says; words at `still.<…>`. */
  readonly still: readonly string[];
}

/** All that can be switched at all: of what a device says no more is kept. */
const STATES = new Set(systems.flatMap(({ changes }) => changes.map(({ variable, to }) => `${variable}.${to}`)));

/** Keeps what a doer hands back undone: the parts, why, and what was left switched off. */
export async function handBack(
  { env, db, actor, now }: Call,
  { id: jobId, placeId, machineId }: Row<'job'>,
  { pointIds, reason, note, still }: HandedBack,
): Promise<void> {
  await db.handBack.insert({
    id: env.newId(),
    organisationId: actor.organisationId,
    placeId,
    machineId,
    jobId,
    pointIds: JSON.stringify(pointIds),
    reason,
    note,
    still: JSON.stringify(still.filter((key) => STATES.has(key))),
    at: now,
    personId: actor.personId,
    settledAt: null,
    settledBy: null,
  });
}

/** What was handed back and nobody has seen to, newest first; of one home or of all. */
export async function openHandBacks(
  { db, env: { say }, actor: { organisationId } }: Call,
  placeId?: string,
): Promise<HandBackSummary[]> {
  const rows = await db.handBack.all(
    { organisationId, settledAt: null, ...(placeId !== undefined && { placeId }) },
    { order: [['at', 'DESC']], limit: 500 },
  );
  const [machines, places, points] = await Promise.all([
    db.machine.all({ id: rows.map(({ machineId }) => machineId) }),
    db.place.all({ id: rows.map((row) => row.placeId) }),
    db.point.all({ id: rows.flatMap(({ pointIds }) => JSON.parse(pointIds) as string[]) }),
  ]);
  const properties = await db.property.all({ organisationId });
  const names = await namesOf(
    db,
    rows.map(({ personId }) => personId),
  );
  return rows.map((row) => {
    const place = places.find(({ id }) => id === row.placeId)!;
    const property = properties.find(({ id }) => id === place.propertyId)!;
    const of = points.filter(({ id }) => (JSON.parse(row.pointIds) as string[]).includes(id));
    return {
      id: row.id,
      at: row.at,
      placeId: row.placeId,
      place: placeInFull(place, property),
      machine: machineName(
        say,
        machines.find(({ id }) => id === row.machineId)!,
      ),
      points: of.map(({ procedure }) => say(`point.${procedure}`)),
      pointNumber: of[0]?.number ?? null,
      zone: property.zone,
      by: names.get(row.personId) ?? say('story.someone'),
      reason: row.reason,
      says: say(`handBack.${row.reason}`),
      note: row.note,
      still: (JSON.parse(row.still) as string[]).map((key) => say(`still.${key}`)),
    };
  });
}

/** Somebody in the office has seen to it. */
export async function settleHandBack({ db, actor, now }: Call, id: string): Promise<{ id: string }> {
  const row = isManager(actor) ? await db.handBack.one({ id, organisationId: actor.organisationId }) : undefined;
  if (!row) throw notFound();
  if (row.settledAt === null) await db.handBack.update({ id }, { settledAt: now, settledBy: actor.personId });
  return { id };
}

/** Giving a point again answers what was handed back of it. */
export async function settleFor({ db, actor, now }: Call, pointIds: readonly string[], placeId: string): Promise<void> {
  const open = await db.handBack.all({ organisationId: actor.organisationId, placeId, settledAt: null });
  for (const { id, pointIds: of } of open) {
    if ((JSON.parse(of) as string[]).every((pointId) => pointIds.includes(pointId)))
      await db.handBack.update({ id }, { settledAt: now, settledBy: actor.personId });
  }
}
