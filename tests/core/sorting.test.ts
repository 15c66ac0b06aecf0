import { expect } from 'chai';
import fc from 'fast-check';
import jstat from 'jstat';
import { judgeRemedy, soundAtMost, yearsToHold, type Before } from '../../core/faults/remedies.ts';
import { SORTS, sortOf, weigh, type PatternHistory, type Weighed } from '../../core/faults/sorting.ts';
import { stretchesOf } from '../../core/faults/stretches.ts';
import { drawHistory, SORT_TRUTH, type SortTruth } from '../../core/lab/sortTruth.ts';
import { gammaQuantile, poissonInterval } from '../../core/statistics/gamma.ts';
import { seeded } from '../../core/statistics/random.ts';

describe('Stretches', () => {
  it('are cut where upkeep and people change, from the first day to the last, without a gap', () => {
    const cycles = [
      { servedDay: 1000, lineDay: 1100 },
      { servedDay: 1130, lineDay: 1230 },
    ];
    const households = [
      { id: 'a', fromDay: 900, toDay: 1049 },
      { id: 'b', fromDay: 1060, toDay: null },
    ];
    expect(stretchesOf(1000, 1250, cycles, households)).to.deep.equal([
      { from: 0, to: 50, past: false, household: 'a' },
      { from: 50, to: 60, past: false, household: null },
      { from: 60, to: 101, past: false, household: 'b' },
      // Past from the day after the line day, until it is served.
      { from: 101, to: 130, past: true, household: 'b' },
      { from: 130, to: 231, past: false, household: 'b' },
      { from: 231, to: 250, past: true, household: 'b' },
    ]);
    expect(stretchesOf(1000, 1010, [], [])).to.deep.equal([{ from: 0, to: 10, past: false, household: null }]);
  });
});

describe('Sorting a pattern', () => {
  const causes = [
    { share: 0.4, nature: 'upkeep' as const },
    { share: 0.3, nature: 'installation' as const },
    { share: 0.2, nature: 'habit' as const },
    { share: 0.1, nature: 'age' as const },
  ];
  const stretch = (from: number, to: number, past: boolean, household: string) => ({ from, to, past, household });
  const history = (
    faults: PatternHistory['faults'],
    stretches = [stretch(0, 500, false, 'a'), stretch(500, 1000, false, 'b')],
  ): PatternHistory => ({ base: 0.3, perYear: 0.06, causes, stretches, faults });
  const at = (days: readonly number[], cause: number | null = null) => days.map((day) => ({ day, cause }));

  it('calls what comes only past the line upkeep, what comes with one household habit, what comes across all installation', () => {
    const late = [0, 1, 2, 3].flatMap((i) => [
      stretch(i * 250, i * 250 + 200, false, 'a'),
      stretch(i * 250 + 200, i * 250 + 250, true, 'a'),
    ]);
    expect(sortOf(weigh(history(at([210, 240, 460, 480, 720, 990], null), late)))).to.equal('upkeep');
    // In order each time, and still of upkeep's own causes: the line is too long.
    expect(sortOf(weigh(history(at([40, 190, 300, 480, 610, 770, 930], 0))))).to.equal('upkeep');
    expect(sortOf(weigh(history(at([520, 600, 660, 790, 880, 960], 2))))).to.equal('habit');
    expect(sortOf(weigh(history(at([40, 190, 300, 480, 610, 770, 930], 1))))).to.equal('installation');
    expect(sortOf(weigh(history(at([560, 640, 720, 800, 880, 960], 3))))).to.equal('age');
  });
  it('says nothing of one fault, nor of two, nor names a household for what began when it moved in and may be age', () => {
    expect(sortOf(weigh(history(at([300]))))).to.equal(null);
    expect(sortOf(weigh(history(at([300, 700]))))).to.equal(null);
    expect(sortOf(weigh(history(at([520, 600, 660, 790]))))).not.to.equal('habit');
  });
  it('gives probabilities for any history, and refuses a fault on a day that is in no stretch', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(999), fc.option(fc.nat(3))), { minLength: 1, maxLength: 12 }), (faults) => {
        const weights = weigh(history(faults.map(([day, cause]) => ({ day, cause })).sort((a, b) => a.day - b.day)));
        const all = Object.values(weights);
        expect(all.every((it) => it >= 0 && it <= 1)).to.equal(true);
        expect(all.reduce((sum, it) => sum + it, 0)).to.be.closeTo(1, 1e-9);
      }),
      { seed: 3, numRuns: 60 },
    );
    expect(() => weigh(history(at([1000])))).to.throw(RangeError);
  });
  it('is right where it commits, tells twins apart never, and blames hardly a household, on a small portfolio', () => {
    const judged = (truth: SortTruth, kinds: readonly (Weighed | null)[]) => {
      const random = seeded(11);
      const [said, right, habits] = [[] as string[], [] as boolean[], [] as boolean[]];
      for (const kind of kinds)
        for (let i = 0; i < 60; i += 1) {
          const it = drawHistory(random, truth, kind === 'chance' ? null : kind);
          if (it.faults.length < 3) continue;
          const sort = sortOf(weigh(it));
          if (kind !== 'habit') habits.push(sort === 'habit');
          if (!sort) continue;
          said.push(sort);
          right.push(sort === kind);
        }
      return { said, right: right.filter(Boolean).length / Math.max(1, right.length), habits };
    };
    const usual = judged(SORT_TRUTH, [...SORTS, 'chance']);
    expect(usual.said).to.have.length.above(60);
    expect(usual.right).to.be.at.least(0.92);
    expect(usual.habits.filter(Boolean).length).to.be.at.most(1);
    const twins = judged({ ...SORT_TRUTH, coded: 0, oneHousehold: true }, ['habit', 'installation']);
    expect(twins.said.length).to.be.at.most(0.2 * 120);
  });
});

