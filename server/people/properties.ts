/** The properties that somebody, or a program, is limited to. */
import type { NamedProperty } from '../../contract/people/people.ts';
import { fieldProblem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';

/** @throws Problem: fields (422) where one of the properties is not the organisation's */
export async function refuseUnknownProperties(db: Db, organisationId: string, ids: readonly string[]): Promise<void> {
  if ((await db.property.count({ id: [...ids], organisationId })) < new Set(ids).size)
    throw fieldProblem('properties', 'field.oneOf');
}

/** What somebody may be limited to, in the order of the homes. */
export async function namedProperties(db: Db, organisationId: string): Promise<NamedProperty[]> {
  const properties = await db.property.all({ organisationId }, { order: [['sort', 'ASC']] });
  return properties.map(({ id, name }) => ({ id, name }));
}
