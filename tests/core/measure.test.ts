import { expect } from 'chai';
import fc from 'fast-check';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { materialWords, stepAmounts } from '../../core/jobs/amounts.ts';
import { volumeWords } from '../../core/quantities/words.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { dilute, dilutionWorking, doseWorking } from '../../core/measure/dilution.ts';
import {
  ductWorking,
  elbowMm,
  ELBOW_RADII,
  equivalentMm,
  LONGEST_DUCT_MM,
  rodsFor,
  ROD_MM,
} from '../../core/measure/ductRun.ts';
import { CFM_PER_TON, faceSqIn, faceWorking } from '../../core/measure/faceVelocity.ts';
import { dryingTime, hardnessWorking, pumpOut, temperatureDrop, waterUsed } from '../../core/measure/readings.ts';
import { detergentWorking } from '../../core/measure/detergent.ts';
import { coldWorking, COLD_LIMITS, HOURS_BETWEEN, nextTuning } from '../../core/measure/tuning.ts';
import type { Working } from '../../core/measure/working.ts';
import {
  actualSize,
  formatFilterSize,
  isActualOf,
  parseFilterSize,
  sameFilterSize,
} from '../../core/quantities/filterSize.ts';
import { celsius, fahrenheit, kelvins, MM_PER_FOOT } from '../../core/quantities/units.ts';
import { asMeasured, millilitres, US_CUP_ML, US_FLUID_OUNCE_ML, US_GALLON_ML } from '../../core/quantities/volume.ts';

const say = translator('en-GB', coreText);
/** Every term and limit has words. */
const told = ({ terms, limits }: Working) => [
  ...terms.map(({ key, values }) => say(`measure.${key}`, { amount: '', ...values })),
  ...limits.map(({ key, met, values }) => say(`limit.${key}`, { met: String(met), ...values })),
];

describe('Units', () => {
  it('are those of NIST SP 811 and Handbook 44', () => {
    expect([US_GALLON_ML, US_CUP_ML, US_FLUID_OUNCE_ML]).to.deep.equal([3785.411784, 236.5882365, 29.5735295625]);
    expect(US_GALLON_ML / US_CUP_ML).to.be.closeTo(16, 1e-9);
    expect(US_CUP_ML / US_FLUID_OUNCE_ML).to.be.closeTo(8, 1e-9);
    expect(MM_PER_FOOT).to.equal(304.8);
    expect(kelvins(1.8)).to.equal(1);
  });
  it('turn °C into °F and back', () => {
    expect([fahrenheit(4), fahrenheit(-18)].map((f) => Math.round(f) + 0)).to.deep.equal([39, 0]);
    fc.assert(
      fc.property(fc.double({ min: -60, max: 120, noNaN: true }), (c) => Math.abs(celsius(fahrenheit(c)) - c) < 1e-9),
    );
  });
  it('are measured out in steps that a kitchen knows, a quarter off at the most', () => {
    expect(volumeWords(say, US_CUP_ML / 4, 'metric')).to.equal('60 mL');
    expect(volumeWords(say, US_CUP_ML / 4, 'us')).to.equal('2 fl oz');
    expect(volumeWords(say, US_CUP_ML * 0.75, 'us')).to.equal('¾ cup');
    expect(volumeWords(say, US_CUP_ML, 'us')).to.equal('1 cup');
    expect(volumeWords(say, US_CUP_ML * 1.5, 'us')).to.equal('1½ cups');
    expect(volumeWords(say, 2 * US_GALLON_ML, 'us')).to.equal('2 gal');
    expect(volumeWords(say, 2 * US_GALLON_ML, 'metric')).to.equal('7.6 L');
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 40_000, noNaN: true }),
        fc.constantFrom('metric', 'us'),
        (ml, system) => Math.abs(millilitres(asMeasured(ml, system)) - ml) <= 0.26 * ml,
      ),
    );
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 40_000, noNaN: true }),
        (ml) => Math.abs(millilitres(asMeasured(ml, 'metric')) - ml) <= 0.05 * ml + 5,
      ),
    );
    expect(() => asMeasured(0, 'us')).to.throw(RangeError);
  });
});

