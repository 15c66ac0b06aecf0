import { expect } from 'chai';
import fc from 'fast-check';
import { MM_PER_INCH } from '../../core/quantities/units.ts';
import { formatFilterSize, parseFilterSize, sameFilterSize } from '../../core/quantities/filterSize.ts';
import { hardnessClass, hardnessMgL, likelierMeant } from '../../core/quantities/hardness.ts';
import { enteredIn, enteredOf, keptOf, numberIn } from '../../core/quantities/entered.ts';

describe('Quantities', () => {
  it('class hardness by the USGS bounds (from memory)', () => {
    expect([0, 60, 61, 120, 121, 180, 181].map(hardnessClass)).to.deep.equal([
      'soft',
      'soft',
      'moderate',
      'moderate',
      'hard',
      'hard',
      'veryHard',
    ]);
    expect(() => hardnessClass(-1)).to.throw(RangeError);
  });
  it('turn other units of hardness into mg/L: 17.1 a grain (USGS, from memory), degrees and mmol by their definition (from memory)', () => {
    expect([
      hardnessMgL(1, 'gpg'),
      hardnessMgL(10, 'fH'),
      hardnessMgL(10, 'dH'),
      hardnessMgL(1, 'mmolL'),
      hardnessMgL(150, 'mgL'),
    ]).to.deep.equal([17.1, 100, 178.5, 100.1, 150]);
    // A grain a US gallon is 64.798 91 mg in 3.785 411 784 L (NIST Handbook 44, appendix C).
    expect(hardnessMgL(1, 'gpg')).to.be.closeTo(64.79891 / 3.785411784, 0.05);
  });
  it('ask whether a very low number of mg/L was grains or degrees, and leave an ordinary one alone', () => {
    expect(likelierMeant(12).map(({ unit, mgL }) => [unit, mgL])).to.deep.equal([
      ['gpg', 205.2],
      ['dH', 214.2],
      ['fH', 120],
    ]);
    expect(likelierMeant(160)).to.deep.equal([]);
    expect(likelierMeant(0)).to.deep.equal([]);
  });
  it('say litres and gallons, millilitres and cups, degrees alike within the rounding of a kitchen (NIST SP 811)', () => {
    // As the procedures say them: 11 L and 3 gal, 60 mL and 1/4 cup, 250 mL and a cup, 2 to 3 K and 4 to 5 °F.
    const near = (said: number, exact: number) => expect(Math.abs(said / exact - 1)).to.be.below(0.07);
    near(11, 3 * 3.785411784);
    near(60, 236.5882365 / 4);
    near(250, 236.5882365);
    near(2.5 * 1.8, 4.5);
    expect(MM_PER_INCH).to.equal(25.4);
  });
  it('read filter sizes in the usual notations', () => {
    const common = { widthIn: 16, heightIn: 25, depthIn: 1 };
    for (const text of ['16x25x1', '16 × 25 × 1"', '16 X 25 X 1 in', '16 by 25 by 1', '16"x25"x1"'])
      expect(parseFilterSize(text), text).to.deep.equal(common);
    expect(parseFilterSize('400×625×25 mm')).to.deep.equal({ widthIn: 15.5, heightIn: 24.5, depthIn: 1 });
  });
  it('refuse what is no size', () => {
    for (const text of ['', '16x25', 'big', '0x25x1', '16x25x400', '-1x2x3', '16x25x1x1'])
      expect(parseFilterSize(text), text).to.equal(undefined);
  });
  it('round-trip a size, and fit it turned', () => {
    const side = fc.integer({ min: 1, max: 48 });
    fc.assert(
      fc.property(side, side, fc.integer({ min: 1, max: 6 }), (widthIn, heightIn, depthIn) => {
        const size = { widthIn, heightIn, depthIn };
        expect(parseFilterSize(formatFilterSize(size))).to.deep.equal(size);
        return sameFilterSize(size, { widthIn: heightIn, heightIn: widthIn, depthIn });
      }),
    );
    expect(
      sameFilterSize({ widthIn: 16, heightIn: 20, depthIn: 1 }, { widthIn: 20, heightIn: 20, depthIn: 1 }),
    ).to.equal(false);
  });
});

describe('Readings, entered in one’s own units', () => {
  it('are kept in one: 39.2 °F is 4 °C, 2.5 US gallons are 9.46 L (NIST SP 811)', () => {
    expect(keptOf(39.2, enteredIn('celsius', 'us'))).to.equal(4);
    expect(keptOf(2.5, enteredIn('litres', 'us'))).to.be.closeTo(9.464, 0.001);
    expect(keptOf(4, enteredIn('celsius', 'metric'))).to.equal(4);
    expect(keptOf(90, enteredIn('seconds', 'us'))).to.equal(90);
    expect(enteredOf(-18, enteredIn('celsius', 'us'))).to.equal(-0.4);
  });
  it('come back as they were entered, to a tenth', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -400, max: 4000 }),
        fc.constantFrom('celsius' as const, 'litres' as const, 'minutes' as const),
        fc.constantFrom('metric' as const, 'us' as const),
        (tenths, unit, system) => {
          const how = enteredIn(unit, system);
          expect(enteredOf(keptOf(tenths / 10, how), how)).to.be.closeTo(tenths / 10, 0.051);
        },
      ),
    );
  });
  it('are read with a comma, a point or a true minus, and nonsense is none', () => {
    expect([numberIn('3,5'), numberIn(' 3.5 '), numberIn('−18')]).to.deep.equal([3.5, 3.5, -18]);
    expect([numberIn(''), numberIn('warm'), numberIn('1.2.3')].every(Number.isNaN)).to.equal(true);
  });
});
