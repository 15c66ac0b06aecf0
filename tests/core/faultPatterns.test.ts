import { expect } from 'chai';
import fc from 'fast-check';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { groupsOf, levelOf, patternsOf, THRESHOLDS } from '../../core/faults/patterns.ts';
import { SUSPICION, suspicions, type SeenFault } from '../../core/faults/suspicion.ts';
import { CAUSE_SHARES, drawMachine, GROUP_SHARES, ORDINARY } from '../../core/lab/faultTruth.ts';
import { falseAlarms, foundBy, goodLooks, thresholdFor } from '../../core/lab/faultPatterns.ts';
import { SYMPTOMS } from '../../core/faults/symptoms.ts';
import { seeded } from '../../core/statistics/random.ts';

const GROUPS = GROUP_SHARES.map((share) => ({ perYear: 0.3 * share, causes: [...CAUSE_SHARES] }));
const at = (days: readonly number[], cause: number | null = null, group = 0): SeenFault[] =>
  days.map((day) => ({ day, group, cause }));
const last = (faults: readonly SeenFault[], groups = GROUPS) => suspicions(groups, faults).at(-1)!;

describe('Suspicion that something comes back', () => {
  /**
   * Against numeric quadrature over the day of the onset, written independently of the filter: one group without
   * frailty, one ratio, one cause. Faults come at rate r before the onset and R after it; the onset at hazard h.
   */
  it('is what integrating over every day of an onset gives', () => {
    const model = { ...SUSPICION, machineSpread: 0.001, groupSpread: 0.001, ratios: [8] };
    const [r, h] = [0.3 / 365, SUSPICION.onsetsAYear / 365];
    const R = r + 7 * r;
    const likelihood = (onset: number, days: readonly number[], now: number) => {
      const before = days.filter((day) => day < onset).length;
      const quiet = Math.exp(-r * Math.min(onset, now) - R * Math.max(0, now - onset));
      return r ** before * R ** (days.length - before) * quiet;
    };
    for (const days of [[400], [300, 340], [100, 500, 540, 600], [30, 60, 90, 500]]) {
      const now = days.at(-1)!;
      let past = 0;
      for (let t = 0.005; t < now; t += 0.01) past += 0.01 * h * Math.exp(-h * t) * likelihood(t, days, now);
      const none = Math.exp(-h * now) * likelihood(Infinity, days, now);
      const found = suspicions([{ perYear: 0.3, causes: [1] }], at(days), model).at(-1)!;
      expect(found.probability, days.join()).to.be.closeTo(past / (past + none), 2e-3);
    }
  });
  it('grows as faults crowd, and more where one cause is coded each time', () => {
    const crowded = last(at([400, 460, 520])).probability;
    expect(crowded).to.be.greaterThan(last(at([100, 460, 820])).probability);
    expect(last(at([400, 460, 520], 3)).probability).to.be.greaterThan(crowded);
    expect(last(at([400, 460, 520], 3)).cause).to.equal(3);
    expect(last(at([400, 460, 520])).cause, 'no closing was coded').to.equal(null);
  });
  it('is less on a machine that is frail all over', () => {
    const elsewhere = [50, 90, 200, 250, 300, 350].map((day, i) => ({ day, group: 1 + (i % 4), cause: null }));
    const frail = [...elsewhere, ...at([400, 460, 520])];
    expect(last(frail).probability).to.be.lessThan(last(at([400, 460, 520])).probability);
  });
  it('does not dilute what began late: years without a fault before it do not clear it', () => {
    expect(last(at([1400, 1460, 1520])).probability).to.be.greaterThan(0.9 * last(at([400, 460, 520])).probability);
  });
  it('is a probability after any history, whatever its order of groups and codes', () => {
    const fault = fc.record({
      day: fc.double({ min: 0, max: 4000, noNaN: true }),
      group: fc.nat(4),
      cause: fc.option(fc.nat(3)),
    });
    fc.assert(
      fc.property(fc.array(fault, { maxLength: 60 }), (faults) => {
        const sorted = faults.toSorted((a, b) => a.day - b.day);
        for (const { probability } of suspicions(GROUPS, sorted)) expect(probability).to.be.within(0, 1);
      }),
      { numRuns: 100 },
    );
  });
  it('refuses what cannot be: rates of nothing, days that go back, groups and causes that are not there', () => {
    expect(() => suspicions([{ perYear: 0, causes: [1] }], at([1]))).to.throw(RangeError, 'rate');
    expect(() => suspicions(GROUPS, at([5, 4]))).to.throw(RangeError, 'back');
    expect(() => suspicions(GROUPS, at([5], null, 9))).to.throw(RangeError, 'group');
    expect(() => suspicions(GROUPS, at([5], 9))).to.throw(RangeError, 'cause');
    expect(suspicions(GROUPS, [])).to.deep.equal([]);
  });
});

describe('The truth of faults', () => {
  it('has the base rate, whatever the frailty, and plants what it says', () => {
    const random = seeded(3);
    const good = Array.from({ length: 4000 }, () => drawMachine(random, ORDINARY, null));
    const perYear = good.reduce((sum, { faults }) => sum + faults.length, 0) / (4000 * ORDINARY.years);
    expect(perYear).to.be.closeTo(0.3, 0.02);
    const hose = Array.from({ length: 400 }, () => drawMachine(random, ORDINARY, 'hose'));
    const planted = hose.reduce((sum, { faults }) => sum + faults.filter((it) => it.planted).length, 0);
    // From a day in year one, on average two and a half years at one every 70 days.
    expect(planted / 400).to.be.closeTo((2.5 * 365) / 70, 1);
  });
  it('lets good machines alone as often as the thresholds promise, and finds bad ones, on a small portfolio', () => {
    const good = goodLooks(ORDINARY, 3000, 19);
    const alarms = falseAlarms(good, ({ probability }) => levelOf(probability, ORDINARY.base, true) !== null);
    // 9,000 machine-years at 5 in 1,000 are 45 alarms, give or take 13.
    expect(alarms).to.be.within(2, 7);
    expect(thresholdFor(good, 5)).to.be.within(0.3, 0.6);
    const some = { machines: 200, seed: 8 };
    expect(foundBy(ORDINARY, 'R12', 4, 'watch', some)).to.be.at.least(0.9);
    expect(foundBy(ORDINARY, 'hose', 4, 'stated', some)).to.be.at.least(0.8);
    expect(foundBy(ORDINARY, 'R3', 3, 'stated', some)).to.be.lessThan(foundBy(ORDINARY, 'R3', 3, 'watch', some));
  });
});