describe('Filter sizes', () => {
  it('are understood in any notation, and nonsense is not', () => {
    for (const text of [
      '16x25x1',
      '16 X 25 X 1',
      '16 × 25 × 1"',
      '16" x 25" x 1"',
      '16 by 25 by 1 inches',
      '16-25-1',
      '16*25*1',
      '16in x 25in x 1in.',
      '400×625×25 mm',
      '400 x 625 x 25',
      '40 x 62,5 x 2.5 cm',
      '406mm x 635mm x 25mm',
    ]) {
      const size = parseFilterSize(text);
      expect(
        size &&
          formatFilterSize({ ...size, widthIn: Math.round(size.widthIn), heightIn: Math.round(size.heightIn - 0.01) }),
        text,
      ).to.match(/^16 × 2[45] × 1 in$/);
    }
    expect(parseFilterSize('19 1/2 x 21½ x 1')).to.deep.equal({ widthIn: 19.5, heightIn: 21.5, depthIn: 1 });
    for (const text of [
      '',
      'big',
      '16x25',
      '16x25x1x2',
      '0x25x1',
      '16x25x40',
      '1/0 x 2 x 1',
      '=16x25x1',
      '999999x2x1',
      'x25x1',
    ])
      expect(parseFilterSize(text), text).to.equal(undefined);
  });
  it('round-trip through what the product writes', () => {
    const side = fc.integer({ min: 2, max: 96 }).map((halves) => halves / 2);
    fc.assert(
      fc.property(side, side, fc.constantFrom(0.5, 1, 2, 4, 5), (widthIn, heightIn, depthIn) => {
        const size = { widthIn, heightIn, depthIn };
        expect(parseFilterSize(formatFilterSize(size))).to.deep.equal(size);
      }),
    );
  });
  it('16 × 25 × 1: 400 in² or 2.778 ft² of face, 360 ft/min at 1,000 CFM, over the usual 300 (common practice, from memory)', () => {
    const size = parseFilterSize('16x25x1')!;
    expect(faceSqIn(size)).to.equal(400);
    const thin = faceWorking(size, 1000);
    expect(thin.velocityFpm).to.be.closeTo(360, 1e-9);
    expect(thin.terms[0]!.values).to.include({ sqFt: 2.778 });
    expect(thin.limits[0]!.met).to.equal(false);
    expect(faceWorking({ ...size, depthIn: 4 }, 1000).limits[0]!.met).to.equal(true);
    expect(CFM_PER_TON).to.equal(400);
    expect(actualSize(size)).to.deep.equal({ widthIn: 15.5, heightIn: 24.5, depthIn: 0.75 });
    // What a rule reads along the frame is known for the printed size, turned or not; the next size is not.
    for (const measured of ['15.5 x 24.5 x 0.75', '24 1/2 x 15.5 x ¾', '15.6 x 24.4 x 0.8'])
      expect(isActualOf(parseFilterSize(measured)!, size), measured).to.equal(true);
    for (const other of ['14x25x1', '16x24x1', '16x20x1', '15.5 x 24.5 x 4'])
      expect(
        isActualOf(parseFilterSize(other)!, size) || sameFilterSize(parseFilterSize(other)!, size),
        other,
      ).to.equal(false);
    told(thin);
    expect(() => faceWorking(size, 0)).to.throw(RangeError);
  });
});

describe('A dryer’s duct', () => {
  it('counts its bends by the table of IRC M1502.4.6 (from memory)', () => {
    expect(LONGEST_DUCT_MM).to.equal(10_668);
    const feet = (radius: (typeof ELBOW_RADII)[number]) =>
      [45, 90].map((degrees) => Math.round((elbowMm(radius, degrees as 45 | 90) / MM_PER_FOOT) * 100) / 100);
    expect(Object.fromEntries(ELBOW_RADII.map((radius) => [radius, feet(radius)]))).to.deep.equal({
      mitred4: [2.5, 5],
      smooth6: [1, 1.75],
      smooth8: [1, 1.58],
      smooth10: [0.75, 1.5],
    });
  });
  it('of 25 ft with two mitred right angles is just the 35 ft, and one of 26 is over; a maker may allow more', () => {
    const elbows = [{ radius: 'mitred4', degrees: 90, count: 2 }] as const;
    expect(ductWorking({ straightMm: 25 * MM_PER_FOOT, elbows }).limits[0]).to.include({ met: true, key: 'duct.code' });
    const long = { straightMm: 26 * MM_PER_FOOT, elbows };
    expect(ductWorking(long).limits[0]!.met).to.equal(false);
    expect(ductWorking(long, 15_000).limits[0]).to.include({ met: true, key: 'duct.maker' });
    told(ductWorking(long));
    told(ductWorking(long, 10_000));
  });
  it('only ever grows by a longer run or one more bend', () => {
    const elbow = fc.record({
      radius: fc.constantFrom(...ELBOW_RADII),
      degrees: fc.constantFrom(45 as const, 90 as const),
      count: fc.integer({ min: 0, max: 6 }),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20_000 }),
        fc.array(elbow, { maxLength: 4 }),
        elbow,
        fc.integer({ min: 1, max: 5000 }),
        (straightMm, elbows, more, extra) => {
          const before = equivalentMm({ straightMm, elbows });
          expect(equivalentMm({ straightMm: straightMm + extra, elbows })).to.be.above(before);
          expect(equivalentMm({ straightMm, elbows: [...elbows, { ...more, count: more.count + 1 }] })).to.be.above(
            before,
          );
          expect(before).to.be.at.least(straightMm);
        },
      ),
    );
    expect(() => equivalentMm({ straightMm: -1, elbows: [] })).to.throw(RangeError);
  });
  it('wants as many rods as it is long', () => {
    expect([0, ROD_MM, ROD_MM + 1, 10 * ROD_MM].map((straightMm) => rodsFor({ straightMm }))).to.deep.equal([
      1, 1, 2, 10,
    ]);
  });
});

