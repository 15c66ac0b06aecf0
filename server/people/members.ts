/** Somebody of an organisation as they are now: who they are, and the roles they have. */
import type { Role } from '../../contract/people/people.ts';
import type { Actor } from '../context/context.ts';
import type { Db } from '../store/db.ts';

export type Member = Pick<Actor, 'personId' | 'name' | 'organisationId' | 'organisation' | 'roles' | 'properties'>;

/** Who a session or a token stands for; null where they were let go or are not there. */
export async function memberOf(
  db: Db,
  { personId, organisationId }: { readonly personId: string; readonly organisationId: string },
): Promise<Member | null> {
  const [person, organisation, grants, limits] = await Promise.all([
    db.person.one({ id: personId, disabledAt: null }),
    db.organisation.one({ id: organisationId }),
    db.roleGrant.all({ personId }),
    db.personProperty.all({ personId }),
  ]);
  if (!person || !organisation) return null;
  const roles: Role[] = grants.map(({ role }) => role);
  const properties = person.limited === 1 ? limits.map(({ propertyId }) => propertyId) : null;
  return { personId, name: person.name, organisationId, organisation: organisation.name, roles, properties };
}
