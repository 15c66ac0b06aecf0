import { expect } from 'chai';
import fc from 'fast-check';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { combinedFactor, COOKING, driverEffects, type Household } from '../../core/due/drivers.ts';
import { daysToReach, exposureBetween, type Stretch } from '../../core/due/exposure.ts';
import { GRADES, gradeOfLoad, type Grade } from '../../core/due/grades.ts';
import { capDays, floorDays, intervalOf, type IntervalInput, type TaughtGrade } from '../../core/due/interval.ts';
import { believeSpeed, likelihood, speedQuantile, SPEEDS } from '../../core/due/learning.ts';
import { lineWithSignal, POINT_STATES, shareUsed, stateOf, windowOf } from '../../core/due/line.ts';
import { PRACTICES } from '../../core/due/practice.ts';
import { drawGrade, drawLoad } from '../../core/lab/truth.ts';
import { seeded } from '../../core/statistics/random.ts';

const procedureKeys = fc.constantFrom(...procedures.keys());
const grades = fc.constantFrom(...GRADES);

function inputOf(key: string, household: Household = {}, taught: readonly TaughtGrade[] = [], more: Partial<IntervalInput> = {}): IntervalInput {
  const procedure = procedureOf(key);
  const effects = driverEffects(procedure.drivers, { household });
  return { procedure, practice: 'steady', servedDay: 1000, stretches: [{ fromDay: 0, factor: combinedFactor(effects) }], effects, grades: taught, ...more };
}
const taught = (grade: Grade, exposure = 1, confirmed = true): TaughtGrade => ({ day: 900, grade, exposure, confirmed });

describe('An interval without findings', () => {
  it('is the practice’s own in a neutral home, for every point and practice (common practice)', () => {
    for (const [key, { days }] of procedures) {
      for (const practice of PRACTICES) expect(intervalOf(inputOf(key, {}, [], { practice })).days, `${key} ${practice}`).to.equal(days[practice]);
    }
  });
  it('follows people by our assumed factors: 60 days become 46 for four, 75 for one', () => {
    const days = (people: number) => intervalOf(inputOf('dishwasher.filter', { people })).days;
    expect([1, 2, 3, 4, 5].map(days)).to.deep.equal([75, 60, 60, 46, 38]);
  });
  it('follows shedding pets by ×1.3 and ×1.6: 90 days become 69 and 56', () => {
    const days = (pets: number) => intervalOf(inputOf('airHandler.returnFilter', { pets })).days;
    expect([0, 1, 2].map(days)).to.deep.equal([90, 69, 56]);
  });
  it('counts loads a week where known, people where not', () => {
    const factor = (household: Household) => combinedFactor(driverEffects(['laundry'], { household }));
    expect(factor({ people: 5 })).to.equal(1.6);
    expect(factor({ people: 5, loadsAWeek: 3 })).to.equal(1);
  });
  it('takes hardness by class, cooking and cool washes by our assumed factors', () => {
    const one = (driver: 'hardness' | 'cooking' | 'coolWashes' | 'smoking', household: Household, hardnessMgL?: number) => combinedFactor(driverEffects([driver], { household, hardnessMgL }));
    expect([30, 100, 150, 300].map((mgL) => one('hardness', {}, mgL))).to.deep.equal([0.8, 1, 1.3, 1.7]);
    expect(COOKING.map((cooking) => one('cooking', { cooking }))).to.deep.equal([0.7, 1, 3]);
    expect(one('coolWashes', { coolWashes: true })).to.equal(1.4);
    expect(one('smoking', { smoking: true })).to.equal(1.3);
  });
  it('holds the product of the drivers within 0.4 and 3, and says so', () => {
    const many: Household = { people: 6, pets: 3, coolWashes: true };
    const interval = intervalOf(inputOf('washer.doorBoot', many));
    expect(combinedFactor(driverEffects(['laundry', 'pets', 'coolWashes'], { household: many }))).to.equal(3);
    expect(interval.terms.map(({ term }) => term)).to.include('held');
  });
});

