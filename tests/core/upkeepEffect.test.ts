import { expect } from 'chai';
import fc from 'fast-check';
import { beganPast, upkeepEffect, type MachineExposure } from '../../core/faults/upkeepEffect.ts';
import { judgeEffect, liveMachine, type UpkeepTruth } from '../../core/lab/upkeepFaults.ts';
import { seeded } from '../../core/statistics/random.ts';

const machine = (inOrder: [number, number], past: [number, number], lateness = 0): MachineExposure => ({
  inOrder: { years: inOrder[0], faults: inOrder[1] },
  past: { years: past[0], faults: past[1] },
  lateness,
});
const TRUTH: UpkeepTruth = { interval: 180, ratio: 2, correlation: 0.5, base: 0.3, machines: 1000, years: 2 };

describe('The effect of being past the line on faults', () => {
  it('is the rate ratio of the textbooks where every machine is alike and has one fault at most', () => {
    // Breast cancer after repeated fluoroscopy: 41 in 28,010 woman-years against 15 in 19,017; ratio 1.86, 95 %
    // interval 1.03 to 3.35 (K. J. Rothman, Epidemiology: An Introduction; from memory).
    const many = (count: number, faults: number, of: (fault: number) => MachineExposure) =>
      Array.from({ length: count }, (_, i) => of(i < faults ? 1 : 0));
    const found = upkeepEffect([
      ...many(2000, 41, (fault) => machine([0, 0], [28.01 / 2, fault])),
      ...many(2000, 15, (fault) => machine([19.017 / 2, fault], [0, 0])),
    ])!;
    expect(found.ratio).to.be.closeTo(1.86, 0.01);
    expect(found.low).to.be.closeTo(1.03, 0.02);
    expect(found.high).to.be.closeTo(3.35, 0.05);
  });

  it('is the top of the likelihood that numeric integration over the frailty gives', () => {
    const random = seeded(11);
    const machines = Array.from({ length: 100 }, () => liveMachine(random, { ...TRUTH, base: 0.8 })).map((it) => ({
      ...it,
      lateness: 0,
    }));
    const found = upkeepEffect(machines)!;
    /** The same posterior by quadrature: a gamma frailty of shape k, mean 1, over a fine grid of its values. */
    const logLikelihood = (rate: number, ratio: number, shape: number) => {
      const step = 0.02;
      let sum = 0;
      for (const { inOrder, past } of machines) {
        let [integral, mass] = [0, 0];
        for (let z = step / 2; z < 9; z += step) {
          const density = z ** (shape - 1) * Math.exp(-shape * z);
          const m = rate * z;
          mass += density;
          integral +=
            density *
            (m * inOrder.years) ** inOrder.faults *
            Math.exp(-m * inOrder.years) *
            (m * ratio * past.years) ** past.faults *
            Math.exp(-m * ratio * past.years);
        }
        sum += Math.log(integral / mass);
      }
      return sum - Math.log(shape / 4) ** 2 / 2;
    };
    // The ratio that is found is at the top of the profile: moving it either way only loses.
    const best = (ratio: number) => {
      let top = -Infinity;
      for (let rate = found.perYear * 0.9; rate < found.perYear * 1.1; rate += found.perYear * 0.02)
        for (const shape of [1.5, 2, 2.6, 3.3, 4, 5, 6.5, 9]) top = Math.max(top, logLikelihood(rate, ratio, shape));
      return top;
    };
    const here = best(found.ratio);
    expect(here).to.be.at.least(best(found.ratio * 1.12));
    expect(here).to.be.at.least(best(found.ratio / 1.12));
  }).timeout(60_000);

  it('refuses a state that was read on the day of the fault or after it', () => {
    expect(() => beganPast({ onsetDay: 100, asOfDay: 100, past: true })).to.throw(RangeError);
    expect(() => beganPast({ onsetDay: 100, asOfDay: 103, past: true })).to.throw(RangeError);
    expect(beganPast({ onsetDay: 100, asOfDay: 99, past: true })).to.equal(true);
  });

  it('says nothing of too little', () => {
    expect(upkeepEffect([])).to.equal(null);
    expect(upkeepEffect([machine([40, 6], [10, 1])])).to.equal(null);
    expect(upkeepEffect([machine([40, 30], [10, 0])]), 'a side without a fault has no rate to compare').to.equal(null);
    expect(upkeepEffect([machine([40, 20], [0.4, 3])]), 'hardly any time past the line').to.equal(null);
  });

  it('has an interval around its ratio for whatever it is given, however uneven', () => {
    const side = fc.tuple(fc.double({ min: 0.1, max: 5, noNaN: true }), fc.integer({ min: 0, max: 3 }));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(side, side, fc.double({ min: -1, max: 3, noNaN: true })), { minLength: 5, maxLength: 60 }),
        (rows) => {
          const found = upkeepEffect(rows.map(([inOrder, past, lateness]) => machine(inOrder, past, lateness)));
          if (!found) return;
          expect(found.low).to.be.lessThan(found.ratio);
          expect(found.high).to.be.greaterThan(found.ratio);
          expect(found.high).to.be.lessThan(Infinity);
        },
      ),
    );
  });

  it('covers the truth and claims nothing where nothing is, on some portfolios (all of them: bench)', () => {
    const found = judgeEffect(TRUTH, 30, 5);
    expect(found.covers).to.be.at.least(0.83);
    expect(Math.abs(found.bias)).to.be.at.most(0.08);
    expect(judgeEffect({ ...TRUTH, ratio: 1 }, 30, 6).claims).to.be.at.most(0.2);
  });

  it('is needed: the plain ratio of rates takes late households for their machines’ frailty', () => {
    const plain = (machines: readonly MachineExposure[]) => {
      const sum = (of: 'inOrder' | 'past', what: 'years' | 'faults') =>
        machines.reduce((total, it) => total + it[of][what], 0);
      const ratio = sum('past', 'faults') / sum('past', 'years') / (sum('inOrder', 'faults') / sum('inOrder', 'years'));
      const half = 1.96 * Math.sqrt(1 / sum('past', 'faults') + 1 / sum('inOrder', 'faults'));
      return { ratio, low: ratio * Math.exp(-half), high: ratio * Math.exp(half) };
    };
    const truth = { ...TRUTH, ratio: 1 };
    expect(judgeEffect(truth, 30, 7, plain).bias).to.be.greaterThan(0.1 + judgeEffect(truth, 30, 7).bias);
  });
});
