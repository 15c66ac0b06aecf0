/** Caps, floors and edges of a line, each with what it means: a test here fails if one moves by a day. */
import { expect } from 'chai';
import { assumptionsWith, isSound, LONGEST_INTERVAL } from '../../core/due/assumptions.ts';
import { bandOf, capOf, computeLine, floorDays } from '../../core/due/compute.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import { leastLoad } from '../../core/catalogue/grades.ts';
import { DAY, plain } from './plainLine.ts';

const line = (change: Partial<LineInputs>) => computeLine({ ...plain, ...change }, DAY);
const termsOf = (change: Partial<LineInputs>) => line(change).terms.map(({ term }) => term);
const onDay = (days: number, mode: 'sets' | 'limits' = 'sets') =>
  ({ kind: 'firstWarm', mode, days: [DAY, DAY + days] }) as const;

describe('The limits of a line (our assumptions)', () => {
  it('are the longest stated interval and half as much again, and that interval alone where safety hangs on it', () => {
    const cap = (change: Partial<LineInputs>) => capOf({ ...plain, ...change }, assumptionsWith());
    expect(cap({})).to.deep.equal({ reason: 'own', days: 135 });
    expect(cap({ critical: true })).to.deep.equal({ reason: 'own', days: 90 });
    expect(cap({ caps: [{ reason: 'local', days: 134 }] })).to.deep.equal({ reason: 'local', days: 134 });
    expect(cap({ caps: [{ reason: 'local', days: 135 }] })).to.deep.equal({ reason: 'own', days: 135 });
  });
  it('are the maker’s own where the manual is the practice, longer or shorter', () => {
    const maker = { reason: 'maker', days: 200 } as const;
    const cap = (change: Partial<LineInputs>) => capOf({ ...plain, ...change }, assumptionsWith());
    expect(cap({ practice: 'maker', caps: [maker] }).days).to.equal(200);
    expect(cap({ caps: [maker] })).to.deep.equal({ reason: 'own', days: 135 });
    expect(cap({ practice: 'maker' })).to.deep.equal({ reason: 'own', days: 135 });
  });
  it('are at the least a third of the watchful interval, and a day', () => {
    expect(floorDays(plain.days, assumptionsWith())).to.equal(10);
    expect(floorDays({ watchful: 1, steady: 1, light: 1 }, assumptionsWith())).to.equal(1);
  });
  it('hold an anchor too, and say so', () => {
    const far = line({ anchor: onDay(300) });
    expect(far.days).to.equal(135);
    expect(far.terms.slice(-2)).to.deep.equal([
      { term: 'anchor', kind: 'firstWarm', mode: 'sets', day: DAY + 300, days: 135 },
      { term: 'cap', reason: 'own', days: 135 },
    ]);
    expect(termsOf({ anchor: onDay(135) }).at(-1)).to.equal('anchor');
    expect(line({ anchor: onDay(135) }).days).to.equal(135);
  });
  it('let an anchor that only limits come earlier, and never later or as late', () => {
    expect(line({ anchor: onDay(59, 'limits') }).days).to.equal(59);
    expect(termsOf({ anchor: onDay(60, 'limits') })).to.not.include('anchor');
    expect(line({ anchor: onDay(61, 'limits') }).days).to.equal(60);
  });
  it('hold what was learned above the floor and under the cap, in whole days', () => {
    const found = (grade: 'clean' | 'blocked', times: number) =>
      line({
        conditions: Array.from({ length: times }, (_, i) => ({
          day: DAY - (times - 1 - i) * 60,
          kind: 'service' as const,
          grade,
          confirmed: true,
        })),
      });
    expect(found('clean', 9).intervalDays).to.equal(135);
    expect(found('clean', 9).terms.at(-1)).to.deep.equal({ term: 'cap', reason: 'own', days: 135 });
    expect(found('blocked', 9).intervalDays).to.be.at.least(10);
    expect(Number.isInteger(found('blocked', 2).intervalDays)).to.equal(true);
  });
});

