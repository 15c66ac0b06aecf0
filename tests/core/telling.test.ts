import { expect } from 'chai';
import fc from 'fast-check';
import { dayFromIso, dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { ASSUMED_ANSWERS, believeAnswers } from '../../core/notices/answering.ts';
import { ASKING_RULE, digestDay, doByDay, passingDay, reminderDay, tellableFrom } from '../../core/notices/telling.ts';

const DUBLIN = 'Europe/Dublin';
const at = (iso: string, minute: number, zone = DUBLIN) => instantOfDay(dayFromIso(iso), minute, zone);
const unknown = believeAnswers([], ASSUMED_ANSWERS);
const zone = () => fc.constantFrom(DUBLIN, 'Asia/Kolkata', 'America/St_Johns', 'Pacific/Auckland', 'UTC');
const minutesOf = (instant: number, it: string) => (instant - instantOfDay(dayOfInstant(instant, it), 0, it)) / 60_000;

/** When a household is told: common practice, but the clock changes (IANA time zone data). */
describe('Telling a household', () => {
  it('waits for the end of its night, by its own clock, also over a change of clocks', () => {
    expect(tellableFrom(at('2026-11-24', 12 * 60), ASKING_RULE, DUBLIN)).to.equal(at('2026-11-24', 12 * 60));
    expect(tellableFrom(at('2026-11-24', 21 * 60), ASKING_RULE, DUBLIN)).to.equal(at('2026-11-25', 8 * 60));
    expect(tellableFrom(at('2026-11-24', 30), ASKING_RULE, DUBLIN)).to.equal(at('2026-11-24', 8 * 60));
    // Summer time ended at 2 on 25 October 2026: the night is an hour longer, the morning is not.
    const night = at('2026-10-24', 22 * 60);
    expect(tellableFrom(night, ASKING_RULE, DUBLIN) - night).to.equal(11 * 3_600_000);
  });

  it('is never in the quiet hours, never before it was asked for, and at most a day and an hour later', () => {
    const minute = () => fc.integer({ min: 0, max: 1439 });
    fc.assert(
      fc.property(fc.integer({ min: 1.7e12, max: 1.9e12 }), minute(), minute(), zone(), (instant, from, until, it) => {
        const told = tellableFrom(instant, { quietFrom: from, quietUntil: until }, it);
        expect(told).to.be.at.least(instant);
        expect(told - instant).to.be.at.most(25 * 3_600_000);
        // A night that begins or ends in the hour that a clock skips is another matter.
        const minutes = minutesOf(told, it);
        const quiet = from <= until ? minutes >= from && minutes < until : minutes >= from || minutes < until;
        const changes = [0, 1].some(
          (n) =>
            instantOfDay(dayOfInstant(told, it) + n, 0, it) - instantOfDay(dayOfInstant(told, it) + n - 1, 0, it) !==
            86_400_000,
        );
        if (!changes) expect(quiet).to.equal(false);
      }),
    );
  });

  it('gives until the first line, a week at least, and a fortnight where nothing is known', () => {
    const today = dayFromIso('2026-11-24');
    expect(doByDay(today, [today + 20, today + 12])).to.equal(today + 12);
    expect(doByDay(today, [today - 30, today + 12])).to.equal(today + 7);
    expect(doByDay(today, [null])).to.equal(today + 14);
  });

  it('reminds once, between the asking and the do-by day, sooner where households answer quickly', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), fc.array(fc.integer({ min: 1, max: 60 })), (lead, days) => {
        const belief = believeAnswers(
          days.map((it) => ({ days: it, done: true })),
          ASSUMED_ANSWERS,
        );
        const day = reminderDay(1000, 1000 + lead, belief);
        if (day === null) expect(lead).to.be.below(4);
        else expect(day).to.be.within(1002, 1000 + lead - 2);
      }),
    );
    const quick = believeAnswers(
      [1, 1, 2, 1, 1].map((days) => ({ days, done: true })),
      ASSUMED_ANSWERS,
    );
    expect(reminderDay(1000, 1060, quick)).to.be.below(reminderDay(1000, 1060, unknown)!);
  });

  it('passes on the day after its grace, and without any where it is about safety', () => {
    expect(passingDay(1000, false, { graceDays: 3 })).to.equal(1004);
    expect(passingDay(1000, true, { graceDays: 3 })).to.equal(1001);
  });

  it('waits for the first of the month only where the line still can', () => {
    const day = dayFromIso('2026-11-24');
    const first = dayFromIso('2026-12-01');
    expect(digestDay(day, first + 3)).to.equal(first);
    expect(digestDay(day, first - 1)).to.equal(day);
    expect(digestDay(day, null)).to.equal(day);
    expect(digestDay(first, first + 90)).to.equal(first);
    expect(digestDay(dayFromIso('2026-12-20'), day + 90)).to.equal(dayFromIso('2027-01-01'));
  });
});
