/**
 * iCalendar text (RFC 5545): lines folded at 75 octets (§3.1), text escaped (§3.3.11), each event with UID
 * and DTSTAMP (§3.6.1); how often it is worth asking again (RFC 7986 §5.7). The package `ical.js` reads in a test what
 * this writes.
 */
import { isoFromDay, type Day } from './day.ts';
import { formatRule, type Rule } from './rule.ts';

interface EventWords {
  /** Unique and lasting. */
  readonly uid: string;
  readonly summary: string;
  readonly description: string;
}

/** Of whole days, which keep nobody busy. */
interface OnDays {
  readonly day: Day;
  readonly rule?: Rule | undefined;
  /** Days on which it happens besides, where no rule gives them. */
  readonly alsoOn?: readonly Day[] | undefined;
}

/** From one instant until another, ms since the epoch. */
interface AtTimes {
  readonly from: number;
  readonly until: number;
}

export type CalendarEvent = EventWords & (OnDays | AtTimes);

/** A calendar. `stamp` is when it was written, in ms since the epoch. */
export function calendarOf(name: string, events: readonly CalendarEvent[], stamp: number): string {
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Dewline//Upkeep//EN',
    'CALSCALE:GREGORIAN',
    `NAME:${escaped(name)}`,
    'REFRESH-INTERVAL;VALUE=DURATION:PT1H',
    ...events.flatMap((event) => [
      'BEGIN:VEVENT',
      `UID:${event.uid}`,
      `DTSTAMP:${instantIn(stamp)}`,
      ...whenOf(event),
      `SUMMARY:${escaped(event.summary)}`,
      `DESCRIPTION:${escaped(event.description)}`,
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ];
  return lines.map(folded).join('\r\n').concat('\r\n');
}

function whenOf(event: OnDays | AtTimes): string[] {
  if ('from' in event) return [`DTSTART:${instantIn(event.from)}`, `DTEND:${instantIn(event.until)}`, 'TRANSP:OPAQUE'];
  const { day, rule, alsoOn } = event;
  return [
    `DTSTART;VALUE=DATE:${dateOf(day)}`,
    ...(rule ? [`RRULE:${formatRule(rule)}`] : []),
    ...(alsoOn?.length ? [`RDATE;VALUE=DATE:${alsoOn.map(dateOf).join()}`] : []),
    'TRANSP:TRANSPARENT',
  ];
}

/** An instant in UTC (§3.3.5, form 2). */
const instantIn = (at: number) => `${new Date(at).toISOString().replace(/[-:]/g, '').slice(0, 15)}Z`;
const dateOf = (day: Day) => isoFromDay(day).replaceAll('-', '');

function escaped(text: string): string {
  return text.replace(/[\\;,]/g, (sign) => `\\${sign}`).replace(/\r\n|\r|\n/g, '\\n');
}

const LINE_OCTETS = 75;

/** A long line broken before it passes 75 octets of UTF-8, never within a character. */
function folded(line: string): string {
  let out = '';
  let octets = 0;
  for (const sign of line) {
    const size = octetsOf(sign.codePointAt(0)!);
    if (octets + size > LINE_OCTETS) {
      out += '\r\n ';
      octets = 1;
    }
    out += sign;
    octets += size;
  }
  return out;
}

/** Octets of a code point in UTF-8 (RFC 3629): one more from each of these on. */
const octetsOf = (point: number) => 1 + [0x80, 0x800, 0x10000].filter((from) => point >= from).length;
