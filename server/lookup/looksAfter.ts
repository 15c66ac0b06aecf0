/** Who of the office looks after a property: whoever is not limited to others. */
import type { Db } from '../store/db.ts';

/** Of these people, those who look after the property, in the order given. */
export async function lookingAfter(
  db: Db,
  propertyId: string,
  personIds: readonly string[],
): Promise<readonly string[]> {
  const [limited, theirs] = await Promise.all([
    db.person.all({ id: [...personIds], limited: 1 }, { columns: ['id'] }),
    db.personProperty.all({ personId: [...personIds], propertyId }),
  ]);
  const elsewhere = new Set(limited.map(({ id }) => id));
  for (const { personId } of theirs) elsewhere.delete(personId);
  return personIds.filter((id) => !elsewhere.has(id));
}
