/** The order of what is left of a round, as whoever walks it chose: times follow, and who was told otherwise is told. */
import { dayFromIso, instantOfDay, MINUTES_A_DAY } from '../../core/calendar/day.ts';
import { BETWEEN_MINUTES, DOOR_MINUTES } from '../../core/rounds/instance.ts';
import { legsOf, timesOf, type LegTimes, type StopLeft } from '../../core/rounds/onTheDay.ts';
import { windowToTell } from '../../core/rounds/timetable.ts';
import type { OrderRound, RoundOrdered } from '../../contract/rounds/mishaps.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { firstZone } from '../lookup/zone.ts';
import { tellLater } from '../notices/missed.ts';
import type { Row } from '../store/tables.ts';

/** The longest that somebody can say they will be held up. */
const MOST_LATER = 120;
/** Whoever is late is told a window of an hour: our assumption. */
const LATE_WINDOW = 60;

/**
 * Puts what is left of one's own round of today in an order. Times are reckoned here, from no later than a device may
 * know; whoever waits within their window hears nothing.
 * @throws Problem: stops that are not there or not theirs (404), another day (409), twice the same or before its time (422)
 */
export async function orderRound(call: Call, form: OrderRound): Promise<RoundOrdered> {
  const { db, actor, now } = call;
  const { zone, today } = await firstZone(call);
  if (dayFromIso(form.day) !== today) throw new Problem(409, 'notToday');
  const rows = await db.roundStop.all({ personId: actor.personId, day: today, id: form.stops.map(({ id }) => id) });
  const visits = await db.visit.all({ id: rows.flatMap(({ visitId }) => visitId ?? []), state: 'announced' });
  const places = await db.place.all({ id: rows.map(({ placeId }) => placeId) });
  const visitOf = ({ visitId }: Row<'roundStop'>) => visits.find(({ id }) => id === visitId);
  const stops = form.stops.map(({ id, back }): StopLeft => {
    const row = rows.find((it) => it.id === id);
    if (!row || (back && row.backMinute === null)) throw notFound();
    const visit = visitOf(row);
    return {
      id,
      propertyId: places.find((it) => it.id === row.placeId)!.propertyId,
      at: back ? row.backMinute! : row.fromMinute,
      until: back ? (row.overMinute ?? row.backMinute!) : row.untilMinute,
      back,
      told: visit && !back ? { from: visit.fromMinute, until: visit.untilMinute } : null,
    };
  });
  if (new Set(form.stops.map(({ id, back }) => `${id} ${back}`)).size < stops.length)
    throw fieldProblem('stops', 'field.oneOf');
  const times = laid(stops, beginsBy(form, now, today, zone), form.at);
  let told = 0;
  for (const row of rows) {
    const its = times.filter(({ leg }) => stops[leg]!.id === row.id);
    const there = its.find(({ leg }) => !stops[leg]!.back);
    const again = its.find(({ leg }) => stops[leg]!.back);
    await db.roundStop.update(
      { id: row.id },
      {
        ...(there && { fromMinute: inDay(there.from), untilMinute: inDay(there.until) }),
        ...(again && { backMinute: inDay(again.from), overMinute: inDay(again.until) }),
      },
    );
    const visit = visitOf(row);
    if (!visit || !there?.missed) continue;
    await tellLater(call, visit, windowToTell(inDay(there.from), inDay((again ?? there).until), LATE_WINDOW));
    told += 1;
  }
  // Who is late has said so, and what comes of it is known now.
  await db.mishap.update(
    { personId: actor.personId, kind: 'late', settledAt: null },
    { settledAt: now, settledBy: actor.personId },
  );
  return { told };
}

const inDay = (minute: number): number => Math.min(MINUTES_A_DAY - 1, minute);

/** When the next stop can be set out for, as the device says; never more than a little after the time it is. */
function beginsBy({ begins }: OrderRound, now: number, today: number, zone: string): number {
  const minute = Math.floor((now - instantOfDay(today, 0, zone)) / 60_000);
  return Math.min(begins, minute + MOST_LATER);
}

/** @throws Problem: what is gone back to stands before its first time (422) */
function laid(stops: readonly StopLeft[], now: number, at: string | null): LegTimes[] {
  try {
    const terms = { now, at, door: DOOR_MINUTES, between: BETWEEN_MINUTES };
    return timesOf(legsOf(stops), [...stops.keys()], terms);
  } catch (error) {
    if (error instanceof RangeError) throw fieldProblem('stops', 'field.oneOf');
    throw error;
  }
}
