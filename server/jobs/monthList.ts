/**
 * The month's list of one home: what is near its line, or will be past it before the list after, given by itself some
 * days before a fixed day, as one request. Each sitting is a job like any other.
 */
import { dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { nextOccurrence } from '../../core/calendar/recurrence.ts';
import { ruleOf } from '../../core/due/anchor.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import { lineOfMark, WORK } from '../../contract/due/due.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { ChangeMonthList, MonthListAnswer, MonthSitting } from '../../contract/jobs/monthList.ts';
import { speaking, type Actor, type Call, type Env } from '../context/context.ts';
import { fieldProblem, notFound } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { findPlace } from '../lookup/places.ts';
import { ownTenancy, tenancyDuring } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { clockActor } from '../people/clockActor.ts';
import { memberOf } from '../people/members.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { assigneesFor } from './assignees.ts';
import { giveMany } from './giveMany.ts';
import { sittingsOf } from './lists.ts';

/** Days before its day on which a list is given, so that a letter comes first: our assumption. */
const AHEAD_DAYS = 3;

type List = Pick<Row<'monthList'>, 'rule' | 'fromDay'>;

/** The next day of a list, from a day on; undefined where its rule is over. */
const dayFrom = ({ rule, fromDay }: List, from: Day): Day | undefined => nextOccurrence(ruleOf(rule), fromDay, from);

/**
 * Numbers of the parts that a list is for: without a record, or at their line before the list after it.
 * @param after the day of the list after
 */
async function numbersFor(db: Db, placeId: string, after: Day): Promise<number[]> {
  const marks = await db.mark.all({ placeId, work: WORK.none, scheduled: 1 });
  return marks
    .filter((mark) => {
      const { servedDay, lineDay } = lineOfMark(mark);
      return servedDay === null || lineDay < after;
    })
    .map(({ number }) => number);
}

/** Gives every list whose day has come near, once. The clock calls it with each day. */
export async function giveMonthLists(env: Env): Promise<void> {
  const now = env.clock();
  for (const list of await env.store.db.monthList.all({})) {
    const today = dayOfInstant(now, await zoneOfPlace(env.store.db, list.placeId));
    const day = dayFrom(list, Math.max(today, (list.givenDay ?? 0) + 1));
    if (day === undefined || day > today + AHEAD_DAYS) continue;
    await env.store.write(async (db) => giveOne(env, db, list, day));
  }
}

async function giveOne(env: Env, db: Db, list: Row<'monthList'>, day: Day): Promise<void> {
  const now = env.clock();
  const actor = await giverOf(env, db, list, now);
  const call: Call = { env: speaking(env, actor.houseLanguage), db, actor, now };
  const numbers = await numbersFor(db, list.placeId, dayFrom(list, day + 1) ?? day + 31);
  const { placeId, personId: assigneeId } = list;
  const chosen = { which: 'chosen', moves: false, from: null } as const;
  const given =
    numbers.length === 0 ? null : await giveMany(call, { placeIds: [placeId], numbers, assigneeId, ...chosen });
  const left = (given?.left ?? []).map(({ machine, says }) => `${machine}: ${says}`);
  await db.monthList.update(
    { id: list.id },
    { givenDay: day, listId: given?.lists[0] ?? null, leftUndone: JSON.stringify(left) },
  );
}

/** Whoever said that there is such a list, while they are here; the clock after them. */
async function giverOf(
  env: Env,
  db: Db,
  { saidBy: personId, organisationId }: Row<'monthList'>,
  now: number,
): Promise<Actor> {
  const member = await memberOf(db, { personId, organisationId });
  if (member?.roles.includes('manager') && member.properties === null)
    return { ...member, sessionId: '', linkId: null, csrf: '' };
  return clockActor(env, db, organisationId, now);
}

/** @throws Problem: what is not there or not theirs (404), fields (422) */
export async function changeMonthList(call: Call, placeId: string, form: ChangeMonthList): Promise<object> {
  const { env, db, actor, now } = call;
  const { id } = await findPlace(call, placeId);
  if (form.rule === null) {
    await db.monthList.remove({ placeId: id });
    return {};
  }
  const may = (await assigneesFor(call, id, [])).filter(({ role }) => role !== 'tenant');
  if (form.personId !== null && !may.some((it) => it.id === form.personId))
    throw fieldProblem('personId', 'field.oneOf');
  const today = dayOfInstant(now, await zoneOfPlace(db, id));
  const said = { rule: form.rule, fromDay: today, personId: form.personId, saidBy: actor.personId };
  if ((await db.monthList.update({ placeId: id }, said)) > 0) return {};
  const { organisationId } = actor;
  const none = { givenDay: null, listId: null, leftUndone: '[]' };
  await db.monthList.insert({ id: env.newId(), organisationId, placeId: id, ...said, ...none });
  return {};
}

/** The list of a home, for the office. @throws Problem: what is not there or not theirs (404) */
export async function readMonthList(call: Call, placeId: string): Promise<MonthListAnswer> {
  const place = await findPlace(call, placeId);
  const people = (await assigneesFor(call, place.id, [])).filter(({ role }) => role !== 'tenant');
  return { ...(await listOf(call, place)), people: people.map(({ id, name }) => ({ id, name })) };
}

/** The list of the home that a tenant lives in. @throws Problem: notFound (404) where they live in none */
export async function readMyMonthList(call: Call): Promise<MonthListAnswer> {
  const { db, now } = call;
  const tenancy = await ownTenancy(call);
  const place = tenancy && (await db.place.one({ id: tenancy.placeId }));
  if (!place) throw notFound();
  const today = dayOfInstant(now, await zoneOfPlace(db, place.id));
  if (!tenancyDuring(tenancy, today)) throw notFound();
  return listOf(call, place);
}

async function listOf(call: Call, place: Row<'place'>): Promise<MonthListAnswer> {
  const {
    db,
    env: { say },
    now,
  } = call;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const list = await db.monthList.one({ placeId: place.id });
  const common = { placeId: place.id, place: place.name, property: property.name, people: [] };
  if (!list) {
    const none = { rule: null, says: '', personId: null, day: null, given: false, sittings: [], left: [] };
    return { ...common, ...none };
  }
  const today = dayOfInstant(now, property.zone);
  const next = dayFrom(list, Math.max(today, (list.givenDay ?? 0) + 1));
  // What was given stands until the next is.
  const given = list.givenDay !== null;
  const day = given ? list.givenDay : (next ?? null);
  return {
    ...common,
    rule: list.rule,
    says: ruleWords(say, ruleOf(list.rule), list.fromDay),
    personId: list.personId,
    day: day === null ? null : isoFromDay(day),
    given,
    sittings: given ? await givenSittings(call, list) : await sittingsToCome(call, list, next),
    left: JSON.parse(list.leftUndone) as string[],
  };
}

const STATES: Readonly<Record<JobState, MonthSitting['state']>> = {
  open: 'over',
  given: 'open',
  started: 'begun',
  awaitingTest: 'begun',
  sent: 'sent',
  accepted: 'sent',
  cancelled: 'over',
  logged: 'sent',
};

async function givenSittings({ db, actor, env: { say } }: Call, list: Row<'monthList'>): Promise<MonthSitting[]> {
  if (list.listId === null) return [];
  const jobs = await db.job.all({ listId: list.listId }, { order: [['givenAt', 'ASC']] });
  const tasks = await db.task.all({ jobId: jobs.map(({ id }) => id) });
  const points = await db.point.all({ id: tasks.map(({ pointId }) => pointId) });
  const machines = await db.machine.all({ id: jobs.map(({ machineId }) => machineId) });
  return jobs.map((job) => {
    const its = points.filter(({ id }) => tasks.some((task) => task.jobId === job.id && task.pointId === id));
    return {
      jobId: job.id,
      machine: machineName(
        say,
        machines.find(({ id }) => id === job.machineId)!,
      ),
      parts: its.map(({ procedure }) => say(`point.${procedure}`)),
      minutes: its.reduce((sum, { procedure }) => sum + procedureOf(procedure).minutes, 0),
      state: STATES[job.state],
      mine: job.assigneeId === actor.personId,
    };
  });
}

/** What the next list would be for, as things stand. */
async function sittingsToCome(call: Call, list: Row<'monthList'>, day: Day | undefined): Promise<MonthSitting[]> {
  if (day === undefined) return [];
  const numbers = await numbersFor(call.db, list.placeId, dayFrom(list, day + 1) ?? day + 31);
  return (await sittingsOf(call, list.placeId, new Set(numbers))).flatMap(({ machine, points }) => {
    const theirs = list.personId === null ? points.filter(({ forTenant }) => forTenant) : points;
    if (theirs.length === 0) return [];
    const minutes = theirs.reduce((sum, it) => sum + it.minutes, 0);
    return [{ jobId: null, machine, parts: theirs.map(({ name }) => name), minutes, state: 'toCome', mine: false }];
  });
}
