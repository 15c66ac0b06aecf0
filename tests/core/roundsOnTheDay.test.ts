import { expect } from 'chai';
import fc from 'fast-check';
import { bestOrder, timesOf, type Leg, type RoundTerms } from '../../core/rounds/onTheDay.ts';

const TERMS: RoundTerms = { now: 600, at: 'ropewalk', door: 8, between: 15 };
const leg = (it: Partial<Leg> = {}): Leg => ({ property: 'ropewalk', minutes: 20, told: null, back: null, ...it });
const missed = (legs: readonly Leg[], order: readonly number[], terms = TERMS): number =>
  timesOf(legs, order, terms).filter((it) => it.missed).length;

/** Legs as a day has them: windows around the working hours, some gone back to. */
const legsOf = (min: number, max: number) =>
  fc
    .array(
      fc.record({
        property: fc.constantFrom('ropewalk', 'tarpit'),
        minutes: fc.integer({ min: 0, max: 90 }),
        told: fc.option(fc.integer({ min: 420, max: 900 }).map((from) => ({ from, until: from + 120 }))),
        gap: fc.option(fc.integer({ min: 5, max: 60 }), { freq: 3 }),
      }),
      { minLength: min, maxLength: max },
    )
    .map((rows) =>
      rows.map(({ gap, ...it }, i): Leg => ({ ...it, back: gap === null || i === 0 ? null : { leg: i - 1, gap } })),
    );

describe('A round on its day', () => {
  it('lays doors, ways, waits and told windows one after the other', () => {
    const legs = [
      leg({ told: { from: 660, until: 780 } }),
      leg({ property: 'tarpit', minutes: 30 }),
      leg({ back: { leg: 0, gap: 120 }, minutes: 5 }),
    ];
    // Door at 608, but announced from 660; the way and a door to the tarpit; the way back, but soaked only by 780.
    expect(timesOf(legs, [0, 1, 2], TERMS)).to.deep.equal([
      { leg: 0, from: 660, until: 680, missed: false },
      { leg: 1, from: 703, until: 733, missed: false },
      { leg: 2, from: 780, until: 785, missed: false },
    ]);
    expect(() => timesOf(legs, [2, 0, 1], TERMS)).to.throw(RangeError);
  });

  it('goes first where somebody waits and time runs out, and changes nothing where nothing is gained', () => {
    const waits = [leg({ minutes: 60 }), leg({ told: { from: 540, until: 640 } })];
    expect(missed(waits, [0, 1])).to.equal(1);
    expect(bestOrder(waits, TERMS)).to.deep.equal([1, 0]);
    expect(bestOrder([leg(), leg(), leg()], TERMS)).to.deep.equal([0, 1, 2]);
    expect(bestOrder([], TERMS)).to.deep.equal([]);
  });

  it('saves the way back and forth where nobody was told of an hour', () => {
    const [here, there] = [leg(), leg({ property: 'tarpit' })];
    expect(bestOrder([there, here, there], TERMS)).to.deep.equal([1, 0, 2]);
  });

  it('never misses more windows than the order that stands, keeps every leg once, and goes back only after', () => {
    fc.assert(
      fc.property(legsOf(1, 11), fc.integer({ min: 420, max: 1000 }), (legs, now) => {
        const terms = { ...TERMS, now };
        const order = bestOrder(legs, terms);
        expect([...order].sort((a, b) => a - b)).to.deep.equal([...legs.keys()]);
        const stands = [...legs.keys()];
        expect(missed(legs, order, terms)).to.be.at.most(missed(legs, stands, terms));
        const times = timesOf(legs, order, terms);
        for (const [i, { leg: at, from }] of times.entries()) {
          const { told, back } = legs[at]!;
          expect(from).to.be.at.least(Math.max(told?.from ?? 0, (times[i - 1]?.until ?? now) + terms.door));
          if (back) expect(from).to.be.at.least(times.find((it) => it.leg === back.leg)!.from + back.gap);
        }
      }),
      { seed: 10, numRuns: 150 },
    );
  });

  it('comes close to the best of all orders where there are too many to try each', () => {
    let [found, least] = [0, 0];
    fc.assert(
      fc.property(legsOf(8, 8), (legs) => {
        // The least of eight: each leg first, the best of the seven others after it.
        const all = legs
          .filter(({ back }) => back === null)
          .map((first) => {
            const at = legs.indexOf(first);
            const rest = legs.flatMap((_, i) => (i === at ? [] : [i]));
            const { from, until } = timesOf([first], [0], TERMS)[0]!;
            const others = rest.map((i): Leg => {
              const { back, told, ...it } = legs[i]!;
              if (back?.leg !== at) return { ...it, told, back: back && { ...back, leg: rest.indexOf(back.leg) } };
              // What is gone back to is ready at a fixed minute, as a window that begins then would be.
              const ready = from + back.gap;
              const end = told?.until ?? 5000;
              return { ...it, back: null, told: { from: Math.max(ready, told?.from ?? 0), until: end } };
            });
            const terms = { ...TERMS, now: until, at: first.property };
            const one = missed([first], [0]);
            return one + missed(others, bestOrder(others, terms), terms);
          });
        found += missed(legs, bestOrder(legs, TERMS));
        least += Math.min(...all);
        expect(missed(legs, bestOrder(legs, TERMS))).to.be.at.least(Math.min(...all));
      }),
      { seed: 7, numRuns: 25 },
    );
    expect(least).to.be.greaterThan(0);
    expect(found / least).to.be.at.most(1.1);
  });
});
