/**
 * After a newer version: machines get the service points that the catalogue has gained, and every line that
 * an older engine or catalogue drew is drawn anew. Idempotent; a register that is up to date costs one query.
 */
import { CATALOGUE_VERSION } from '../../core/catalogue/catalogue.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { ENGINE_VERSION } from '../../core/due/inputs.ts';
import { recompute } from '../due/recompute.ts';
import type { Env } from '../context/context.ts';
import { ask } from '../sql/connection.ts';
import { OUTDATED_SQL } from '../sql/lines.ts';
import type { Db } from '../store/db.ts';
import { factsOf } from '../store/facts.ts';
import { addPoints, missingParts } from '../register/points.ts';

/** Brings the register up to this version and says how many points were drawn anew. */
export async function bringUpToDate(env: Env): Promise<number> {
  const outdated = async (db: Db) =>
    (await ask<{ id: string }>(db, OUTDATED_SQL, [CATALOGUE_VERSION, ENGINE_VERSION])).map(({ id }) => id);
  if ((await outdated(env.store.db)).length === 0) return 0;
  const redrawn = await env.store.write(async (db) => {
    const points = await db.point.all({}, { columns: ['machineId', 'procedure'] });
    const pointsOf = grouped(points, ({ machineId }) => machineId);
    const machines = await db.machine.all({ retiredDay: null });
    const ids = machines.map(({ id }) => id);
    const contracts = new Map((await factsOf(db, ids, 'contract')).map(({ subjectId, value }) => [subjectId, value]));
    for (const machine of machines) {
      const known = pointsOf.get(machine.id) ?? [];
      const lacksVisit = known.every(({ procedure }) => procedure !== CONTRACTOR_VISIT);
      const visit = contracts.get(machine.id) && lacksVisit ? [CONTRACTOR_VISIT] : [];
      await addPoints(env, db, machine, [...missingParts(machine, known), ...visit], env.clock());
    }
    const old = await outdated(db);
    await recompute(db, old, env.clock());
    return old.length;
  });
  await env.redrawing.run();
  return redrawn;
}