describe('Whether a remedy held', () => {
  /** Something wrong for sure, at a ratio of the truth: 0.3 faults a year, five groups. */
  const wrong = (perYear: number): Before => ({ chance: 0, rates: [{ weight: 1, perYear }], peersAYear: 0.06 });

  it('waits as long as the rate asks: about 210 days for a hose, 304 at twelve times the base, 607 at six', () => {
    const days = (perYear: number) => yearsToHold(wrong(perYear))! * 365.25;
    expect(days(365.25 / 70)).to.be.closeTo(210, 2);
    expect(days(12 * 0.3)).to.be.closeTo(304, 2);
    expect(days(6 * 0.3)).to.be.closeTo(607, 3);
  });
  it('has never held where it may have been chance, has failed where faults go on, and is open before anything came', () => {
    const maybe: Before = { ...wrong(4), chance: 0.4 };
    expect(judgeRemedy(maybe, { faults: 0, years: 15 })).to.equal('open');
    expect(yearsToHold(maybe)).to.equal(null);
    expect(judgeRemedy(wrong(4), { faults: 3, years: 1 })).to.equal('failed');
    expect(judgeRemedy(wrong(4), { faults: 0, years: 0 })).to.equal('open');
    expect(judgeRemedy(wrong(4), { faults: 0, years: 0.3 })).to.equal('open');
    expect(judgeRemedy(wrong(4), { faults: 0, years: 1 })).to.equal('held');
  });
  it('counts sound machines by the negative binomial that a gamma–Poisson mixture is, as quadrature has it', () => {
    const shape = 1 / (1.25 * 1.25 - 1);
    const [peers, years, faults] = [0.2, 3, 2];
    let sum = 0;
    const steps = 4000;
    for (let i = 0; i < steps; i += 1) {
      const frailty = gammaQuantile((i + 0.5) / steps, shape, 1 / shape);
      for (let n = 0; n <= faults; n += 1) sum += jstat.poisson.pdf(n, frailty * peers * years) / steps;
    }
    expect(soundAtMost({ faults, years }, peers)).to.be.closeTo(sum, 2e-4);
  });
});

describe('Exact intervals', () => {
  it('are Garwood’s for a Poisson mean, as printed tables have them (Garwood 1936; from memory)', () => {
    const rounded = (count: number) => {
      const { low, high } = poissonInterval(count);
      return [low.toFixed(3), high.toFixed(3)];
    };
    expect(rounded(0)).to.deep.equal(['0.000', '3.689']);
    expect(rounded(1)).to.deep.equal(['0.025', '5.572']);
    expect(rounded(5)).to.deep.equal(['1.623', '11.668']);
    expect(rounded(10)).to.deep.equal(['4.795', '18.390']);
  });
  it('come from gamma quantiles as `jstat` has them', () => {
    for (const shape of [0.5, 1, 4, 30])
      for (const share of [0.01, 0.3, 0.5, 0.975])
        expect(gammaQuantile(share, shape, 2)).to.be.closeTo(jstat.gamma.inv(share, shape, 2), 1e-5);
  });
});
