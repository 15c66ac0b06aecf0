/** When people of the office work, what homes ask of whoever comes, and whether there are hours enough. */
import { dayFromIso, dayOfInstant, DAYS_A_MONTH, isoFromDay } from '../../core/calendar/day.ts';
import type {
  CapacityAnswer,
  ChangeWorkingTime,
  DayOff,
  HomeAccess,
  WorkingTime,
} from '../../contract/rounds/rounds.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound } from '../context/problem.ts';
import { findPlace } from '../lookup/places.ts';
import { firstZone, zoneOfPlace } from '../lookup/zone.ts';
import { factsOf, inForce, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { weekdaysOf, workingPeople } from './workers.ts';

const MONTHS = 12;

/** @throws Problem: what is not there or not theirs (404) */
async function ofOffice({ db, actor: { organisationId } }: Call, id: string): Promise<Row<'person'>> {
  const person = await db.person.one({ id, organisationId });
  const grants = await db.roleGrant.all({ personId: id, role: ['staff', 'manager'] });
  if (!person || grants.length === 0) throw notFound();
  return person;
}

/** When somebody works. @throws Problem: what is not there or not theirs (404) */
export async function readWorkingTime(call: Call, id: string): Promise<WorkingTime> {
  const { workDays, basePropertyId } = await ofOffice(call, id);
  const off = await call.db.dayOff.all({ personId: id }, { order: [['fromDay', 'ASC']] });
  return {
    workDays: weekdaysOf(workDays),
    basePropertyId,
    daysOff: off.map(({ id: key, fromDay, toDay, why }) => ({
      id: key,
      from: isoFromDay(fromDay),
      to: isoFromDay(toDay),
      why,
    })),
  };
}

/** @throws Problem: what is not there or not theirs (404), fields (422) */
export async function changeWorkingTime(call: Call, id: string, form: ChangeWorkingTime): Promise<object> {
  await ofOffice(call, id);
  const { db, actor } = call;
  const { basePropertyId, workDays } = form;
  const { organisationId } = actor;
  if (basePropertyId !== null && !(await db.property.one({ id: basePropertyId, organisationId })))
    throw fieldProblem('basePropertyId', 'field.oneOf');
  const days = [...new Set(workDays)].reduce((sum, weekday) => sum + 2 ** weekday, 0);
  await db.person.update({ id }, { workDays: days, basePropertyId });
  return {};
}

/** @throws Problem: what is not there or not theirs (404), fields (422) */
export async function addDayOff(call: Call, personId: string, form: DayOff): Promise<{ id: string }> {
  await ofOffice(call, personId);
  const [fromDay, toDay] = [dayFromIso(form.from), dayFromIso(form.to)];
  if (toDay < fromDay) throw fieldProblem('to', 'field.windowEnds');
  const { organisationId } = call.actor;
  await call.db.dayOff.insert({ id: form.id, organisationId, personId, fromDay, toDay, why: form.why });
  return { id: form.id };
}

/** @throws Problem: what is not there or not theirs (404) */
export async function removeDayOff({ db, actor }: Call, id: string): Promise<object> {
  const off = await db.dayOff.one({ id, organisationId: actor.organisationId });
  if (!off) throw notFound();
  await db.dayOff.remove({ id });
  return {};
}

/** A home of which nobody has said anything; what was said before days could be liked lacks them. */
export const OPEN: HomeAccess = { closed: [], liked: [], half: 'any', dog: false, key: '', prefers: '' };

/** What whoever goes into a home must know. @throws Problem: what is not there or not theirs (404) */
export async function readAccess(call: Call, placeId: string): Promise<HomeAccess> {
  const { id } = await findPlace(call, placeId);
  const today = dayOfInstant(call.now, await zoneOfPlace(call.db, id));
  return { ...OPEN, ...inForce(await factsOf(call.db, [id], 'access'), today)?.value };
}

/** @throws Problem: what is not there or not theirs (404) */
export async function changeAccess(call: Call, placeId: string, form: HomeAccess): Promise<object> {
  const { id } = await findPlace(call, placeId);
  const today = dayOfInstant(call.now, await zoneOfPlace(call.db, id));
  await recordFact(call, id, 'access', form, today);
  return {};
}

/** Hours that everybody has in each of twelve months from today, as a practice's burden counts them. */
export async function readCapacity(call: Call): Promise<CapacityAnswer> {
  const { today } = await firstZone(call);
  const people = await workingPeople(call.db, call.actor.organisationId, today);
  const begins = Array.from({ length: MONTHS + 1 }, (_, i) => today + Math.ceil(i * DAYS_A_MONTH));
  return {
    from: isoFromDay(today),
    people: people.map(({ person, assumed, minutesOn }) => ({
      id: person.id,
      name: person.name,
      assumed,
      hours: begins.slice(1).map((end, i) => {
        let minutes = 0;
        for (let day = begins[i]!; day < end; day += 1) minutes += minutesOn(day);
        return minutes / 60;
      }),
    })),
  };
}
