/**
 * When somebody is busy, read from a calendar of theirs (RFC 5545): repeated events by day, whole days whole, what keeps
 * nobody busy or was called off left out. A line that cannot be read costs its own event and no other. Only times are
 * taken; what they are about stays in the file.
 */
import ICAL from 'ical.js';
import { dayOfInstant, instantOfDay, isZone, MINUTES_A_DAY, type Day } from './day.ts';
import { dayOfCivil } from './civil.ts';

/** The largest file that is read, in characters. */
export const MOST_CHARACTERS = 5_000_000;
/** Times of an event, and of all, that are counted out; a rule that goes on beyond is cut off there. */
const MOST_STEPS = 50_000;
const MOST_STEPS_OF_ALL = 400_000;
const MINUTE_MS = 60_000;

/** Minutes past midnight of a day in the zone that was asked for; `until` after `from`, at most 1440. */
export interface BusyTime {
  readonly day: Day;
  readonly from: number;
  readonly until: number;
}

export interface BusyTimes {
  /** In order, none overlapping another. */
  readonly times: readonly BusyTime[];
  readonly events: number;
  /** Lines at which events begin that could not be read, from 1. */
  readonly unread: readonly number[];
  /** A rule or the file had more times than are counted out. */
  readonly cut: boolean;
}

export interface BusySpan {
  /** Of the days, and of times that name no zone. */
  readonly zone: string;
  readonly from: Day;
  /** The first day that is not read any more. */
  readonly until: Day;
}

/**
 * Reads when somebody is busy on some days.
 * @throws RangeError where the text is too long, or no calendar
 */
export function readBusyTimes(text: string, span: BusySpan): BusyTimes {
  if (text.length > MOST_CHARACTERS) throw new RangeError('calendar too long');
  const { events, zones, found } = blocksOf(text);
  if (!found) throw new RangeError('no calendar');
  const unread: number[] = [];
  const masters = new Map<string, ICAL.Event[]>();
  const apart = new Map<string, ICAL.Event[]>();
  let read = 0;
  for (const { line, lines } of events) {
    const event = eventIn(lines.some((it) => it.includes('TZID=')) ? [...zones, ...lines] : lines);
    if (event === null) unread.push(line);
    else {
      read += 1;
      const kind = event.isRecurrenceException() ? apart : masters;
      kind.set(event.uid, [...(kind.get(event.uid) ?? []), event]);
    }
  }
  const spans: [number, number][] = [];
  let [steps, cut] = [0, false];
  const least = instantOfDay(span.from, 0, span.zone);
  const most = instantOfDay(span.until, 0, span.zone);
  for (const event of [...masters.values()].flat()) {
    const changed = apart.get(event.uid) ?? [];
    const gone = new Set(changed.map(({ recurrenceId }) => String(recurrenceId)));
    if (!isBusy(event)) continue;
    if (!event.isRecurring()) {
      spans.push(spanOf(event, span.zone));
      continue;
    }
    const [begins, ends] = spanOf(event, span.zone);
    const length = ends - begins;
    const times = event.iterator();
    let own = 0;
    for (let at = times.next(); at; at = times.next()) {
      own += 1;
      steps += 1;
      const from = instantOf(at, event, span.zone);
      if (from >= most) break;
      if (own > MOST_STEPS || steps > MOST_STEPS_OF_ALL) {
        cut = true;
        break;
      }
      if (from + length > least && !gone.has(String(at))) spans.push([from, from + length]);
    }
  }
  for (const event of [...apart.values()].flat().filter(isBusy)) spans.push(spanOf(event, span.zone));
  const times = byDay(merged(spans.map(([a, b]) => [Math.max(a, least), Math.min(b, most)])), span.zone);
  return { times, events: read, unread, cut };
}

interface Block {
  readonly line: number;
  readonly lines: readonly string[];
}

/** Unfolded lines of each event with where it begins, and of the zones that come with them. */
function blocksOf(text: string): { events: Block[]; zones: string[]; found: boolean } {
  const [events, zones]: [Block[], string[]] = [[], []];
  let open: { kind: string; line: number; lines: string[] } | null = null;
  let found = false;
  for (const { line, text: it } of unfolded(text)) {
    const what = it.trimEnd().toUpperCase();
    if (what === 'BEGIN:VCALENDAR') found = true;
    if (open === null) {
      if (what === 'BEGIN:VEVENT' || what === 'BEGIN:VTIMEZONE') open = { kind: what.slice(6), line, lines: [it] };
      continue;
    }
    // An event that never ends is one that cannot be read; the next one begins anew.
    if (what === `BEGIN:${open.kind}` && open.kind === 'VEVENT') {
      events.push({ line: open.line, lines: [] });
      open = { kind: 'VEVENT', line, lines: [it] };
      continue;
    }
    open.lines.push(it);
    if (what !== `END:${open.kind}`) continue;
    if (open.kind === 'VEVENT') events.push(open);
    else if (canRead(open.lines)) zones.push(...open.lines);
    open = null;
  }
  if (open?.kind === 'VEVENT') events.push({ line: open.line, lines: [] });
  return { events, zones, found };
}

