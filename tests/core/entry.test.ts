import { expect } from 'chai';
import fc from 'fast-check';
import { dayFromIso, instantOfDay } from '../../core/calendar/day.ts';
import { earliestEntry, isLawful, isNow, visitNow, type Announced } from '../../core/notices/entry.ts';

const ZONE = 'Europe/Dublin';
const DAY = dayFromIso('2026-12-02');
const at = (minute: number, day = DAY) => instantOfDay(day, minute, ZONE);
const visit = (it: Partial<Announced> = {}): Announced => ({
  day: DAY,
  from: 600,
  until: 720,
  deliveredAt: at(600, DAY - 1),
  answer: 'none',
  ...it,
});

/** When a lived-in home may be entered: notice of so many hours, the manager's own rule (common practice). */
describe('Entering a home', () => {
  it('takes notice that was in their hands for all its hours, to the minute', () => {
    expect(isLawful(visit(), 24, ZONE)).to.equal(true);
    expect(isLawful(visit({ deliveredAt: at(601, DAY - 1) }), 24, ZONE)).to.equal(false);
    expect(isLawful(visit(), 48, ZONE)).to.equal(false);
    expect(isLawful(visit({ deliveredAt: null }), 0, ZONE)).to.equal(false);
    // Clocks went back on 25 October 2026: a day's notice over that night is 25 hours by the clock.
    const over = { day: dayFromIso('2026-10-25'), from: 600 };
    const dayBefore = instantOfDay(over.day - 1, 600, ZONE);
    expect(instantOfDay(over.day, 600, ZONE) - dayBefore).to.equal(25 * 3_600_000);
    expect(isLawful(visit({ ...over, deliveredAt: dayBefore + 3_600_000 }), 24, ZONE)).to.equal(true);
  });

  it('takes a yes at once, and no visit of which another time is asked', () => {
    expect(isLawful(visit({ deliveredAt: null, answer: 'agreed' }), 336, ZONE)).to.equal(true);
    expect(isLawful(visit({ answer: 'another' }), 24, ZONE)).to.equal(false);
    expect(isLawful(visit({ answer: 'kept' }), 24, ZONE)).to.equal(true);
  });

  it('is only in the time that was announced', () => {
    expect([599, 600, 720, 721].map((minute) => isNow(visit(), at(minute), ZONE))).to.deep.equal([
      false,
      true,
      true,
      false,
    ]);
    expect(isNow(visit(), at(660, DAY + 1), ZONE)).to.equal(false);
  });

  it('is never found lawful without a yes and with less notice than its hours', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 336 }),
        fc.integer({ min: 0, max: 20_160 }),
        fc.constantFrom('none', 'another', 'kept', 'agreed' as const),
        fc.integer({ min: 600, max: 720 }),
        (hours, minutesBefore, answer, minute) => {
          const deliveredAt = at(600) - minutesBefore * 60_000;
          const found = visitNow([visit({ deliveredAt, answer })], { hours, now: at(minute), zone: ZONE });
          const whole = earliestEntry(deliveredAt, hours) <= at(600);
          expect(found !== undefined).to.equal(answer === 'agreed' || (answer !== 'another' && whole));
        },
      ),
    );
  });
});
