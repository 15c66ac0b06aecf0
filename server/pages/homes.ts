/** Every home, by property. */
import { tenancyDuring } from '../lookup/tenancies.ts';
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import type { PropertySummary } from '../../contract/register/register.ts';
import type { Call } from '../context/context.ts';
import { NOTICE_HOURS } from '../../core/notices/entry.ts';
import { numbersOfAll } from '../notices/duty.ts';
import { factsOf, inForce } from '../store/facts.ts';

/** The properties with their places, for the register’s page. */
export async function readHomes(call: Call): Promise<{ properties: PropertySummary[] }> {
  const {
    db,
    actor: { organisationId },
    now,
    env: { say },
  } = call;
  const byOrganisation = { organisationId };
  const [properties, buildings, places, tenancies, people, machines] = await Promise.all([
    db.property.all(byOrganisation, { order: [['sort', 'ASC']] }),
    db.building.all(byOrganisation),
    db.place.all(byOrganisation, { order: [['sort', 'ASC']] }),
    db.tenancy.all(byOrganisation),
    db.person.all(byOrganisation, { columns: ['id', 'name'] }),
    db.machine.all({ ...byOrganisation, retiredDay: null }, { columns: ['placeId'] }),
  ]);
  const ids = properties.map(({ id }) => id);
  const [waters, practices] = await Promise.all([
    factsOf(db, ids, 'water'),
    factsOf(db, [organisationId, ...ids], 'practice'),
  ]);
  const practiceOf = (subject: string, day: number) =>
    inForce(
      practices.filter(({ subjectId }) => subjectId === subject),
      day,
    )?.value ?? null;
  const names = new Map(people.map(({ id, name }) => [id, name]));
  const numbers = await numbersOfAll(db, ids);
  const hours = new Map((await factsOf(db, ids, 'entryRule')).map((it) => [it.subjectId, it.value.hours]));
  return {
    properties: properties.map(({ id, name, address, zone }) => {
      const today = dayOfInstant(now, zone);
      return {
        id,
        name,
        address,
        zone,
        today: isoFromDay(today),
        water: inForce(
          waters.filter(({ subjectId }) => subjectId === id),
          today,
        )!.value,
        practice: practiceOf(id, today),
        numbers: numbers.get(id)!,
        noticeHours: hours.get(id) ?? NOTICE_HOURS,
        practiceSays: say(`practice.${practiceOf(id, today) ?? practiceOf(organisationId, today) ?? 'steady'}`),
        buildings: buildings.filter(({ propertyId }) => propertyId === id).map((it) => ({ id: it.id, name: it.name })),
        places: places
          .filter(({ propertyId }) => propertyId === id)
          .map((place) => {
            const tenancy = tenancies.find((it) => it.placeId === place.id && tenancyDuring(it, today));
            return {
              id: place.id,
              name: place.name,
              kind: place.kind,
              buildingId: place.buildingId,
              tenant: tenancy ? (names.get(tenancy.personId) ?? null) : null,
              machines: machines.filter(({ placeId }) => placeId === place.id).length,
            };
          }),
      };
    }),
  };
}