/** Lines with those that go on put together (RFC 5545 §3.1), each with the number of its first. */
function unfolded(text: string): { line: number; text: string }[] {
  const out: { line: number; text: string }[] = [];
  for (const [i, part] of text.split(/\r\n|\n|\r/).entries())
    if (/^[ \t]/.test(part) && out.length > 0) out.at(-1)!.text += part.slice(1);
    else if (part !== '') out.push({ line: i + 1, text: part });
  return out;
}

const calendarIn = (lines: readonly string[]): string => ['BEGIN:VCALENDAR', ...lines, 'END:VCALENDAR'].join('\r\n');

function canRead(lines: readonly string[]): boolean {
  try {
    ICAL.parse(calendarIn(lines));
    return true;
  } catch {
    return false;
  }
}

/** The event of some lines; null where it cannot be read, or begins at no time. */
function eventIn(lines: readonly string[]): ICAL.Event | null {
  if (lines.at(-1)?.trimEnd().toUpperCase() !== 'END:VEVENT') return null;
  try {
    const calendar = ICAL.Component.fromString(calendarIn(lines));
    const event = new ICAL.Event(calendar.getFirstSubcomponent('vevent')!);
    return event.uid && Number.isFinite(event.startDate.toUnixTime()) && event.duration.toSeconds() >= 0 ? event : null;
  } catch {
    return null;
  }
}

function isBusy({ component }: ICAL.Event): boolean {
  const says = (name: string) => String(component.getFirstPropertyValue(name) ?? '').toUpperCase();
  return says('transp') !== 'TRANSPARENT' && says('status') !== 'CANCELLED';
}

/** When an event begins and ends the first time, ms; a whole day lasts as long as that day. */
function spanOf(event: ICAL.Event, zone: string): [number, number] {
  const from = instantOf(event.startDate, event, zone);
  return [from, Math.max(from, instantOf(event.endDate, event, zone))];
}

/** The instant of a time of an event: in UTC, in the zone that it names, in one that came along, else in ours. */
function instantOf(time: ICAL.Time, event: ICAL.Event, zone: string): number {
  const { year, month, day, hour, minute, second } = time;
  const named = event.component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
  const inZone = (at: string) => instantOfDay(dayOfCivil(year, month, day), hour * 60 + minute, at) + second * 1000;
  if (time.isDate) return instantOfDay(dayOfCivil(year, month, day), 0, zone);
  if (time.zone === ICAL.Timezone.utcTimezone) return time.toUnixTime() * 1000;
  if (named && isZone(named)) return inZone(named);
  if (time.zone && time.zone !== ICAL.Timezone.localTimezone) return time.toUnixTime() * 1000;
  return inZone(zone);
}

/** Spans put together where they touch, in order; those that are empty fall out. */
function merged(spans: readonly (readonly [number, number])[]): [number, number][] {
  const out: [number, number][] = [];
  for (const [from, until] of spans.filter(([a, b]) => b > a).sort(([a], [b]) => a - b)) {
    const last = out.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], until);
    else out.push([from, until]);
  }
  return out;
}

/** Spans cut at midnight, in whole minutes: begun ones count. */
function byDay(spans: readonly (readonly [number, number])[], zone: string): BusyTime[] {
  const times: BusyTime[] = [];
  for (const [from, until] of spans)
    for (let day = dayOfInstant(from, zone); ; day += 1) {
      const midnight = instantOfDay(day, 0, zone);
      if (midnight >= until) break;
      const at = (instant: number) => (instant - midnight) / MINUTE_MS;
      const time = {
        day,
        from: Math.max(0, Math.floor(at(from))),
        until: Math.min(MINUTES_A_DAY, Math.ceil(at(until))),
      };
      const last = times.at(-1);
      if (last?.day === day && time.from <= last.until) times[times.length - 1] = { ...last, until: time.until };
      else if (time.until > time.from) times.push(time);
    }
  return times;
}

/** Minutes of a working day that somebody is busy elsewhere in. */
export const busyWithin = (
  times: readonly Pick<BusyTime, 'from' | 'until'>[],
  { from, until }: { readonly from: number; readonly until: number },
): number => times.reduce((sum, it) => sum + Math.max(0, Math.min(until, it.until) - Math.max(from, it.from)), 0);
