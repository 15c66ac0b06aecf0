import { expect } from 'chai';
import { spentOn, yearsToPayBack } from '../../core/faults/replacement.ts';

describe('A replacement case', () => {
  it('adds bills to hours at their price, and leaves out what no closing says', () => {
    const repairs = [
      { minutes: 90, cost: 20 },
      { minutes: null, cost: 55 },
      { minutes: 30, cost: null },
      { minutes: null, cost: null },
    ];
    expect(spentOn(repairs, 40)).to.equal(75 + 80);
    expect(spentOn(repairs)).to.equal(75);
    expect(spentOn([], 40)).to.equal(0);
  });

  it('says after how many years a new one has paid for itself (simple payback: price by yearly saving)', () => {
    expect(yearsToPayBack(600, 150)).to.equal(4);
    expect(yearsToPayBack(600, 0)).to.equal(null);
    expect(() => yearsToPayBack(0, 10)).to.throw(RangeError);
  });
});
