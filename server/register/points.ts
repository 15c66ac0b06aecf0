/** Service points of a machine, numbered on through the organisation. */
import { findMachineType } from '../../core/catalogue/machines.ts';
import { recompute } from '../due/recompute.ts';
import type { Env } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** Procedures of the parts that a machine has by its type, and no point for. */
export function missingParts(
  { type, leftOut }: Pick<Row<'machine'>, 'type' | 'leftOut'>,
  known: readonly Pick<Row<'point'>, 'procedure'>[],
): string[] {
  const there = new Set([...known.map(({ procedure }) => procedure), ...(JSON.parse(leftOut) as string[])]);
  return (findMachineType(type)?.points ?? []).filter((procedure) => !there.has(procedure));
}

/** Adds points for these procedures and draws their lines. Gives their numbers. */
export async function addPoints(
  env: Env,
  db: Db,
  { id: machineId, organisationId }: Pick<Row<'machine'>, 'id' | 'organisationId'>,
  procedures: readonly string[],
  now: number,
): Promise<number[]> {
  if (procedures.length === 0) return [];
  const last = await db.point.all({ organisationId }, { order: [['number', 'DESC']], limit: 1, columns: ['number'] });
  const first = (last[0]?.number ?? 0) + 1;
  const points = procedures.map((procedure, i) => ({
    id: env.newId(),
    organisationId,
    number: first + i,
    machineId,
    procedure,
    createdAt: now,
  }));
  await db.point.insertMany(points);
  await recompute(
    db,
    points.map(({ id }) => id),
    now,
  );
  return points.map(({ number }) => number);
}
