import { expect } from 'chai';
import fc from 'fast-check';
import { formatFilterSize, parseFilterSize, sameFilterSize } from '../../core/quantities/filterSize.ts';
import { hardnessClass } from '../../core/quantities/hardness.ts';

describe('Quantities', () => {
  it('class hardness by the USGS bounds (from memory)', () => {
    expect([0, 60, 61, 120, 121, 180, 181].map(hardnessClass)).to.deep.equal(['soft', 'soft', 'moderate', 'moderate', 'hard', 'hard', 'veryHard']);
    expect(() => hardnessClass(-1)).to.throw(RangeError);
  });
  it('read filter sizes in the usual notations', () => {
    const common = { widthIn: 16, heightIn: 25, depthIn: 1 };
    for (const text of ['16x25x1', '16 × 25 × 1"', '16 X 25 X 1 in', '16 by 25 by 1', '16"x25"x1"']) expect(parseFilterSize(text), text).to.deep.equal(common);
    expect(parseFilterSize('400×625×25 mm')).to.deep.equal({ widthIn: 15.5, heightIn: 24.5, depthIn: 1 });
  });
  it('refuse what is no size', () => {
    for (const text of ['', '16x25', 'big', '0x25x1', '16x25x400', '-1x2x3', '16x25x1x1']) expect(parseFilterSize(text), text).to.equal(undefined);
  });
  it('round-trip a size, and fit it turned', () => {
    const side = fc.integer({ min: 1, max: 48 });
    fc.assert(fc.property(side, side, fc.integer({ min: 1, max: 6 }), (widthIn, heightIn, depthIn) => {
      const size = { widthIn, heightIn, depthIn };
      expect(parseFilterSize(formatFilterSize(size))).to.deep.equal(size);
      return sameFilterSize(size, { widthIn: heightIn, heightIn: widthIn, depthIn });
    }));
    expect(sameFilterSize({ widthIn: 16, heightIn: 20, depthIn: 1 }, { widthIn: 20, heightIn: 20, depthIn: 1 })).to.equal(false);
  });
});