describe('Diluting and dosing', () => {
  it('one to three makes a cup of a quarter cup: 25 % (common practice)', () => {
    const { agentMl, share } = dilute(US_CUP_ML, 3);
    expect(agentMl).to.be.closeTo(US_CUP_ML / 4, 1e-9);
    expect(share).to.equal(0.25);
    told(dilutionWorking(US_CUP_ML, 3));
  });
  it('conserve volume', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 50_000, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (total, parts) => {
          const { agentMl, waterMl } = dilute(total, parts);
          expect(agentMl + waterMl).to.be.closeTo(total, 1e-6);
          expect(agentMl * parts).to.be.closeTo(waterMl, 1e-6);
        },
      ),
    );
  });
  it('two fluid ounces for each of seven drains are fourteen (common practice), and the step says so in one’s own units', () => {
    expect(doseWorking(2 * US_FLUID_OUNCE_ML, 7).totalMl / US_FLUID_OUNCE_ML).to.be.closeTo(14, 1e-9);
    const dose = procedureOf('drains.dose');
    expect(stepAmounts(say, dose, { drains: 7 }, 'us')).to.include({ dose: '2 fl oz', total: '1¾ cups', drains: 7 });
    expect(stepAmounts(say, dose, { drains: 7 }, 'metric')).to.include({ dose: '60 mL', total: '410 mL' });
    expect(materialWords(say, dose.materials[0]!, { drains: 7 }, 'metric')).to.equal(
      'build-up digesting (enzyme) product, 410 mL',
    );
    const flush = procedureOf('airHandler.condensateDrain');
    expect(stepAmounts(say, flush, {}, 'us')).to.include({ bleach: '2 fl oz', water: '¾ cup' });
    expect(say.text('airHandler.condensateDrain.flush.body', stepAmounts(say, flush, {}, 'metric'))).to.contain(
      '60 mL of household bleach in 180 mL of water',
    );
  });
});

describe('Measurements', () => {
  it('the drop across the coil is usually 15 to 20 °F (from memory)', () => {
    expect(
      [
        [24, 15],
        [24, 20],
        [24, 10],
      ].map(([into, out]) => temperatureDrop(into!, out!).limits[0]),
    ).to.deep.include.members([{ key: 'drop.usual', met: true, values: { low: 8, high: 11 } }]);
    expect(temperatureDrop(24, 20).limits[0]!.met).to.equal(false);
    expect(temperatureDrop(24, 10).limits[0]!.key).to.equal('drop.high');
    told(temperatureDrop(24, 10));
    expect(() => temperatureDrop(24, 99)).to.throw(RangeError);
  });
  it('a pump that moves two gallons in half a minute is sound, one that sputters is not (common practice)', () => {
    expect(pumpOut(7.5, 7.4, 30).limits.every(({ met }) => met)).to.equal(true);
    expect(pumpOut(7.5, 2, 60).limits.some(({ met }) => !met)).to.equal(true);
    told(pumpOut(7.5, 2, 60));
  });
  it('a normal load dries within 60 minutes (common practice)', () => {
    expect([60, 61].map((minutes) => dryingTime(minutes).limits[0]!.met)).to.deep.equal([true, false]);
    told(dryingTime(61));
  });
  it('ten grains a gallon are 171 mg/L, hard water (USGS, from memory)', () => {
    const { mgL, terms } = hardnessWorking(10, 'gpg');
    expect(mgL).to.equal(171);
    expect(terms.at(-1)!.key).to.equal('hardness.hard');
    told(hardnessWorking(10, 'gpg'));
  });
  it('an old dishwasher uses about two and a half times the water of one of today (common practice)', () => {
    expect(waterUsed(5, 'old').litresAYear / waterUsed(5, 'now').litresAYear).to.be.closeTo(16 / 6.5, 1e-9);
    told(waterUsed(5, 'now'));
  });
});

