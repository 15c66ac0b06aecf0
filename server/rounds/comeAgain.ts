/** Coming again to a home where something came between: when that could be, and writing it down. */
import { weekdayOf } from '../../core/calendar/civil.ts';
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay } from '../../core/calendar/day.ts';
import { earliestEntry } from '../../core/notices/entry.ts';
import { tellableFrom } from '../../core/notices/telling.ts';
import { DOOR_MINUTES } from '../../core/rounds/instance.ts';
import { windowToTell } from '../../core/rounds/timetable.ts';
import type { ComeAgain, Mishap } from '../../contract/rounds/mishaps.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { noticeHours } from '../jobs/entry.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { askingRuleOf } from '../notices/planning.ts';
import { createVisit } from '../notices/visits.ts';
import type { Row } from '../store/tables.ts';
import { within } from '../store/where.ts';
import { roundBegins } from './busy.ts';
import { findMishap } from './mishaps.ts';
import { workingPeople } from './workers.ts';
import { readAccess } from './workingTime.ts';

/** Days ahead in which a new day is looked for. */
const AHEAD_DAYS = 21;

/**
 * The first time at which whoever was there could come again: a day that they work with minutes left, on which the home
 * may be entered, with notice enough; null where there is none within three weeks.
 */
export async function whenAgain(call: Call, mishap: Row<'mishap'>, stop: Row<'roundStop'>): Promise<Mishap['again']> {
  const { db, now, actor } = call;
  const { placeId, personId } = mishap;
  const zone = await zoneOfPlace(db, placeId);
  const today = dayOfInstant(now, zone);
  const [workers, { closed }, place] = [
    await workingPeople(db, actor.organisationId, today),
    await readAccess(call, placeId),
    (await db.place.one({ id: placeId }))!,
  ];
  const worker = workers.find(({ person }) => person.id === personId);
  if (!worker) return null;
  const lived = (await tenancyOn(db, placeId, now)) !== undefined;
  const hours = lived ? await noticeHours(db, place.propertyId, today) : 0;
  const told = tellableFrom(now, await askingRuleOf(db, actor.organisationId), zone);
  const minutes = Math.max(1, stop.untilMinute - stop.fromMinute);
  const booked = await db.roundStop.all({ personId, day: within(today, today + AHEAD_DAYS) });
  for (let day = today + 1; day <= today + AHEAD_DAYS; day += 1) {
    if (closed.includes(weekdayOf(day))) continue;
    const stops = booked.filter((it) => it.day === day);
    const busy = stops.reduce((sum, it) => sum + it.untilMinute - it.fromMinute + DOOR_MINUTES, 0);
    if (busy + minutes + DOOR_MINUTES > worker.minutesOn(day)) continue;
    const from =
      Math.max(await roundBegins(db, personId, day), ...stops.map((it) => it.overMinute ?? it.untilMinute)) +
      DOOR_MINUTES;
    const window = windowToTell(from, from + minutes);
    if (from + minutes > window.until) continue;
    if (hours > 0 && instantOfDay(day, window.from, zone) < earliestEntry(told, hours)) continue;
    return { day: isoFromDay(day), ...window };
  }
  return null;
}

/**
 * Somebody comes again, as was proposed or at another time: the household is told, it stands in the round of that day, and
 * what came between is seen to.
 * @throws Problem: notFound (404), mishapSettled (409), noticeTooShort (422)
 */
export async function comeAgain(call: Call, id: string, { day, from, until }: ComeAgain): Promise<object> {
  const { env, db, actor, now } = call;
  const mishap = await findMishap(call, id);
  if (mishap.settledAt !== null) throw new Problem(409, 'mishapSettled');
  const stop = (await db.roundStop.one({ id: mishap.stopId }))!;
  const { placeId, personId } = mishap;
  const againDay = dayFromIso(day);
  const zone = await zoneOfPlace(db, placeId);
  // Whoever was told that nobody came in hears when somebody does, whatever the rule there asks.
  const lived = (await tenancyOn(db, placeId, Math.max(now, instantOfDay(againDay, from, zone)))) !== undefined;
  const before = stop.visitId === null ? undefined : await db.visit.one({ id: stop.visitId });
  const visitId = lived ? env.newId() : null;
  if (visitId !== null) {
    const purpose = before?.purpose ?? env.say('mishap.purpose');
    await createVisit(call, { id: visitId, placeId, personId, day, from, until, purpose, agreed: false });
  }
  const minutes = Math.max(1, stop.untilMinute - stop.fromMinute);
  await db.roundStop.insert({
    ...stop,
    id: env.newId(),
    day: againDay,
    fromMinute: from + DOOR_MINUTES,
    untilMinute: Math.min(until, from + DOOR_MINUTES + minutes),
    backMinute: null,
    overMinute: null,
    numbers: mishap.numbers,
    visitId,
    createdAt: now,
  });
  await db.mishap.update({ id }, { settledAt: now, settledBy: actor.personId, againDay });
  return {};
}