describe('Patterns of a portfolio', () => {
  const machine = (
    id: string,
    days: readonly number[],
    symptom = 'dryer.damp',
    type = 'dryer',
    cause: string | null = null,
  ) => ({
    id,
    type,
    sinceDay: 10_000,
    untilDay: 11_000,
    faults: days.map((day) => ({ id: `${id} ${day}`, symptom, day: 10_000 + day, cause })),
  });
  const sound = Array.from({ length: 30 }, (_, i) => machine(`sound ${i}`, i % 4 === 0 ? [300] : []));
  const hose = machine('hose', [560, 640, 700, 770, 850, 910, 980]);

  it('state the dryer whose hose gives way again and again, with what its peers have', () => {
    const [found, ...others] = patternsOf([...sound, hose], 11_000);
    expect(found).to.include({ machineId: 'hose', group: 'dryer.damp', level: 'stated', firstDay: 10_560 });
    expect(found!.faultIds).to.have.length(7);
    expect(found!.expected).to.be.within(0.05, 1);
    expect(others).to.deep.equal([]);
  });
  it('count symptoms that say the same in other words as one, and each type apart', () => {
    const mixed = { ...hose, faults: hose.faults.map((it, i) => (i % 2 ? { ...it, symptom: 'dryer.stillSlow' } : it)) };
    expect(patternsOf([...sound, mixed], 11_000)[0]!.faultIds).to.have.length(7);
    expect(groupsOf('dryer')).to.include('dryer.damp').and.not.include('dryer.stillSlow');
    for (const { key } of SYMPTOMS)
      expect(
        SYMPTOMS.map((it) => it.key),
        key,
      ).to.include(groupOfSymptom(key));
  });
  it('hold closings of one cause against it, and say which; scattered ones for chance', () => {
    const days = [600, 780, 960];
    const of = (causes: readonly string[]) => {
      const faults = machine('it', days).faults.map((it, i) => ({ ...it, cause: causes[i % causes.length]! }));
      return patternsOf([...sound, { ...machine('it', []), faults }], 11_000)[0];
    };
    const one = of(['dryer.heater'])!;
    expect(one.cause).to.deep.equal({ key: 'dryer.heater', count: 3 });
    const scattered = of(['dryer.heater', 'dryer.screen', 'dryer.flap']);
    expect(scattered?.probability ?? 0).to.be.lessThan(one.probability);
    // A cause that another symptom of the machine has is still somebody's closing, and no error.
    expect(of(['dryer.bearing'])?.cause?.key).to.equal('dryer.bearing');
  });
  it('leave the suspected out of what the others are held against', () => {
    const rateBeside = (bad: readonly (typeof hose)[]) =>
      patternsOf([...sound, ...bad, hose], 11_000).find(({ machineId }) => machineId === 'hose')!.peersAYear;
    expect(rateBeside([machine('second', [560, 640, 700, 770, 850])])).to.be.at.most(rateBeside([]) * 1.01);
  });
  it('let go a year after the last fault, and know nothing on day one', () => {
    expect(patternsOf([hose], 10_980 + 364)).to.have.length(1);
    expect(patternsOf([hose], 10_980 + 365)).to.deep.equal([]);
    expect(patternsOf([], 11_000)).to.deep.equal([]);
    expect(patternsOf([{ ...machine('new', [0]), untilDay: 10_000 }], 10_000)).to.deep.equal([]);
  });
  it('leave out alarms, symptoms of another type, and days on which the machine was not there', () => {
    expect(patternsOf([machine('a', [560, 640, 700, 770], 'alarm.burning')], 11_000)).to.deep.equal([]);
    expect(patternsOf([machine('b', [560, 640, 700, 770], 'washer.smell')], 11_000)).to.deep.equal([]);
    expect(patternsOf([machine('c', [-400, -300, -200, -100, 1200])], 11_000)).to.deep.equal([]);
    expect(patternsOf([machine('d', [1, 2, 3], 'x', 'no such type')], 11_000)).to.deep.equal([]);
  });
  it('ask for more where faults are commoner: thresholds rise with the base rate, and are kept outside it', () => {
    for (const coded of [true, false]) {
      const between = [0.05, 0.1, 0.17, 0.3, 0.42, 0.6, 2].map((base) =>
        [0, 0.25, 0.5, 0.75, 0.9, 1].findIndex((p) => levelOf(p, base, coded) === 'stated'),
      );
      expect(between).to.deep.equal(between.toSorted((a, b) => a - b));
      const [lowest] = THRESHOLDS[coded ? 'coded' : 'uncoded'];
      expect(levelOf(lowest!.watch, 0.01, coded)).to.equal('watch');
      expect(levelOf(lowest!.watch - 0.001, 0.01, coded)).to.equal(null);
      expect(levelOf(lowest!.stated, 0.01, coded)).to.equal('stated');
    }
  });
});