describe('Every interval', () => {
  const household = fc.record({
    people: fc.integer({ min: 1, max: 12 }), pets: fc.integer({ min: 0, max: 6 }), cooking: fc.constantFrom(...COOKING),
    loadsAWeek: fc.option(fc.integer({ min: 0, max: 40 }), { nil: undefined }), coolWashes: fc.boolean(), smoking: fc.boolean(),
  });
  const history = fc.array(fc.record({ day: fc.constant(900), grade: grades, exposure: fc.double({ min: 0.1, max: 3, noNaN: true }), confirmed: fc.boolean() }), { maxLength: 5 });
  const practice = fc.constantFrom(...PRACTICES);

  it('never passes its cap nor falls under its floor, whatever was found', () => {
    fc.assert(fc.property(procedureKeys, household, history, practice, (key, home, found, school) => {
      const { days, band } = intervalOf(inputOf(key, home, found, { practice: school }));
      const [low, high] = [floorDays(procedureOf(key)), capDays(procedureOf(key))];
      return [days, band.early, band.late].every((it) => it >= low && it <= high && Number.isInteger(it));
    }));
  });
  it('never passes the maker’s limit, even under the floor', () => {
    fc.assert(fc.property(procedureKeys, household, fc.integer({ min: 1, max: 400 }), (key, home, makerLimitDays) =>
      intervalOf(inputOf(key, home, [], { makerLimitDays })).days <= makerLimitDays));
  });
  it('is never lengthened by more people, more pets or more loads', () => {
    fc.assert(fc.property(procedureKeys, household, history, (key, home, found) => {
      const days = (change: Partial<Household>) => intervalOf(inputOf(key, { ...home, ...change }, found)).days;
      const now = days({});
      return days({ people: home.people + 1 }) <= now && days({ pets: home.pets + 1 }) <= now && days({ loadsAWeek: (home.loadsAWeek ?? 40) + 3 }) <= Math.max(now, home.loadsAWeek === undefined ? Infinity : now);
    }));
  });
  it('is never lengthened by a fouler grade, confirmed or not', () => {
    fc.assert(fc.property(procedureKeys, history, fc.integer({ min: 0, max: 3 }), fc.double({ min: 0.1, max: 3, noNaN: true }), fc.boolean(), (key, found, index, exposure, confirmed) => {
      const days = (grade: Grade) => intervalOf(inputOf(key, {}, [...found, { day: 950, grade, exposure, confirmed }])).days;
      return days(GRADES[index + 1]!) <= days(GRADES[index]!);
    }));
  });
  it('is shortened at once by a tenant’s own grade, and lengthened only when it is confirmed', () => {
    const plain = intervalOf(inputOf('dishwasher.filter')).days;
    expect(intervalOf(inputOf('dishwasher.filter', {}, [taught('blocked', 1, false)])).days).to.be.below(plain);
    expect(intervalOf(inputOf('dishwasher.filter', {}, [taught('clean', 1, false)])).days).to.equal(plain);
    expect(intervalOf(inputOf('dishwasher.filter', {}, [taught('clean', 1, true)])).days).to.be.above(plain);
  });
  it('halves when the practice halves, learned or not', () => {
    const found = [taught('heavy'), taught('due')];
    const days = (school: 'watchful' | 'steady') => intervalOf(inputOf('dishwasher.filter', {}, found, { practice: school })).days;
    expect(days('watchful')).to.be.closeTo(days('steady') / 2, 1);
  });
  it('of a safety-critical point lengthens only by certainty, and never past the longest stated', () => {
    const one = intervalOf(inputOf('dryer.lintScreen', {}, [taught('light')])).days;
    const six = intervalOf(inputOf('dryer.lintScreen', {}, Array.from({ length: 6 }, () => taught('light')))).days;
    expect(six).to.be.above(one);
    expect(six).to.be.at.most(180);
  });
  it('says its terms, the last of which leads to the day', () => {
    const { terms, days, speed } = intervalOf(inputOf('dishwasher.filter', { people: 4 }, [taught('heavy')]));
    expect(terms.map(({ term }) => term)).to.deep.equal(['practice', 'driver', 'found']);
    expect(Math.round(terms.at(-1)!.days)).to.equal(days);
    expect(speed.low).to.be.below(speed.median);
    expect(speed.high).to.be.above(speed.median);
  });
});

describe('Exposure', () => {
  const stretches: Stretch[] = [{ fromDay: 0, factor: 1 }, { fromDay: 130, factor: 2 }];
  it('follows the household as it was', () => {
    expect(exposureBetween(stretches, 100, 160, 60)).to.equal((30 + 60) / 60);
    expect(exposureBetween(stretches, 140, 170, 60)).to.equal(1);
  });
  it('reached again takes the same days', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 400 }), (from, days) =>
      Math.abs(daysToReach(stretches, from, exposureBetween(stretches, from, from + days, 60), 60) - days) < 1e-9));
  });
  it('after a change of household moves the line by what is left, not by all', () => {
    const before = intervalOf(inputOf('dishwasher.filter', {}, [], { servedDay: 100, stretches: [{ fromDay: 0, factor: 1 }] })).days;
    const { days, terms } = intervalOf(inputOf('dishwasher.filter', {}, [], { servedDay: 100, stretches }));
    expect(before).to.equal(60);
    expect(days).to.equal(30 + 15);
    expect(terms.map(({ term }) => term)).to.include('changed');
  });
});