describe('Setting a fridge right', () => {
  const HOUR = 3_600_000;
  it('holds the limits of the US FDA (from memory): 40 °F and 0 °F', () => {
    expect(Math.round(fahrenheit(COLD_LIMITS.fridge.high))).to.equal(39);
    expect(Math.round(fahrenheit(COLD_LIMITS.freezer.high)) + 0).to.equal(0);
    say('limit.cold');
  });
  it('goes one degree, freezer first, 48 hours apart, to a look at the end', () => {
    expect(nextTuning([], 0)).to.deep.equal({ do: 'measure' });
    const first = { at: 0, fridgeC: 6.5, freezerC: -15 };
    expect(nextTuning([first], 0)).to.deep.equal({ do: 'turn', compartment: 'freezer', direction: 'colder' });
    const soon = { at: 5 * HOUR, fridgeC: 6.5, freezerC: -16 };
    expect(nextTuning([first, soon], 6 * HOUR)).to.deep.equal({ do: 'wait', until: HOURS_BETWEEN * HOUR });
    const later = { at: 49 * HOUR, fridgeC: 6, freezerC: -19 };
    expect(nextTuning([first, later], 49 * HOUR)).to.deep.equal({
      do: 'turn',
      compartment: 'fridge',
      direction: 'colder',
    });
    expect(nextTuning([first, later, { at: 98 * HOUR, fridgeC: 3.5, freezerC: -19 }], 98 * HOUR)).to.deep.equal({
      do: 'done',
    });
    for (const text of ['measure', 'done']) say(`tuning.${text}`);
    expect(told(coldWorking(6, -18)).join()).to.contain('fridge one degree colder');
    expect(coldWorking(3, -19).limits[0]!.met).to.equal(true);
  });
  it('calls it a fault where turning does not help, and asks for warmer where it freezes', () => {
    const stubborn = Array.from({ length: 5 }, (_, i) => ({ at: i * 50 * HOUR, fridgeC: 6, freezerC: null }));
    expect(nextTuning(stubborn, 250 * HOUR)).to.deep.equal({ do: 'fault', compartment: 'fridge' });
    expect(nextTuning([{ at: 0, fridgeC: -2, freezerC: null }], 0)).to.deep.equal({
      do: 'turn',
      compartment: 'fridge',
      direction: 'warmer',
    });
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 20, noNaN: true }),
        fc.double({ min: -40, max: 10, noNaN: true }),
        (fridgeC, freezerC) => {
          const step = nextTuning([{ at: 0, fridgeC, freezerC }], 0);
          if (fridgeC > 7 || freezerC > -12) expect(step.do).to.equal('foodFirst');
          else
            expect(step.do).to.equal(
              fridgeC >= 0 && fridgeC <= 4 && freezerC >= -25 && freezerC <= -18 ? 'done' : 'turn',
            );
        },
      ),
    );
  });
});

describe('A detergent cup', () => {
  it('is half full in a modern machine and full in an old one (common practice), more in hard water, less for half a load (our assumption)', () => {
    expect(detergentWorking(100, 'full', 'now').share).to.equal(0.5);
    expect(detergentWorking(100, 'full', 'old').share).to.equal(1);
    expect(detergentWorking(400, 'full', 'old').share).to.equal(1);
    expect(detergentWorking(30, 'half', 'now').share).to.equal(0.3);
    expect(detergentWorking(200, 'full', 'now').share).to.equal(0.75);
    expect(() => detergentWorking(-1, 'full', 'now')).to.throw(RangeError);
    expect(told(detergentWorking(30, 'half', 'now')).join()).to.contain('none for the pre-wash');
  });
});
