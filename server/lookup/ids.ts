/** Ids that forms make, refused where they mean something already. */
import { Problem } from '../context/problem.ts';
import { isAnyTaken } from '../sql/ids.ts';
import type { Db } from '../store/db.ts';

/** The id that a form makes, where it makes one. */
export function idsMadeBy(form: unknown): string[] {
  const { id } = (form ?? {}) as { id?: unknown };
  return typeof id === 'string' ? [id] : [];
}

/** @throws Problem 409 where one of the ids is in use, by anything, or twice in the form */
export async function refuseTakenIds(db: Db, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  if (new Set(ids).size < ids.length || (await isAnyTaken(db, ids))) throw new Problem(409, 'idTaken');
}