describe('Learning', () => {
  it('gives every grade a probability, which sum to one', () => {
    for (const exposure of [0.2, 1, 2.5]) {
      for (const speed of [0.4, 1, 3]) {
        const total = GRADES.reduce((sum, grade) => sum + likelihood({ exposure, grade }, speed), 0);
        expect(total).to.be.closeTo(1, 1e-9);
      }
    }
  });
  it('starts at a median of one with a spread of 0.5 on the log scale', () => {
    const prior = believeSpeed([]);
    expect(prior.length).to.equal(SPEEDS.length);
    expect(speedQuantile(prior, 0.5)).to.be.closeTo(1, 0.01);
    expect(speedQuantile(prior, 0.8413)).to.be.closeTo(Math.exp(0.5), 0.02);
  });
  it('does not mind the order of what was found', () => {
    const a = believeSpeed([{ exposure: 1, grade: 'heavy' }, { exposure: 0.5, grade: 'light' }]);
    const b = believeSpeed([{ exposure: 0.5, grade: 'light' }, { exposure: 1, grade: 'heavy' }]);
    a.forEach((weight, i) => expect(weight).to.be.closeTo(b[i]!, 1e-12));
  });
  it('finds a part that fouls twice as fast within a quarter after six services of the truth model', () => {
    const random = seeded(11);
    const errors = Array.from({ length: 60 }, () => {
      const found: TaughtGrade[] = [];
      for (let i = 0; i < 6; i += 1) {
        const { days } = intervalOf(inputOf('airHandler.returnFilter', {}, found));
        const exposure = days / 90;
        found.push({ day: 0, exposure, confirmed: true, grade: drawGrade(random, drawLoad(random, 2, exposure)) });
      }
      return Math.abs(intervalOf(inputOf('airHandler.returnFilter', {}, found)).days / 45 - 1);
    }).sort((a, b) => a - b);
    expect(errors[30]).to.be.below(0.25);
  });
  it('grades by the absolute bounds', () => {
    expect([0, 0.24, 0.25, 0.69, 0.7, 1.29, 1.3, 2.19, 2.2, 9].map(gradeOfLoad)).to.deep.equal(['clean', 'clean', 'light', 'light', 'due', 'due', 'heavy', 'heavy', 'blocked', 'blocked']);
  });
});

describe('The line', () => {
  const line = { servedDay: 100, lineDay: 160, capDay: 190 };
  it('has a share that grows by a day’s part a day', () => {
    expect(shareUsed(line, { today: 100 })).to.equal(0);
    expect(shareUsed(line, { today: 130 })).to.equal(0.5);
    expect(shareUsed(line, { today: 160 })).to.equal(1);
    expect(shareUsed({ ...line, servedDay: null }, { today: 130 })).to.equal(undefined);
  });
  it('puts a point into exactly one state at any time, in the order of time', () => {
    const order = ['fresh', 'nearing', 'onLine', 'past', 'longPast'];
    let last = 0;
    for (let today = 100; today < 260; today += 1) {
      const state = stateOf(line, { today });
      expect(POINT_STATES.filter((it) => it === state)).to.have.length(1);
      expect(order.indexOf(state)).to.be.at.least(last);
      last = order.indexOf(state);
    }
    expect(last).to.equal(4);
  });
  it('changes state at 0.7, 1, 1.1, 1.5 and at the cap', () => {
    expect([141, 142, 159, 160, 166, 167, 190, 191].map((today) => stateOf(line, { today }))).to.deep.equal(['fresh', 'nearing', 'nearing', 'onLine', 'onLine', 'past', 'past', 'longPast']);
    expect(stateOf({ ...line, servedDay: null }, { today: 150 })).to.equal('noRecord');
    expect(stateOf(line, { today: 300, onHold: true })).to.equal('onHold');
  });
  it('ends lateness on the day the work was done', () => {
    expect(stateOf(line, { today: 400, doneDay: 155 })).to.equal('nearing');
  });
  it('comes to today when something is reported, and never goes later for it', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 200 }), fc.option(fc.integer({ min: -50, max: 300 })), (served, days, signal) => {
      const day = lineWithSignal(served, days, signal);
      return day <= served + days && day >= served && (signal === null || signal < served || day <= signal || day <= served + days);
    }));
    expect(lineWithSignal(100, 60, 120)).to.equal(120);
    expect(lineWithSignal(100, 60, 90)).to.equal(160);
  });
  it('has a window from 0.8 to 1.1', () => {
    expect(windowOf(line)).to.deep.equal({ opens: 148, closes: 166 });
    expect(windowOf({ ...line, servedDay: null })).to.equal(undefined);
  });
});
