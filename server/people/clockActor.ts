/** Whoever the clock acts as: nobody of the office, and signed in nowhere. */
import type { Actor, Env } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import { personRow } from '../store/person.ts';
import { readsIn } from './members.ts';

/** The clock as somebody who acts for an organisation; written down at its first act. */
export async function clockActor(
  { sayIn }: Pick<Env, 'sayIn'>,
  db: Db,
  organisationId: string,
  now: number,
): Promise<Actor> {
  const organisation = (await db.organisation.one({ id: organisationId }))!;
  const id = `clock-${organisationId}`;
  if (!(await db.person.one({ id }))) {
    const name = sayIn(organisation.language)('clock.name');
    await db.person.insert(personRow({ id, organisationId, name, createdAt: now }));
  }
  return {
    personId: id,
    name: '',
    organisationId,
    organisation: organisation.name,
    roles: ['manager'],
    properties: null,
    licensed: false,
    sessionId: '',
    linkId: null,
    csrf: '',
    ...readsIn(organisation),
  };
}
