/** The clocks of faults and deficiencies: by which rule they run, who answers for what, and what runs out first. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { correctBy, SEVERITIES, urgencyOf, type LocalHours, type Severity } from '../../core/faults/clock.ts';
import type { ChangeClock, ChangeRepairTimes, ClockItem, ClocksAnswer } from '../../contract/faults/clocks.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { namesOf, officeOf } from '../lookup/find.ts';
import { lookingAfter } from '../lookup/looksAfter.ts';
import { findPlace } from '../lookup/places.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import { findScope } from '../lookup/scope.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { canReach, dutyOf } from '../notices/duty.ts';
import type { Db } from '../store/db.ts';
import { inForce, knownFacts, nearestFact, recordFact, type KnownFacts } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { closingWords } from './words.ts';

/** Hours of the local rule in force at a property; none where nobody entered one. */
export async function localHoursAt(db: Db, property: Row<'property'>, day: Day): Promise<LocalHours> {
  return (await nearestFact(db, [property.id, property.organisationId], 'repairTimes', day))?.value?.hours ?? {};
}

/** By when something at a place is put right, by the rule in force there on that day. */
export async function correctByAt(db: Db, placeId: string, severity: Severity, openedAt: number): Promise<number> {
  const { propertyId } = (await db.place.one({ id: placeId }))!;
  const property = (await db.property.one({ id: propertyId }))!;
  return correctBy(severity, openedAt, await localHoursAt(db, property, dayOfInstant(openedAt, property.zone)));
}

const END_OF_DAY = 24 * 60 - 1;

/** The last minute of a day by the clock of a zone: until then something may be put right. */
export const endOfDay = (iso: string, zone: string): number => instantOfDay(dayFromIso(iso), END_OF_DAY, zone);

/** What a manager decides of a clock, as rows keep it. */
async function decided(call: Call, placeId: string, form: ChangeClock) {
  const { responsibleId } = form;
  if (responsibleId !== null) {
    if (!(await officeOf(call)).some(({ id }) => id === responsibleId))
      throw fieldProblem('responsibleId', 'field.oneOf');
    const { propertyId } = await findPlace(call, placeId);
    if ((await lookingAfter(call.db, propertyId, [responsibleId])).length === 0)
      throw fieldProblem('responsibleId', 'field.looksElsewhere');
  }
  return {
    severity: form.severity,
    correctBy: endOfDay(form.correctBy, await zoneOfPlace(call.db, placeId)),
    responsibleId,
  };
}

/**
 * Another severity, another day, somebody who answers for a fault.
 * @throws Problem: faultClosed (409), what is not there or not theirs (404)
 */
export async function changeFaultClock(call: Call, id: string, form: ChangeClock): Promise<object> {
  const { db, actor, env } = call;
  const fault = await db.fault.one({ id, organisationId: actor.organisationId });
  if (!fault) throw notFound();
  if (fault.closedAt !== null) throw new Problem(409, 'faultClosed', { found: closingWords(env.say, fault) });
  await db.fault.update({ id }, await decided(call, fault.placeId, form));
  return {};
}

/**
 * Another severity, another day, somebody who answers for a deficiency.
 * @throws Problem: deficiencyClosed (409), what is not there or not theirs (404)
 */
export async function changeDeficiencyClock(call: Call, id: string, form: ChangeClock): Promise<object> {
  const deficiency = await findOpenDeficiency(call, id);
  await call.db.deficiency.update({ id }, await decided(call, deficiency.placeId, form));
  return {};
}

/** What is new of a deficiency; the rest is empty. */
type NewDeficiency = Pick<Row<'deficiency'>, 'id' | 'type' | 'note'> & { readonly severity: Severity } & Partial<
    Pick<Row<'deficiency'>, 'pointId' | 'inspectionId' | 'openedAt' | 'correctBy'>
  >;

/** Opens a deficiency of a machine; where nothing else is said its clock runs from now, by the rule in force there. */
export async function openDeficiency(
  { db, actor, now }: Call,
  machine: Row<'machine'>,
  { openedAt = now, ...it }: NewDeficiency,
): Promise<void> {
  await db.deficiency.insert({
    pointId: null,
    inspectionId: null,
    recordId: null,
    correctBy: await correctByAt(db, machine.placeId, it.severity, openedAt),
    ...it,
    organisationId: actor.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    responsibleId: null,
    openedAt,
    openedBy: actor.personId,
    closedAt: null,
    closedBy: null,
    done: null,
  });
}

/** @throws Problem: deficiencyClosed (409), what is not there or not theirs (404) */
export async function findOpenDeficiency({ db, actor }: Call, id: string): Promise<Row<'deficiency'>> {
  const deficiency = await db.deficiency.one({ id, organisationId: actor.organisationId });
  if (!deficiency) throw notFound();
  if (deficiency.closedAt !== null) throw new Problem(409, 'deficiencyClosed', { done: deficiency.done ?? '' });
  return deficiency;
}

