/** Imports that were taken in, and taking one back while nothing has happened to what it made. */
import type { ImportSummary } from '../../contract/register/bulk.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { firstThatHappened, removeMade, type MadeByImport } from '../sql/imports.ts';
import { namesOf } from '../lookup/find.ts';
import { drawTogether } from '../due/recompute.ts';
import { changedSince, giveBack, type Changed } from './applyChanges.ts';
import type { ImportPlan } from './importPlan.ts';

const NOTHING_CHANGED = JSON.stringify({ rows: [], facts: [], begun: [] } satisfies Changed);

/** How many are listed. */
const SHOWN = 20;

const idsOf = (rows: readonly { readonly id: string }[]) => rows.map(({ id }) => id);

/** Keeps what an import has made, so that it can be taken back. @returns its id */
export async function keepImport({ env, db, actor, now }: Call, plan: ImportPlan, changed: Changed): Promise<string> {
  const made: MadeByImport = {
    properties: idsOf(plan.properties),
    buildings: idsOf(plan.buildings),
    places: idsOf(plan.places),
    people: [...idsOf(plan.tenancies.people), ...changed.begun.map(({ personId }) => personId)],
    tenancies: [...idsOf(plan.tenancies.tenancies), ...idsOf(changed.begun)],
    machines: idsOf(plan.machines.machines),
  };
  const id = env.newId();
  await db.registerImport.insert({
    id,
    organisationId: actor.organisationId,
    personId: actor.personId,
    at: now,
    units: made.places.length,
    machines: made.machines.length,
    made: JSON.stringify(made),
    undoneAt: null,
    changed: JSON.stringify(changed),
    changes: plan.changes.length,
  });
  return id;
}

/** Imports, the latest first. */
export async function listImports({ db, actor: { organisationId } }: Call): Promise<ImportSummary[]> {
  const kept = await db.registerImport.all(
    { organisationId },
    {
      order: [['at', 'DESC']],
      limit: SHOWN,
      columns: ['id', 'personId', 'at', 'units', 'machines', 'changes', 'undoneAt'],
    },
  );
  const names = await namesOf(
    db,
    kept.map(({ personId }) => personId),
  );
  return kept.map(({ id, personId, at, units, machines, changes, undoneAt }) => ({
    id,
    by: names.get(personId) ?? '',
    at,
    units,
    machines,
    changes,
    undone: undoneAt !== null,
  }));
}

/**
 * Takes an import back, all of it or nothing: refused where something has happened since to what it made or changed.
 * Work that went back to the office with a tenancy stays there, and links that ended with it stay ended.
 * @throws Problem: notFound (404), importUndone, inUse (409)
 */
export async function undoImport(call: Call, id: string): Promise<object> {
  const {
    db,
    actor: { organisationId },
    now,
  } = call;
  const kept = await db.registerImport.one({ id, organisationId });
  if (!kept) throw notFound();
  if (kept.undoneAt !== null) throw new Problem(409, 'importUndone');
  const made = JSON.parse(kept.made) as MadeByImport;
  const changed = JSON.parse(kept.changed) as Changed;
  const where = (await firstThatHappened(db, made)) ?? (await changedSince(db, changed));
  if (where !== null) throw new Problem(409, 'inUse', { names: where });
  // What was changed may point at what was made: a home moved into a new building.
  await drawTogether(db, now, async () => {
    await giveBack(call, changed);
    await removeMade(db, made);
  });
  await db.registerImport.update({ id }, { undoneAt: now, made: '{}', changed: NOTHING_CHANGED });
  return {};
}