describe('What moves a line to a day', () => {
  it('is a signal from the day after the service on, at the earliest on the next day', () => {
    expect(line({ signalDay: DAY - 1 }).days).to.equal(60);
    expect(line({ signalDay: DAY }).days).to.equal(1);
    expect(line({ signalDay: DAY + 1 }).days).to.equal(1);
    expect(line({ signalDay: DAY + 2 }).days).to.equal(2);
    expect(termsOf({ signalDay: DAY + 60 })).to.not.include('signal');
    expect(line({ signalDay: DAY + 59 }).fixed).to.equal(true);
  });
  it('is a look that finds what the practice does not accept, and the first such look', () => {
    const looks = (...found: readonly (readonly [number, 'clean' | 'light' | 'due' | 'heavy'])[]) =>
      line({
        conditions: [
          ...plain.conditions,
          ...found.map(([after, grade]) => ({ day: DAY + after, kind: 'look' as const, grade, confirmed: true })),
        ],
      });
    const seen = (it: ReturnType<typeof line>) => it.terms.find(({ term }) => term === 'seen');
    expect(seen(looks([20, 'due']))).to.equal(undefined);
    expect(looks([20, 'heavy']).days).to.equal(20);
    expect(looks([10, 'clean'], [20, 'heavy'], [30, 'heavy']).days).to.equal(20);
    expect(looks([0, 'heavy']).days).to.equal(1);
    expect(seen(looks([20, 'heavy']))).to.deep.include({ day: DAY + 20, grade: 'heavy', days: 20 });
  });
  it('is no calendar far past what was learned without saying so: a quarter past is not far, a day more is', () => {
    const taught = {
      conditions: [
        { day: DAY - 60, kind: 'service', grade: null, confirmed: true },
        { day: DAY, kind: 'service', grade: 'due', confirmed: true },
      ],
    } as const;
    const { intervalDays } = line(taught);
    const past = Math.floor(intervalDays * 1.25);
    expect(line({ ...taught, anchor: onDay(past) }).beyondLearned).to.equal(null);
    expect(line({ ...taught, anchor: onDay(past + 1) }).beyondLearned).to.equal(intervalDays);
    expect(line({ anchor: onDay(past + 1) }).beyondLearned, 'nothing was learned').to.equal(null);
    expect(line({ ...taught, anchor: onDay(intervalDays - 1, 'limits') }).beyondLearned).to.equal(null);
  });
});

describe('The band of a date', () => {
  it('moves with the date, and holds the date', () => {
    const band = { early: 50, late: 80 };
    expect(bandOf({ band, days: 60, intervalDays: 60 })).to.deep.equal({ early: 50, late: 80 });
    expect(bandOf({ band, days: 65, intervalDays: 60 })).to.deep.equal({ early: 55, late: 85 });
    expect(bandOf({ band, days: 2, intervalDays: 60 })).to.deep.equal({ early: 1, late: 22 });
    expect(bandOf({ band: { early: 61, late: 62 }, days: 60, intervalDays: 60 })).to.deep.equal({
      early: 60,
      late: 62,
    });
    expect(bandOf({ band: { early: 40, late: 50 }, days: 60, intervalDays: 60 })).to.deep.equal({
      early: 40,
      late: 60,
    });
  });
});

describe('A change of an assumption', () => {
  it('is sound from its least to its most, the ends taken in', () => {
    for (const [name, low, high] of [
      ['capShare', 1, 3],
      ['snapLater', 0, 0.1],
      ['people.four', 1, 3],
    ] as const) {
      expect([isSound(name, low), isSound(name, high)], name).to.deep.equal([true, true]);
      expect([isSound(name, low - 0.001), isSound(name, high + 0.001)], name).to.deep.equal([false, false]);
    }
    expect(isSound('nothing', 1)).to.equal(false);
  });
  it('of an interval is whole days from one to ten years', () => {
    const sound = (days: number) => isSound('days/dishwasher.filter/steady', days);
    expect([0, 1, 1.5, LONGEST_INTERVAL, LONGEST_INTERVAL + 1].map(sound)).to.deep.equal([
      false,
      true,
      false,
      true,
      false,
    ]);
    expect(LONGEST_INTERVAL).to.equal(3650);
  });
});

describe('The bounds of a grade (reference pictures; our assumption)', () => {
  it('are the least load that it stands for', () => {
    expect((['clean', 'light', 'due', 'heavy', 'blocked'] as const).map(leastLoad)).to.deep.equal([
      0, 0.25, 0.7, 1.3, 2.2,
    ]);
  });
});
