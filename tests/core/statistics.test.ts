import { expect } from 'chai';
import fc from 'fast-check';
import jstatPackage from 'jstat';
import { gammaCdf, logGamma } from '../../core/statistics/gamma.ts';
import { gammaDraw, seeded, seedOf } from '../../core/statistics/random.ts';

const { jStat } = jstatPackage as unknown as {
  jStat: { gamma: { cdf(x: number, shape: number, scale: number): number }; gammaln(x: number): number };
};

describe('The gamma distribution', () => {
  it('agrees with jstat', () => {
    const shape = fc.double({ min: 0.05, max: 80, noNaN: true });
    const scale = fc.double({ min: 0.05, max: 4, noNaN: true });
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 100, noNaN: true }),
        shape,
        scale,
        (x, a, b) => Math.abs(gammaCdf(x, a, b) - jStat.gamma.cdf(x, a, b)) < 1e-9,
      ),
      { numRuns: 500 },
    );
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 100, noNaN: true }),
        (x) => Math.abs(logGamma(x) - jStat.gammaln(x)) < 1e-8,
      ),
    );
  });
  it('with shape 1 is the exponential, known in closed form', () => {
    for (const x of [0.1, 1, 3, 9]) expect(gammaCdf(x, 1, 2)).to.be.closeTo(1 - Math.exp(-x / 2), 1e-12);
  });
  it('refuses shapes and scales that are none', () => {
    expect(() => gammaCdf(1, 0, 1)).to.throw(RangeError);
    expect(() => gammaCdf(1, 1, -1)).to.throw(RangeError);
    expect(() => logGamma(0)).to.throw(RangeError);
  });
  it('is drawn with its mean and spread', () => {
    const random = seeded(3);
    const draws = Array.from({ length: 20_000 }, () => gammaDraw(random, 8.16, 0.1225));
    const mean = draws.reduce((sum, it) => sum + it, 0) / draws.length;
    const sd = Math.sqrt(draws.reduce((sum, it) => sum + (it - mean) ** 2, 0) / draws.length);
    expect(mean).to.be.closeTo(1, 0.01);
    expect(sd).to.be.closeTo(0.35, 0.01);
  });
});

describe('A seed', () => {
  it('gives the same numbers again, and others for another', () => {
    const ten = (seed: number) => {
      const random = seeded(seed);
      return Array.from({ length: 10 }, random);
    };
    expect(ten(5)).to.deep.equal(ten(5));
    expect(ten(5)).not.to.deep.equal(ten(6));
    expect(seedOf('Flat 1A')).not.to.equal(seedOf('Flat 1B'));
  });
});
