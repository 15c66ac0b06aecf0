import { expect } from 'chai';
import fc from 'fast-check';
import ICAL from 'ical.js';
import rrulePackage from 'rrule';
import { civilOf, dayOfCivil, daysInMonth, weekdayOf } from '../../core/calendar/civil.ts';
import { dayFromIso, isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { calendarOf } from '../../core/calendar/icalendar.ts';
import { expand, nextOccurrence, occurrences } from '../../core/calendar/recurrence.ts';
import { formatRule, parseRule, WEEKDAYS } from '../../core/calendar/rule.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';

const { rrulestr } = rrulePackage as unknown as typeof import('rrule');
const say = translator('en-GB', coreText);

/** The first days of a rule from a start. */
function first(text: string, start: string, many: number): string[] {
  const days: string[] = [];
  for (const day of occurrences(parseRule(text), dayFromIso(start))) {
    if (days.push(isoFromDay(day)) === many) break;
  }
  return days;
}

/**
 * Worked examples of RFC 5545 §3.8.5.3 that lie within the subset (their times left out): rule, start, first days as
 * printed there.
 */
const RFC_EXAMPLES: readonly (readonly [string, string, string])[] = [
  [
    'FREQ=DAILY;COUNT=10',
    '1997-09-02',
    '1997-09-02 1997-09-03 1997-09-04 1997-09-05 1997-09-06 1997-09-07 1997-09-08 1997-09-09 1997-09-10 1997-09-11',
  ],
  ['FREQ=DAILY;INTERVAL=2', '1997-09-02', '1997-09-02 1997-09-04 1997-09-06 1997-09-08'],
  ['FREQ=DAILY;INTERVAL=10;COUNT=5', '1997-09-02', '1997-09-02 1997-09-12 1997-09-22 1997-10-02 1997-10-12'],
  ['FREQ=YEARLY;UNTIL=20000131;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA', '1998-01-01', '1998-01-01 1998-01-02 1998-01-03'],
  ['FREQ=DAILY;UNTIL=20000131;BYMONTH=1', '1998-01-01', '1998-01-01 1998-01-02 1998-01-03'],
  [
    'FREQ=WEEKLY;COUNT=10',
    '1997-09-02',
    '1997-09-02 1997-09-09 1997-09-16 1997-09-23 1997-09-30 1997-10-07 1997-10-14 1997-10-21 1997-10-28 1997-11-04',
  ],
  ['FREQ=WEEKLY;INTERVAL=2;WKST=SU', '1997-09-02', '1997-09-02 1997-09-16 1997-09-30 1997-10-14 1997-10-28 1997-11-11'],
  [
    'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH',
    '1997-09-02',
    '1997-09-02 1997-09-04 1997-09-09 1997-09-11 1997-09-16 1997-09-18 1997-09-23 1997-09-25 1997-09-30 1997-10-02',
  ],
  [
    'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224;WKST=SU;BYDAY=MO,WE,FR',
    '1997-09-01',
    '1997-09-01 1997-09-03 1997-09-05 1997-09-15 1997-09-17 1997-09-19 1997-09-29',
  ],
  [
    'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
    '1997-09-02',
    '1997-09-02 1997-09-04 1997-09-16 1997-09-18 1997-09-30 1997-10-02 1997-10-14 1997-10-16',
  ],
  [
    'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
    '1997-09-05',
    '1997-09-05 1997-10-03 1997-11-07 1997-12-05 1998-01-02 1998-02-06 1998-03-06 1998-04-03 1998-05-01 1998-06-05',
  ],
  ['FREQ=MONTHLY;UNTIL=19971224;BYDAY=1FR', '1997-09-05', '1997-09-05 1997-10-03 1997-11-07 1997-12-05'],
  [
    'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU',
    '1997-09-07',
    '1997-09-07 1997-09-28 1997-11-02 1997-11-30 1998-01-04 1998-01-25 1998-03-01 1998-03-29 1998-05-03 1998-05-31',
  ],
  [
    'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
    '1997-09-22',
    '1997-09-22 1997-10-20 1997-11-17 1997-12-22 1998-01-19 1998-02-16',
  ],
  ['FREQ=MONTHLY;BYMONTHDAY=-3', '1997-09-28', '1997-09-28 1997-10-29 1997-11-28 1997-12-29 1998-01-29 1998-02-26'],
  [
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
    '1997-09-02',
    '1997-09-02 1997-09-15 1997-10-02 1997-10-15 1997-11-02 1997-11-15 1997-12-02 1997-12-15 1998-01-02 1998-01-15',
  ],
  [
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
    '1997-09-30',
    '1997-09-30 1997-10-01 1997-10-31 1997-11-01 1997-11-30 1997-12-01 1997-12-31 1998-01-01 1998-01-31 1998-02-01',
  ],
  [
    'FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15',
    '1997-09-10',
    '1997-09-10 1997-09-11 1997-09-12 1997-09-13 1997-09-14 1997-09-15 1999-03-10 1999-03-11 1999-03-12 1999-03-13',
  ],
  [
    'FREQ=MONTHLY;INTERVAL=2;BYDAY=TU',
    '1997-09-02',
    '1997-09-02 1997-09-09 1997-09-16 1997-09-23 1997-09-30 1997-11-04 1997-11-11 1997-11-18 1997-11-25 1998-01-06',
  ],
  [
    'FREQ=YEARLY;COUNT=10;BYMONTH=6,7',
    '1997-06-10',
    '1997-06-10 1997-07-10 1998-06-10 1998-07-10 1999-06-10 1999-07-10 2000-06-10 2000-07-10 2001-06-10 2001-07-10',
  ],
  [
    'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3',
    '1997-03-10',
    '1997-03-10 1999-01-10 1999-02-10 1999-03-10 2001-01-10 2001-02-10 2001-03-10 2003-01-10 2003-02-10 2003-03-10',
  ],
  ['FREQ=YEARLY;BYDAY=20MO', '1997-05-19', '1997-05-19 1998-05-18 1999-05-17'],
  [
    'FREQ=YEARLY;BYMONTH=3;BYDAY=TH',
    '1997-03-13',
    '1997-03-13 1997-03-20 1997-03-27 1998-03-05 1998-03-12 1998-03-19 1998-03-26 1999-03-04',
  ],
  [
    'FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8',
    '1997-06-05',
    '1997-06-05 1997-06-12 1997-06-19 1997-06-26 1997-07-03 1997-07-10',
  ],
  ['FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13', '1997-09-02', '1998-02-13 1998-03-13 1998-11-13 1999-08-13 2000-10-13'],
  [
    'FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13',
    '1997-09-13',
    '1997-09-13 1997-10-11 1997-11-08 1997-12-13 1998-01-10 1998-02-07 1998-03-07 1998-04-11 1998-05-09 1998-06-13',
  ],
  [
    'FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8',
    '1996-11-05',
    '1996-11-05 2000-11-07 2004-11-02',
  ],
  ['FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3', '1997-09-04', '1997-09-04 1997-10-07 1997-11-06'],
  [
    'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2',
    '1997-09-29',
    '1997-09-29 1997-10-30 1997-11-27 1997-12-30 1998-01-29 1998-02-26 1998-03-30',
  ],
  ['FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO', '1997-08-05', '1997-08-05 1997-08-10 1997-08-19 1997-08-24'],
  ['FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU', '1997-08-05', '1997-08-05 1997-08-17 1997-08-19 1997-08-31'],
  ['FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5', '2007-01-15', '2007-01-15 2007-01-30 2007-02-15 2007-03-15 2007-03-30'],
];

const some = <T>(choices: readonly T[], maxLength: number) =>
  fc.uniqueArray(fc.constantFrom(...choices), { maxLength });
/**
 * Any rule of the subset. One position at most, and from the end only -1: `rrule` answers a position before the first
 * with the first, where the RFC has none, and the same day twice where two positions meet.
 */
const ruleText = fc
  .record({
    frequency: fc.constantFrom('DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'),
    interval: fc.integer({ min: 1, max: 5 }),
    count: fc.option(fc.integer({ min: 1, max: 40 })),
    months: some([1, 2, 3, 5, 8, 11, 12], 3),
    monthDays: some([1, 2, 7, 15, 28, 29, 30, 31, -1, -3, -30], 3),
    weekdays: some(WEEKDAYS, 3),
    nth: fc.constantFrom(0, 0, 1, 2, 4, 5, -1, -2),
    positions: some([1, 2, -1, 5], 1),
    weekStart: fc.constantFrom(...WEEKDAYS),
  })
  .map(({ frequency, interval, count, months, monthDays, weekdays, nth, positions, weekStart }) => {
    const ordinals = (frequency === 'MONTHLY' || frequency === 'YEARLY') && monthDays.length === 0;
    const parts = [`FREQ=${frequency}`, `INTERVAL=${interval}`, `WKST=${weekStart}`];
    if (count !== null) parts.push(`COUNT=${count}`);
    if (months.length) parts.push(`BYMONTH=${months.join()}`);
    if (monthDays.length && frequency !== 'WEEKLY') parts.push(`BYMONTHDAY=${monthDays.join()}`);
    if (weekdays.length) parts.push(`BYDAY=${weekdays.map((day) => `${ordinals && nth ? nth : ''}${day}`).join()}`);
    if (positions.length && ['MONTHLY', 'YEARLY'].includes(frequency) && parts.some((part) => part.startsWith('BY')))
      parts.push(`BYSETPOS=${positions.join()}`);
    return parts.join(';');
  });

describe('Recurrence', () => {
  it('gives the worked examples of RFC 5545 §3.8.5.3 within the subset', () => {
    for (const [rule, start, days] of RFC_EXAMPLES) {
      const wanted = days.split(' ');
      expect(first(rule, start, wanted.length), rule).to.deep.equal(wanted);
    }
  });
  it('ends where the RFC’s examples end', () => {
    expect(first('FREQ=DAILY;UNTIL=19971224', '1997-09-02', 500).at(-1)).to.equal('1997-12-24');
    expect(first('FREQ=DAILY;UNTIL=20000131;BYMONTH=1', '1998-01-01', 500)).to.have.length(93);
    expect(first('FREQ=DAILY;COUNT=10', '1997-09-02', 500)).to.have.length(10);
  });
  it('agrees with the package rrule on all of the subset', () => {
    fc.assert(
      fc.property(ruleText, fc.integer({ min: 8000, max: 22_000 }), (text, start) => {
        const until = start + 1500;
        const ours = expand(parseRule(text), start, start, until);
        // A rule without days keeps `rrule` searching to the year 9999.
        fc.pre(ours.length > 0);
        const theirs = rrulestr(text, { dtstart: new Date(start * MS_PER_DAY) })
          .between(new Date(start * MS_PER_DAY), new Date(until * MS_PER_DAY), true)
          .map((date) => date.getTime() / MS_PER_DAY);
        expect(ours, text).to.deep.equal(theirs);
      }),
      { numRuns: 150 },
    );
  });
  it('gives a stretch as it gives the whole', () => {
    fc.assert(
      fc.property(
        ruleText,
        fc.integer({ min: 8000, max: 22_000 }),
        fc.integer({ min: 0, max: 1200 }),
        fc.integer({ min: 0, max: 300 }),
        (text, start, from, length) => {
          const rule = parseRule(text);
          const whole = expand(rule, start, start, start + 1600);
          expect(expand(rule, start, start + from, start + from + length)).to.deep.equal(
            whole.filter((day) => day >= start + from && day <= start + from + length),
          );
          const next = whole.find((day) => day >= start + from);
          if (next !== undefined) expect(nextOccurrence(rule, start, start + from)).to.equal(next);
        },
      ),
    );
  });
  it('reads back what it writes', () => {
    fc.assert(
      fc.property(ruleText, (text) => {
        expect(parseRule(formatRule(parseRule(text)))).to.deep.equal(parseRule(text));
      }),
    );
  });
  it('has no day for a position that its period does not reach', () => {
    expect(first('FREQ=MONTHLY;BYMONTHDAY=1;BYSETPOS=-2', '2026-01-01', 1)).to.deep.equal([]);
  });
  it('ends even where there is no such day', () => {
    expect(first('FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', '2026-01-01', 1)).to.deep.equal([]);
    expect(nextOccurrence(parseRule('FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30'), 20_000, 20_000)).to.equal(undefined);
  });
  it('refuses what is wrong or outside the subset, saying which part', () => {
    for (const [text, why] of [
      ['', 'FREQ'],
      ['FREQ=HOURLY', 'FREQ'],
      ['FREQ=YEARLY;BYWEEKNO=20', 'BYWEEKNO'],
      ['FREQ=DAILY;INTERVAL=0', 'INTERVAL'],
      ['FREQ=DAILY;INTERVAL=1.5', 'INTERVAL'],
      ['FREQ=WEEKLY;BYDAY=1SA', 'ordinal'],
      ['FREQ=WEEKLY;BYDAY=SA;BYSETPOS=1', 'BYSETPOS'],
      ['FREQ=MONTHLY;BYDAY=XX', 'BYDAY'],
      ['FREQ=DAILY;COUNT=2;UNTIL=20260101', 'exclude'],
      ['FREQ=DAILY;UNTIL=20261301', 'UNTIL'],
      ['FREQ=DAILY;FREQ=DAILY', 'twice'],
    ] as const)
      expect(() => parseRule(text), text).to.throw(RangeError, why);
  });
  it('is told in words', () => {
    const words = (text: string, start = '2026-01-03') => ruleWords(say, parseRule(text), dayFromIso(start));
    expect(words('FREQ=MONTHLY;BYDAY=1SA')).to.equal('on the first Saturday of every month');
    expect(words('FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1')).to.equal('on the 1st of every second month');
    expect(words('FREQ=YEARLY;BYMONTH=3,6,9,12;BYMONTHDAY=1')).to.equal(
      'on the 1st of March, June, September and December',
    );
    expect(words('FREQ=WEEKLY;BYDAY=MO,TH')).to.equal('every Monday and Thursday');
    expect(words('FREQ=YEARLY', '2026-05-01')).to.equal('on 1 May, every year');
    expect(words('FREQ=MONTHLY;BYDAY=-1FR;COUNT=3')).to.equal('on the last Friday of every month, 3 times');
  });
});

describe('Civil dates', () => {
  it('are those of the platform, over a full cycle of the calendar', () => {
    fc.assert(
      fc.property(fc.integer({ min: -80_000, max: 160_000 }), (day) => {
        const { year, month, date } = civilOf(day);
        expect(new Date(day * MS_PER_DAY).toISOString().slice(0, 10)).to.equal(
          `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`,
        );
        expect(dayOfCivil(year, month, date)).to.equal(day);
        expect((new Date(day * MS_PER_DAY).getUTCDay() + 6) % 7).to.equal(weekdayOf(day));
        expect(date).to.be.at.most(daysInMonth(year, month));
      }),
      { numRuns: 2000 },
    );
    expect([
      daysInMonth(2000, 2),
      daysInMonth(1900, 2),
      daysInMonth(2024, 2),
      daysInMonth(2026, 4),
      daysInMonth(2026, 8),
    ]).to.deep.equal([29, 28, 29, 30, 31]);
  });
});

describe('iCalendar text', () => {
  const event = {
    uid: 'point-7@dewline',
    day: dayFromIso('2027-01-01'),
    summary: 'Interior wash; vinegar, Flat 1B',
    description: 'Nächste Wäsche — wipe the seal,\nthen “run” it. '.repeat(8),
    rule: parseRule('FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1'),
  };
  const text = calendarOf('Port Ellery, upkeep', [event], Date.UTC(2026, 10, 24, 8, 30));
  it('is read by the package ical.js with nothing lost (RFC 5545 §3.3.11)', () => {
    const component = new ICAL.Component(ICAL.parse(text) as never);
    const read = new ICAL.Event(component.getFirstSubcomponent('vevent')!);
    expect(read.uid).to.equal(event.uid);
    expect(read.summary).to.equal(event.summary);
    expect(read.description).to.equal(event.description);
    expect(read.startDate.toString()).to.equal('2027-01-01');
    const days = read.iterator();
    expect([days.next(), days.next(), days.next()].map(String)).to.deep.equal([
      '2027-01-01',
      '2027-03-01',
      '2027-05-01',
    ]);
  });
  it('keeps every line within 75 octets and ends each with CRLF (RFC 5545 §3.1)', () => {
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).to.be.at.most(75);
    expect(text.replaceAll('\r\n', '')).not.to.match(/[\r\n]/);
    expect(text).to.contain('DTSTAMP:20261124T083000Z');
  });
});
