/** Habits: when to ask a household again, what it said, what staff saw, and how often it lapsed. */
import { dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { habitOf, habitsOf } from '../../core/catalogue/habits.ts';
import { practiceDays } from '../../core/catalogue/practice.ts';
import type { AttestHabits, CheckHabit, HabitSummary } from '../../contract/due/habits.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { factsOf, nearestFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { namesOf } from '../lookup/find.ts';
import { tenancyOn } from '../lookup/tenancies.ts';

/** A household just moved in is taught first: asked after so many days. */
const FIRST_ASK_DAYS = 7;

/** Habits of the machines of a place, as its household stands to them. */
export async function habitsAt(
  call: Call,
  placeId: string,
  tenancy: Row<'tenancy'> | undefined,
): Promise<HabitSummary[]> {
  const {
    db,
    env: { say },
    now,
  } = call;
  const place = (await db.place.one({ id: placeId }))!;
  const { zone, organisationId } = (await db.property.one({ id: place.propertyId }))!;
  const today = dayOfInstant(now, zone);
  const machines = await db.machine.all({ placeId, retiredDay: null });
  const answers = tenancy
    ? await db.attestation.all(
        { tenancyId: tenancy.id },
        {
          order: [
            ['day', 'ASC'],
            ['at', 'ASC'],
          ],
        },
      )
    : [];
  const names = await namesOf(
    db,
    answers.map(({ personId }) => personId),
  );
  const practice =
    (await nearestFact(db, [placeId, place.propertyId, organisationId], 'practice', today))?.value ?? 'steady';
  const coached = await factsOf(
    db,
    machines.map(({ id }) => id),
    'coaching',
  );
  return machines.flatMap((machine) => {
    const last = coached.findLast(({ subjectId }) => subjectId === machine.id)?.value ?? null;
    // Of the household that lived there when it was decided: whoever moves in after it is asked for nothing of theirs.
    const asking = last && tenancy && tenancy.fromDay <= dayOfInstant(last.at, zone) ? last : null;
    return habitsOf(machine.type).map(({ key, attestDays }): HabitSummary => {
      const mine = answers.filter(({ machineId, habit }) => machineId === machine.id && habit === key);
      const attested = mine.findLast(({ checked }) => checked === 0);
      const checked = mine.findLast((it) => it.checked === 1);
      const waits = asking !== null && (!attested || attested.at < asking.at);
      const asked: Day | undefined =
        attested?.day ?? (tenancy && tenancy.fromDay + FIRST_ASK_DAYS - practiceDays(attestDays, practice));
      return {
        machineId: machine.id,
        machine: machineName(say, machine),
        habit: key,
        says: say(`habit.${key}`),
        how: say(`habit.${key}.how`),
        why: say(`habit.${key}.why`),
        attested: attested ? { day: isoFromDay(attested.day), kept: attested.kept === 1 } : null,
        checked: checked
          ? {
              day: isoFromDay(checked.day),
              kept: checked.kept === 1,
              by: names.get(checked.personId) ?? say('story.someone'),
            }
          : null,
        lapses: mine.filter(({ kept }) => kept === 0).length,
        because: waits ? say(`symptom.${asking.symptom}`) : null,
        due: waits || (asked !== undefined && today >= asked + practiceDays(attestDays, practice)),
      };
    });
  });
}

/** Takes what a tenant says of their habits. */
export async function attestHabits(call: Call, { answers }: AttestHabits): Promise<{ thanks: string }> {
  const {
    env: { say },
  } = call;
  for (const answer of answers) await note(call, answer, false, '');
  return { thanks: say(answers.some(({ kept }) => kept === 'lapsed') ? 'habits.lapsed' : 'habits.kept') };
}

/** Takes what somebody of the office saw of a habit. */
export async function checkHabit(call: Call, form: CheckHabit): Promise<object> {
  await note(call, form, true, form.note);
  return {};
}

async function note(
  call: Call,
  { id, machineId, habit, kept }: AttestHabits['answers'][number],
  checked: boolean,
  words: string,
): Promise<void> {
  const { db, actor, now } = call;
  const machine = await visibleMachine(call, machineId);
  if (!habitsOf(machine.type).some(({ key }) => key === habit)) throw fieldProblem('habit', 'field.oneOf');
  const tenancy = await tenancyOn(db, machine.placeId, now);
  if (!tenancy) {
    if (!checked) throw notFound();
    throw new Problem(409, 'noTenancy');
  }
  const zone = await zoneOfPlace(db, machine.placeId);
  await db.attestation.insert({
    id,
    organisationId: actor.organisationId,
    tenancyId: tenancy.id,
    machineId,
    habit: habitOf(habit).key,
    day: dayOfInstant(now, zone),
    at: now,
    kept: kept === 'kept' ? 1 : 0,
    checked: checked ? 1 : 0,
    note: words,
    personId: actor.personId,
  });
}
