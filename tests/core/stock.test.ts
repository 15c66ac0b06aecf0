import { expect } from 'chai';
import fc from 'fast-check';
import { judgeStock } from '../../core/lab/stock.ts';
import {
  ASSUMED_LATENESS,
  countAt,
  countsWithin,
  learnLateness,
  meanCount,
  reorderPoint,
  servedWithin,
  type AtRisk,
  type Wanted,
} from '../../core/stock/forecast.ts';
import { afterRounds, lackOf } from '../../core/stock/rounds.ts';
import { seeded } from '../../core/statistics/random.ts';

const sum = (counts: Float64Array) => counts.reduce((total, chance) => total + chance, 0);
const part = (fromLine: number, intervalWeeks = 13): Wanted => ({ fromLine, intervalWeeks });
const parts = () =>
  fc.array(fc.record({ fromLine: fc.integer({ min: -60, max: 20 }), intervalWeeks: fc.integer({ min: 1, max: 60 }) }), {
    maxLength: 40,
  });

describe('A shelf', () => {
  it('has chances that sum to one and the mean of its parts, whatever they are', () => {
    fc.assert(
      fc.property(parts(), fc.integer({ min: 1, max: 8 }), (its, weeks) => {
        const counts = countsWithin({ ...ASSUMED_LATENESS, shock: 1e-4 }, its, weeks);
        expect(sum(counts)).to.be.closeTo(1, 1e-9);
        const mean = its.reduce((total, it) => total + servedWithin(ASSUMED_LATENESS, it, weeks), 0);
        expect(meanCount(counts)).to.be.closeTo(mean, 0.02 * (1 + mean));
      }),
      { numRuns: 60 },
    );
  });

  it('is the binomial where all parts are alike and weeks do not differ (its table: n = 10, p = 0.5)', () => {
    const half = { hazards: ASSUMED_LATENESS.hazards, shock: 1e-9 };
    const counts = countsWithin(
      half,
      Array.from({ length: 10 }, () => part(0)),
      1,
    );
    // Binomial table: P(0) = 0.00098, P(3) = 0.11719, P(5) = 0.24609, P(≤ 7) = 0.94531.
    expect(counts[0]).to.be.closeTo(0.00098, 1e-5);
    expect(counts[3]).to.be.closeTo(0.11719, 1e-5);
    expect(counts[5]).to.be.closeTo(0.24609, 1e-5);
    expect(sum(counts.slice(0, 8))).to.be.closeTo(0.94531, 1e-5);
    expect(countAt(counts, 0.945)).to.equal(7);
  });

  it('is wider where weeks differ together, by the variance that the mixture has: mean + factor × mean²', () => {
    const many = Array.from({ length: 60 }, () => part(0));
    const of = (shock: number) => countsWithin({ hazards: ASSUMED_LATENESS.hazards.map(() => 0.2), shock }, many, 1);
    const variance = (counts: Float64Array) => {
      const mean = meanCount(counts);
      return counts.reduce((total, chance, n) => total + chance * (n - mean) ** 2, 0);
    };
    const [quiet, shaken] = [variance(of(1e-9)), variance(of(0.04))];
    expect(quiet).to.be.closeTo(60 * 0.2 * 0.8, 0.01);
    // The common factor adds n²h² v, less what it takes from the chance within: nodes hold most of its variance.
    expect(shaken - quiet).to.be.within(0.85 * 144 * 0.04, 1.02 * 144 * 0.04);
  });

  it('asks for more where it is to be surer, or has longer to wait', () => {
    fc.assert(
      fc.property(parts(), (its) => {
        const at = (leadWeeks: number, service: number) => reorderPoint(ASSUMED_LATENESS, its, { leadWeeks, service });
        expect(at(2, 0.98)).to.be.at.least(at(2, 0.9));
        expect(at(6, 0.9)).to.be.at.least(at(2, 0.9) - 1);
        expect(at(2, 0.98)).to.be.at.most(its.length * 2);
      }),
      { numRuns: 40 },
    );
  });

  it('learns how late work is, and that weeks differ, and stays near what is assumed where little was seen', () => {
    const random = seeded(5);
    const seen = (weeks: number, shaken: boolean): AtRisk[] =>
      Array.from({ length: weeks }, (_, week) => {
        const swing = week % 2 === 0 ? 0.5 : 1.5;
        const factor = shaken ? swing : 1;
        return Array.from({ length: 60 }, () => ({ week, fromLine: 1, served: random() < 0.2 * factor }));
      }).flat();
    const [calm, shaken] = [learnLateness(seen(100, false)), learnLateness(seen(100, true))];
    expect(calm.hazards[5]).to.be.closeTo(0.2, 0.02);
    expect(calm.shock).to.be.below(0.02);
    expect(shaken.shock).to.be.closeTo(0.25, 0.06);
    expect(learnLateness([]).shock).to.be.closeTo(ASSUMED_LATENESS.shock, 1e-9);
    expect(learnLateness(seen(1, true)).shock).to.be.closeTo(ASSUMED_LATENESS.shock, 0.06);
  });

  it('holds its band and its word on a truth of another shape', () => {
    for (const shock of [0, 0.15]) {
      const all = [1, 2, 3].map((seed) => judgeStock({ rate: 6, shock, weeks: 200 }, seed));
      const of = (figure: 'within' | 'out' | 'stated') => all.reduce((total, it) => total + it[figure], 0) / all.length;
      expect(of('within')).to.be.within(0.72, 0.88);
      expect(Math.abs(of('out') - of('stated'))).to.be.below(0.05);
    }
  });
});

describe('A shelf and the rounds to come', () => {
  const needs = fc.array(
    fc.record({
      day: fc.integer({ min: 0, max: 9 }),
      who: fc.constantFrom('a', 'b'),
      count: fc.integer({ min: 1, max: 4 }),
    }),
    { maxLength: 20 },
  );
  it('are gone through day by day: what is left falls by what each takes, and what lacks is all that is beyond the shelf', () => {
    fc.assert(
      fc.property(needs, fc.integer({ min: 0, max: 30 }), (its, shelf) => {
        const rounds = afterRounds(shelf, its);
        const taken = its.reduce((total, { count }) => total + count, 0);
        expect(rounds.reduce((total, { count }) => total + count, 0)).to.equal(taken);
        expect(new Set(rounds.map(({ day, who }) => `${day} ${who}`)).size).to.equal(rounds.length);
        rounds.forEach(({ day, count, left }, i) => {
          expect(day).to.be.at.least(rounds[i - 1]?.day ?? 0);
          expect(left).to.equal((rounds[i - 1]?.left ?? shelf) - count);
        });
        const lack = lackOf(rounds);
        expect(lack?.count ?? 0).to.equal(Math.max(0, taken - shelf));
        if (lack) expect(rounds.filter(({ day }) => day < lack.day).every(({ left }) => left! >= 0)).to.equal(true);
      }),
    );
  });
  it('say nothing of what nobody has counted', () => {
    const rounds = afterRounds(null, [{ day: 3, who: 'a', count: 2 }]);
    expect(rounds).to.deep.equal([{ day: 3, who: 'a', count: 2, left: null }]);
    expect(lackOf(rounds)).to.equal(null);
  });
});
