import { expect } from 'chai';
import fc from 'fast-check';
import { calendarOf } from '../../core/calendar/icalendar.ts';
import { busyWithin, MOST_CHARACTERS, readBusyTimes, type BusySpan } from '../../core/calendar/busyTimes.ts';
import { dayFromIso, instantOfDay } from '../../core/calendar/day.ts';

const ZONE = 'Europe/Dublin';
const FROM = dayFromIso('2026-11-30');
const SPAN: BusySpan = { zone: ZONE, from: FROM, until: FROM + 28 };

const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//T//T//EN', ...lines, 'END:VCALENDAR'].join('\r\n');
let uid = 0;
const event = (...lines: string[]): string[] => ['BEGIN:VEVENT', `UID:e${(uid += 1)}@t`, ...lines, 'END:VEVENT'];
const times = (text: string, span = SPAN) =>
  readBusyTimes(text, span).times.map(({ day, from, until }) => [day - FROM, from, until]);

describe('Busy times of a calendar', () => {
  it('are read in UTC, in a named zone, in one that came along, and in ours where none is named', () => {
    // 2026-11-30 is a Monday of winter time in Dublin, which is UTC; Helsinki is two hours ahead.
    const own = [
      'BEGIN:VTIMEZONE',
      'TZID:Half',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0430',
      'TZOFFSETTO:+0430',
      'END:STANDARD',
      'END:VTIMEZONE',
    ];
    expect(times(calendar(...event('DTSTART:20261130T100000Z', 'DTEND:20261130T113000Z')))).to.deep.equal([
      [0, 600, 690],
    ]);
    expect(times(calendar(...event('DTSTART;TZID=Europe/Helsinki:20261130T100000', 'DURATION:PT45M')))).to.deep.equal([
      [0, 480, 525],
    ]);
    expect(
      times(calendar(...own, ...event('DTSTART;TZID=Half:20261130T100000', 'DTEND;TZID=Half:20261130T110000'))),
    ).to.deep.equal([[0, 330, 390]]);
    expect(times(calendar(...event('DTSTART:20261130T100000', 'DTEND:20261130T110000')))).to.deep.equal([
      [0, 600, 660],
    ]);
  });

  it('are whole days where an event is, and are cut at midnight and at the ends of what was asked for', () => {
    expect(times(calendar(...event('DTSTART;VALUE=DATE:20261202', 'DTEND;VALUE=DATE:20261204')))).to.deep.equal([
      [2, 0, 1440],
      [3, 0, 1440],
    ]);
    expect(times(calendar(...event('DTSTART:20261129T220000Z', 'DTEND:20261130T020000Z')))).to.deep.equal([
      [0, 0, 120],
    ]);
    expect(times(calendar(...event('DTSTART;VALUE=DATE:20270601')))).to.deep.equal([]);
  });

  it('leave out what keeps nobody busy or was called off, and put together what overlaps', () => {
    const at = ['DTSTART:20261201T090000Z', 'DTEND:20261201T100000Z'];
    expect(times(calendar(...event(...at, 'TRANSP:TRANSPARENT'), ...event(...at, 'STATUS:CANCELLED')))).to.deep.equal(
      [],
    );
    const later = ['DTSTART:20261201T093000Z', 'DTEND:20261201T120000Z'];
    expect(times(calendar(...event(...at), ...event(...later)))).to.deep.equal([[1, 540, 720]]);
  });

  it('follow a rule, its exceptions, and an occurrence that was moved (RFC 5545 §3.8.4.4, §3.8.5)', () => {
    const rule = [
      'BEGIN:VEVENT',
      'UID:weekly@t',
      'DTSTART;TZID=Europe/Dublin:20260105T090000',
      'DTEND;TZID=Europe/Dublin:20260105T100000',
      'RRULE:FREQ=WEEKLY;BYDAY=MO,WE',
      'EXDATE;TZID=Europe/Dublin:20261202T090000',
      'END:VEVENT',
      'BEGIN:VEVENT',
      'UID:weekly@t',
      'RECURRENCE-ID;TZID=Europe/Dublin:20261207T090000',
      'DTSTART;TZID=Europe/Dublin:20261208T140000',
      'DTEND;TZID=Europe/Dublin:20261208T150000',
      'END:VEVENT',
    ];
    const { times: found } = readBusyTimes(calendar(...rule), { ...SPAN, until: FROM + 12 });
    expect(found.map(({ day, from }) => [day - FROM, from])).to.deep.equal([
      [0, 540],
      [8, 840],
      [9, 540],
    ]);
  });

  it('keep the hour of the wall through a change of clocks', () => {
    const span = { zone: ZONE, from: dayFromIso('2026-10-19'), until: dayFromIso('2026-11-02') };
    const weekly = event('DTSTART;TZID=Europe/Dublin:20261019T090000', 'DURATION:PT1H', 'RRULE:FREQ=WEEKLY');
    const { times: found } = readBusyTimes(calendar(...weekly), span);
    expect(found.map(({ from, until }) => [from, until])).to.deep.equal([
      [540, 600],
      [540, 600],
    ]);
  });

  it('lose one event to a broken line and no other, and say where it begins', () => {
    const good = event('DTSTART:20261201T090000Z', 'DTEND:20261201T100000Z');
    const broken = event('DTSTART:2026-nonsense', 'THIS IS NO LINE');
    const open = ['BEGIN:VEVENT', 'UID:open@t', 'DTSTART:20261201T110000Z'];
    const { times: found, unread, events } = readBusyTimes(calendar(...broken, ...open, ...good), SPAN);
    expect(found.map(({ from }) => from)).to.deep.equal([540]);
    expect([events, unread]).to.deep.equal([1, [4, 9]]);
    expect(() => readBusyTimes('Dear all, no calendar here', SPAN)).to.throw(RangeError, 'no calendar');
    expect(() => readBusyTimes('x'.repeat(MOST_CHARACTERS + 1), SPAN)).to.throw(RangeError, 'too long');
  });

  it('end with a rule that never would, and say that they were cut', () => {
    const every = event('DTSTART:19700101T000000Z', 'DURATION:PT1S', 'RRULE:FREQ=SECONDLY');
    const { cut, times: found } = readBusyTimes(calendar(...every), SPAN);
    expect([cut, found]).to.deep.equal([true, []]);
  });

  it('read back what we write, whatever the hours', () => {
    const spans = fc.array(fc.tuple(fc.integer({ min: 0, max: 27 }), fc.integer({ min: 0, max: 1380 })), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(spans, (all) => {
        const events = all.map(([day, minute], i) => {
          const from = instantOfDay(FROM + day, minute, ZONE);
          return { uid: `${i}@t`, summary: 'A, b; c\nd', description: 'é'.repeat(90), from, until: from + 3_600_000 };
        });
        const busy = new Set(
          all.flatMap(([day, minute]) => Array.from({ length: 60 }, (_, i) => day * 1440 + minute + i)),
        );
        const found = readBusyTimes(calendarOf('Ours', events, 0), SPAN).times;
        const minutes = found.flatMap(({ day, from, until }) =>
          Array.from({ length: until - from }, (_, i) => (day - FROM) * 1440 + from + i),
        );
        expect(new Set(minutes)).to.deep.equal(new Set([...busy].filter((it) => it < 28 * 1440)));
        expect(minutes.length, 'no minute twice').to.equal(new Set(minutes).size);
      }),
      { seed: 5, numRuns: 60 },
    );
  });

  it('take from a working day what lies within it', () => {
    const day = { from: 480, until: 1080 };
    expect(
      busyWithin(
        [
          { from: 0, until: 540 },
          { from: 600, until: 660 },
          { from: 1200, until: 1300 },
        ],
        day,
      ),
    ).to.equal(120);
    expect(busyWithin([{ from: 0, until: 1440 }], day)).to.equal(600);
  });
});
