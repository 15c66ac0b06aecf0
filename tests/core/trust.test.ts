import { expect } from 'chai';
import fc from 'fast-check';
import jstat from 'jstat';
import { drawLook, isTrusted, LOOK_RULE, TEACHES_ABOVE, truthOf, type DrawnLook } from '../../core/proof/trust.ts';
import { betaCdf, betaQuantile } from '../../core/statistics/beta.ts';
import { seeded } from '../../core/statistics/random.ts';

const held = (day: number): DrawnLook => ({ day, held: true });
const failed = (day: number): DrawnLook => ({ day, held: false });

describe('The beta distribution', () => {
  it('is that of the package jstat, and its quantile turns it round', () => {
    const shape = fc.double({ min: 0.3, max: 200, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 0.999, noNaN: true }), shape, shape, (x, a, b) => {
        expect(betaCdf(x, a, b)).to.be.closeTo(jstat.beta.cdf(x, a, b), 1e-6);
        expect(betaCdf(betaQuantile(x, a, b), a, b)).to.be.closeTo(x, 1e-6);
      }),
    );
  });

  it('gives the exact bound of Clopper and Pearson (1934): 10 of 10 leave 0.741 at 95 % from below', () => {
    // One-sided, so that 0.05^(1/10) = 0.7411.
    expect(betaQuantile(0.05, 10, 1)).to.be.closeTo(0.05 ** 0.1, 1e-9);
  });
});

describe('Trust', () => {
  it('begins with the first looks, and begins anew after one that did not hold', () => {
    expect(isTrusted([], LOOK_RULE)).to.equal(false);
    expect(isTrusted([held(1), held(2)], LOOK_RULE)).to.equal(false);
    expect(isTrusted([held(1), held(2), held(3)], LOOK_RULE)).to.equal(true);
    expect(isTrusted([held(1), held(2), held(3), failed(4), held(5), held(6)], LOOK_RULE)).to.equal(false);
    expect(isTrusted([held(6), failed(4), held(5), held(7)], LOOK_RULE)).to.equal(true);
    expect(isTrusted([failed(1)], { first: 0, oneIn: 3 })).to.equal(true);
  });

  it('lets what somebody found teach only after enough looks that held, and less so as they age', () => {
    const looks = (count: number, at = 0) => Array.from({ length: count }, () => held(at));
    expect(truthOf(looks(3), 0).low).to.be.below(TEACHES_ABOVE);
    expect(truthOf(looks(30), 0).low).to.be.above(TEACHES_ABOVE);
    expect(truthOf([...looks(30), failed(0), failed(0)], 0).low).to.be.below(TEACHES_ABOVE);
    // After half a year thirty looks say as much as fifteen.
    expect(truthOf(looks(30), 182.5 as number).low).to.be.closeTo(truthOf(looks(15), 0).low, 1e-9);
    fc.assert(
      fc.property(fc.nat(40), fc.nat(40), fc.nat(900), (good, bad, later) => {
        const all = [...looks(good), ...Array.from({ length: bad }, () => failed(0))];
        const { share, low } = truthOf(all, later);
        expect(low).to.be.within(0, share);
        expect(truthOf([...all, held(later)], later).low).to.be.at.least(low - 1e-9);
        expect(truthOf([...all, failed(later)], later).low).to.be.at.most(low + 1e-9);
      }),
    );
  });

  it('draws one in so many, the same for the same seed, and all of somebody who is not trusted', () => {
    let drawn = 0;
    for (let i = 0; i < 6000; i += 1) drawn += drawLook(`seed ${i}`, true, LOOK_RULE).drawn ? 1 : 0;
    // Binomial, 6000 at a third: three standard deviations are 110.
    expect(drawn).to.be.within(1890, 2110);
    expect(drawLook('seed 7', true, LOOK_RULE)).to.deep.equal(drawLook('seed 7', true, LOOK_RULE));
    expect(drawLook('seed 7', false, LOOK_RULE)).to.deep.equal({ probability: 1, drawn: true });
    expect(drawLook('seed 7', true, { first: 3, oneIn: 1 }).drawn).to.equal(true);
  });

  it('finds the truth without bias, whoever cheats and whenever findings ask for a look', () => {
    // A person whose clean work is false one time in ten, looked at one in three: the mean over many such people.
    const random = seeded(11);
    let sum = 0;
    let covered = 0;
    const people = 600;
    for (let i = 0; i < people; i += 1) {
      const looks: DrawnLook[] = [];
      for (let job = 0; job < 150; job += 1)
        if (drawLook(`${i} ${job}`, true, LOOK_RULE).drawn) looks.push({ day: 0, held: random() >= 0.1 });
      const { share, low } = truthOf(looks, 0);
      sum += share;
      covered += low <= 0.9 ? 1 : 0;
    }
    expect(sum / people).to.be.closeTo(0.9, 0.01);
    // The bound lies below the truth in nineteen of twenty cases.
    expect(covered / people).to.be.within(0.92, 0.99);
  });
});