/**
 * Enters the local rule of a property, or of all. What is open runs by it from now on where that is sooner; nothing that
 * is open is given more time.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeRepairTimes(call: Call, form: ChangeRepairTimes): Promise<object> {
  const { db, actor } = call;
  const { propertyId, name, hours } = form;
  const { subjectId, today } = await findScope(call, propertyId ? 'property' : 'organisation', propertyId);
  const given = Object.values(hours).some((value) => value !== null);
  await recordFact(call, subjectId, 'repairTimes', given ? { name, hours } : null, today);
  const properties = await db.property.all({
    organisationId: actor.organisationId,
    ...(propertyId && { id: propertyId }),
  });
  for (const property of properties) {
    const rule = await localHoursAt(db, property, today);
    const places = (await db.place.all({ propertyId: property.id }, { columns: ['id'] })).map(({ id }) => id);
    const where = { placeId: places, closedAt: null };
    for (const table of [db.fault, db.deficiency] as const)
      for (const it of await table.all(where)) {
        const by = correctBy(it.severity as Severity, it.openedAt, rule);
        if (by < it.correctBy) await table.update({ id: it.id }, { correctBy: by });
      }
  }
  return {};
}

/** All that is open with its clock, what runs out first at the top; and the rules that it runs by. */
export async function listClocks(call: Call): Promise<ClocksAnswer> {
  const { db, actor } = call;
  const { organisationId } = actor;
  const open = { organisationId, closedAt: null };
  const [faults, deficiencies, people, properties, duty] = await Promise.all([
    db.fault.all(open),
    db.deficiency.all(open),
    officeOf(call),
    db.property.all({ organisationId }, { order: [['sort', 'ASC']] }),
    dutyOf(db, organisationId),
  ]);
  const rules = knownFacts(
    await db.fact.all(
      { organisationId, name: 'repairTimes' },
      {
        order: [
          ['fromDay', 'ASC'],
          ['recordedAt', 'ASC'],
        ],
      },
    ),
  );
  return {
    items: await itemsOf(call, faults, deficiencies, properties, rules),
    people: people.map(({ id, name }) => ({ id, name })),
    properties: properties.map(({ id, name }) => ({ id, name })),
    rules: [null, ...properties].flatMap((property) => {
      const its = rules.of(property?.id ?? organisationId, 'repairTimes');
      const rule = inForce(its, dayOfInstant(call.now, (property ?? properties[0])?.zone ?? 'UTC'))?.value;
      return rule ? [{ propertyId: property?.id ?? null, property: property?.name ?? null, ...rule }] : [];
    }),
    reachable: canReach(duty),
  };
}

async function itemsOf(
  call: Call,
  faults: readonly Row<'fault'>[],
  deficiencies: readonly Row<'deficiency'>[],
  properties: readonly Row<'property'>[],
  rules: KnownFacts,
): Promise<ClockItem[]> {
  const { db, now, actor } = call;
  const { say } = call.env;
  const all = [...faults, ...deficiencies];
  const [machines, places, reminders] = await Promise.all([
    db.machine.all({ id: all.map(({ machineId }) => machineId) }),
    db.place.all({ id: all.map(({ placeId }) => placeId) }),
    db.reminder.all({ subjectId: all.map(({ id }) => id) }, { order: [['at', 'ASC']] }),
  ]);
  const names = await namesOf(db, [
    ...all.map(({ responsibleId }) => responsibleId),
    ...reminders.map(({ personId }) => personId),
  ]);
  const machineOf = new Map(machines.map((it) => [it.id, it]));
  const placeOf = new Map(places.map((it) => [it.id, it]));
  const propertyOf = new Map(properties.map((it) => [it.id, it]));
  return all
    .map((it): ClockItem => {
      const place = placeOf.get(it.placeId)!;
      const property = propertyOf.get(place.propertyId)!;
      const { id: propertyId, zone } = property;
      const severity = it.severity as Severity;
      const rule = rules.nearest([propertyId, actor.organisationId], 'repairTimes', dayOfInstant(now, zone))?.value;
      const ruleBy = correctBy(severity, it.openedAt, rule?.hours);
      return {
        kind: 'symptom' in it ? 'fault' : 'deficiency',
        id: it.id,
        says: 'symptom' in it ? say(`symptom.${it.symptom}`) : say(`deficiency.${it.type}`),
        note: it.note,
        placeId: it.placeId,
        place: placeInFull(place, property),
        machine: machineName(say, machineOf.get(it.machineId)!),
        severity,
        zone,
        openedAt: it.openedAt,
        correctBy: it.correctBy,
        correctOn: isoFromDay(dayOfInstant(it.correctBy, zone)),
        ruleBy: dayOfInstant(ruleBy, zone) < dayOfInstant(it.correctBy, zone) ? ruleBy : null,
        urgency: urgencyOf(it, now),
        responsibleId: it.responsibleId,
        responsible: it.responsibleId === null ? null : (names.get(it.responsibleId) ?? null),
        inspectionId: 'inspectionId' in it ? it.inspectionId : null,
        told: reminders
          .filter(({ subjectId }) => subjectId === it.id)
          .map(({ personId, sentAt, failed }) => ({
            name: names.get(personId) ?? say('story.someone'),
            at: sentAt,
            failed,
          })),
      };
    })
    .sort((a, b) => a.correctBy - b.correctBy || SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}
