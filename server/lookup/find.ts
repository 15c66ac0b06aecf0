/** Finding points, and people's names. */
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** Finds a point by its number or its id. */
export async function findPoint({ db, actor }: Call, idOrNumber: string): Promise<Row<'point'>> {
  const by = /^\d{1,9}$/.test(idOrNumber) ? { number: Number(idOrNumber) } : { id: idOrNumber };
  const point = await db.point.one({ ...by, organisationId: actor.organisationId });
  if (!point) throw notFound();
  return point;
}

/** Managers and staff, by name. */
export async function officeOf({ db, actor: { organisationId } }: Call) {
  const grants = await db.roleGrant.all({ organisationId, role: ['manager', 'staff'] });
  return db.person.all(
    { id: [...new Set(grants.map(({ personId }) => personId))] },
    { order: [['name', 'ASC']], columns: ['id', 'name', 'email'] },
  );
}

/** Names of people by id. */
export async function namesOf(db: Db, ids: readonly (string | null)[]): Promise<Map<string, string>> {
  const wanted = [...new Set(ids.filter((id): id is string => id !== null))];
  const people = wanted.length === 0 ? [] : await db.person.all({ id: wanted }, { columns: ['id', 'name'] });
  return new Map(people.map(({ id, name }) => [id, name]));
}
