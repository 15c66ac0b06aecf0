/** When people are busy elsewhere, as a calendar of theirs says: kept as times, and taken off their hours. */
import { busyWithin } from '../../core/calendar/busyTimes.ts';
import { dayFromIso, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { ROUND_BEGINS } from '../../core/rounds/timetable.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { BUSY_DAYS, type BusyTimesAnswer, type ChangeBusyTimes } from '../../contract/rounds/busy.ts';
import { isManager, isOffice, type Call } from '../context/context.ts';
import { fieldProblem, notFound } from '../context/problem.ts';
import { memberOf } from '../people/members.ts';
import { firstZone } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';

/** Within these minutes of a day a busy time takes hours off: our assumption. */
const WORKING = { from: ROUND_BEGINS, until: 18 * 60 };

const minutesOf = (times: readonly Row<'busyTime'>[]): number =>
  busyWithin(
    times.map(({ fromMinute: from, untilMinute: until }) => ({ from, until })),
    WORKING,
  );

/** Minutes of working time that go by busy times, for some people by day, from a day on. */
export async function busyMinutes(
  db: Db,
  personIds: readonly string[],
  since: Day,
): Promise<(personId: string, day: Day) => number> {
  const rows = await db.busyTime.all({ personId: [...personIds], day: above(since - 1) });
  const by = grouped(rows, ({ personId, day }) => `${personId} ${day}`);
  return (personId, day) => minutesOf(by.get(`${personId} ${day}`) ?? []);
}

/** When somebody can begin a round on a day: at the usual hour, or once what keeps them busy then is over. */
export async function roundBegins(db: Db, personId: string, day: Day): Promise<number> {
  const rows = await db.busyTime.all({ personId, day }, { order: [['fromMinute', 'ASC']] });
  return rows.reduce(
    (begins, { fromMinute, untilMinute }) => (fromMinute <= begins ? Math.max(begins, untilMinute) : begins),
    ROUND_BEGINS,
  );
}

/** @throws Problem: what is not there or not theirs (404) */
async function theirs({ db, actor }: Call, personId: string): Promise<void> {
  const { organisationId } = actor;
  const member = await memberOf(db, { personId, organisationId });
  const mayRead = personId === actor.personId || (isManager(actor) && actor.properties === null);
  if (!mayRead || !member || !isOffice(member) || !(await db.person.one({ id: personId, organisationId })))
    throw notFound();
}

/** How much of somebody's working time is busy. @throws Problem: what is not there or not theirs (404) */
export async function readBusy(call: Call, personId: string): Promise<BusyTimesAnswer> {
  await theirs(call, personId);
  const { zone, today } = await firstZone(call);
  const rows = await call.db.busyTime.all({ personId, day: above(today - 1) }, { order: [['day', 'ASC']] });
  const last = rows.at(-1);
  return {
    days: new Set(rows.map(({ day }) => day)).size,
    hours: minutesOf(rows) / 60,
    until: last ? isoFromDay(last.day) : null,
    zone,
    today: isoFromDay(today),
  };
}

/**
 * Puts busy times in place of those that were known; none takes them away.
 * @throws Problem: what is not there or not theirs (404), a day beyond those that are taken (422)
 */
export async function changeBusy(call: Call, personId: string, { times }: ChangeBusyTimes): Promise<object> {
  await theirs(call, personId);
  const { env, db, actor } = call;
  const { today } = await firstZone(call);
  const rows = times.map(({ day, from, until }) => ({
    id: env.newId(),
    organisationId: actor.organisationId,
    personId,
    day: dayFromIso(day),
    fromMinute: from,
    untilMinute: until,
  }));
  if (rows.some(({ day }) => day < today - 1 || day > today + BUSY_DAYS + 1)) throw fieldProblem('times', 'field.day');
  await db.busyTime.remove({ personId });
  if (rows.length > 0) await db.busyTime.insertMany(rows);
  return {};
}
