/** Somebody of an organisation as they are now: who they are, and the roles they have. */
import type { Role } from '../../contract/people/people.ts';
import type { Actor } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

export type Member = Omit<Actor, 'sessionId' | 'linkId' | 'csrf'>;

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
  return {
    personId,
    name: person.name,
    organisationId,
    organisation: organisation.name,
    roles,
    properties,
    licensed: person.level === 'licensed',
    ...readsIn(organisation, person),
  };
}

type Reader = Pick<Row<'person'>, 'language' | 'units'>;

/** What somebody reads in: as they chose, else as their organisation does. */
export const readsIn = (
  { language, units, currency }: Pick<Row<'organisation'>, 'language' | 'units' | 'currency'>,
  person: Reader = { language: null, units: null },
): Pick<Actor, 'language' | 'units' | 'currency' | 'houseLanguage'> => ({
  language: person.language ?? language,
  houseLanguage: language,
  units: person.units ?? units,
  currency,
});
