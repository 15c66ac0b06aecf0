/** Upkeep as a calendar (RFC 5545): points that keep one, by their rule or days; the others on their line. */
import { calendarOf, type CalendarEvent } from '../../core/calendar/icalendar.ts';
import { anchorDays, ruleOf } from '../../core/due/anchor.ts';
import { computeLine } from '../../core/due/compute.ts';
import type { Call } from '../context/context.ts';
import { readHistories } from '../due/history.ts';
import { findAddressed, pointsBelow } from '../lookup/scope.ts';
import { plainWords } from '../due/terms.ts';
import type { PointHistory } from '../due/pointHistory.ts';

const AHEAD_DAYS = 760;

/** The dates of a scope, as events. What is late stands on the day it is looked at, and not in the past. */
export async function datesOf(
  call: Call,
  scope: string,
  id: string,
): Promise<{ name: string; events: CalendarEvent[] }> {
  const found = await findAddressed(call, scope, id);
  const histories = await readHistories(call.db, await pointsBelow(call, found), call.now);
  const places = new Map(
    (await call.db.place.all({ id: [...new Set(histories.map(({ placeId }) => placeId))] })).map(
      ({ id: placeId, name }) => [placeId, name],
    ),
  );
  const events = histories
    .filter(({ retired }) => !retired)
    .sort((a, b) => a.point.number - b.point.number)
    .flatMap((history) => eventOf(call, history, places.get(history.placeId)!) ?? []);
  return { name: found.name, events };
}

/** The dates of a scope as an iCalendar file (RFC 5545). */
export async function readCalendar(call: Call, scope: string, id: string): Promise<{ name: string; text: string }> {
  const { name, events } = await datesOf(call, scope, id);
  return { name, text: calendarOf(name, events, call.now) };
}

function eventOf({ env: { say } }: Call, history: PointHistory, place: string): CalendarEvent | undefined {
  const { inputs, point, today } = history;
  const line = computeLine(inputs, today);
  const event = {
    uid: `point-${point.id}@dewline`,
    summary: `${say(`task.${point.procedure}`)}, ${place}`,
    description: plainWords(say, history, line),
  };
  const { anchor } = inputs;
  if (anchor?.mode === 'sets' && anchor.rule !== undefined) {
    const rule = ruleOf(anchor.rule);
    const [first] = anchorDays(anchor, today, today + AHEAD_DAYS);
    return first === undefined ? undefined : { ...event, day: first, rule };
  }
  if (anchor?.mode === 'sets') {
    const [first, ...later] = anchorDays(anchor, today, today + AHEAD_DAYS);
    return first === undefined ? undefined : { ...event, day: first, alsoOn: later };
  }
  return line.servedDay === null ? undefined : { ...event, day: Math.max(today, line.lineDay) };
}
