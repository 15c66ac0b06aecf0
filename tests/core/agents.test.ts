import { expect } from 'chai';
import jstatPackage from 'jstat';
import { GRADES, gradeOfLoad, typicalLoad } from '../../core/catalogue/grades.ts';
import { costAYear, foulingRate, LEAST_CYCLES, T95, type FoulingCycle } from '../../core/due/agents.ts';
import { gammaDraw, seeded } from '../../core/statistics/random.ts';

const { jStat } = jstatPackage as unknown as { jStat: { studentt: { inv(p: number, df: number): number } } };

/** Cycles of parts that foul at this rate, found at whichever grade has gathered by then. */
function lived(rate: number, count: number, seed: number): FoulingCycle[] {
  const random = seeded(seed);
  return [...Array(count).keys()].map(() => {
    const share = 0.5 + random();
    return { share, found: gradeOfLoad(gammaDraw(random, 8, (rate * share) / 8)) };
  });
}

describe('How a part fouls again after a cleaning', () => {
  it('has the points of Student’s t that a handbook prints and jstat computes', () => {
    for (const [degrees, point] of T95) expect(point).to.be.closeTo(jStat.studentt.inv(0.975, degrees), 6e-4);
  });

  it('takes each grade for the middle of what it stands for', () => {
    for (const grade of GRADES) expect(gradeOfLoad(typicalLoad(grade))).to.equal(grade);
  });

  it('is the load found for each interval gone by, in closed form where all cycles are alike', () => {
    const same = Array<FoulingCycle>(LEAST_CYCLES).fill({ share: 0.5, found: 'due' });
    expect(foulingRate(same)).to.deep.equal({ rate: 2, low: 2, high: 2, cycles: LEAST_CYCLES });
    expect(foulingRate(same.slice(1)), 'too few').to.equal(undefined);
  });

  it('covers the true rate in nine of ten lives and more, and is nearer to it the more it has seen', () => {
    for (const rate of [0.6, 1, 1.6]) {
      let covers = 0;
      let widths = [0, 0];
      // What grades make of loads: the mean of many lives, so that the interval alone is judged here.
      const graded = foulingRate(lived(rate, 20_000, 1))!.rate;
      for (let seed = 1; seed <= 200; seed += 1) {
        const [few, many] = [foulingRate(lived(rate, 12, seed * 7))!, foulingRate(lived(rate, 60, seed * 11))!];
        if (few.low <= graded && graded <= few.high) covers += 1;
        widths = [widths[0]! + few.high - few.low, widths[1]! + many.high - many.low];
      }
      expect(graded, 'grades blur a rate by less than a sixth').to.be.closeTo(rate, rate / 6);
      expect(covers / 200).to.be.at.least(0.9);
      expect(widths[1]!).to.be.lessThan(widths[0]! * 0.6);
    }
  });

  it('costs a year what so many services cost', () => {
    expect(costAYear(1, 365.25 / 4, 10)).to.equal(40);
    expect(costAYear(2, 365.25 / 4, 10)).to.equal(80);
  });
});
