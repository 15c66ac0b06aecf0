/**
 * iCalendar text (RFC 5545): lines folded at 75 octets (§3.1), text escaped (§3.3.11), each event with UID
 * and DTSTAMP (§3.6.1). Whole days only. The package `ical.js` reads in a test what this writes.
 */
import { isoFromDay, type Day } from './day.ts';
import { formatRule, type Rule } from './rule.ts';

export interface CalendarEvent {
  /** Unique and lasting. */
  readonly uid: string;
  readonly day: Day;
  readonly summary: string;
  readonly description: string;
  readonly rule?: Rule | undefined;
  /** Days on which it happens besides, where no rule gives them. */
  readonly alsoOn?: readonly Day[] | undefined;
}

/** A calendar of all-day events. `stamp` is when it was written, in ms since the epoch. */
export function calendarOf(name: string, events: readonly CalendarEvent[], stamp: number): string {
  const written = `${new Date(stamp).toISOString().replace(/[-:]/g, '').slice(0, 15)}Z`;
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Dewline//Upkeep//EN',
    'CALSCALE:GREGORIAN',
    `NAME:${escaped(name)}`,
    ...events.flatMap(({ uid, day, summary, description, rule, alsoOn }) => [
      'BEGIN:VEVENT',
      `UID:${uid}`,
      `DTSTAMP:${written}`,
      `DTSTART;VALUE=DATE:${dateOf(day)}`,
      `SUMMARY:${escaped(summary)}`,
      `DESCRIPTION:${escaped(description)}`,
      ...(rule ? [`RRULE:${formatRule(rule)}`] : []),
      ...(alsoOn?.length ? [`RDATE;VALUE=DATE:${alsoOn.map(dateOf).join()}`] : []),
      'TRANSP:TRANSPARENT',
      'END:VEVENT',
    ]),
    'END:VCALENDAR',
  ];
  return lines.map(folded).join('\r\n').concat('\r\n');
}

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
