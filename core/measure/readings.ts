/** What single measurements mean: temperature drop, pump-out, drying time, hardness, water used. */
import { hardnessClass, hardnessMgL, type HardnessUnit } from '../quantities/hardness.ts';
import { US_GALLON_ML } from '../quantities/volume.ts';
import { rounded, within, type Working } from './working.ts';

/** Usual drop across a working coil, 15 to 20 °F (from memory), K. */
export const USUAL_DROP_K = [8, 11] as const;

/** @param returnC air going in, °C @param supplyC air at a register, °C */
export function temperatureDrop(returnC: number, supplyC: number): Working & { readonly dropK: number } {
  within('returnC', returnC, -20, 60);
  within('supplyC', supplyC, -20, 60);
  const dropK = returnC - supplyC;
  return {
    dropK,
    terms: [
      { key: 'drop.return', values: { celsius: returnC } },
      { key: 'drop.supply', values: { celsius: supplyC } },
      { key: 'drop.kelvin', values: { kelvin: rounded(dropK), fahrenheit: rounded(dropK * 1.8) } },
    ],
    limits: [
      {
        key: dropK > USUAL_DROP_K[1] ? 'drop.high' : 'drop.usual',
        met: dropK >= USUAL_DROP_K[0] && dropK <= USUAL_DROP_K[1],
        values: { low: USUAL_DROP_K[0], high: USUAL_DROP_K[1] },
      },
    ],
  };
}

/** Our assumption: a sound pump moves at least so many litres a minute, and most of what was poured in. */
export const SOUND_PUMP = { litresPerMinute: 5, share: 0.8 } as const;

/**
 * A pump-out test: the flow, and whether what was poured in comes out.
 * @param pouredLitres poured in, L, above 0
 * @param pumpedLitres pumped out, L
 * @param seconds it took, above 0
 */
export function pumpOut(
  pouredLitres: number,
  pumpedLitres: number,
  seconds: number,
): Working & { readonly litresPerMinute: number } {
  within('pouredLitres', pouredLitres, 0.1, 50);
  within('pumpedLitres', pumpedLitres, 0, 60);
  within('seconds', seconds, 1, 3600);
  const litresPerMinute = (pumpedLitres / seconds) * 60;
  return {
    litresPerMinute,
    terms: [
      {
        key: 'pump.out',
        values: { litres: pumpedLitres, gallons: rounded((pumpedLitres * 1000) / US_GALLON_ML), seconds },
      },
      { key: 'pump.rate', values: { rate: rounded(litresPerMinute) } },
      { key: 'pump.share', values: { percent: Math.round((pumpedLitres / pouredLitres) * 100) } },
    ],
    limits: [
      {
        key: 'pump.rate',
        met: litresPerMinute >= SOUND_PUMP.litresPerMinute,
        values: { rate: SOUND_PUMP.litresPerMinute },
      },
      {
        key: 'pump.share',
        met: pumpedLitres >= SOUND_PUMP.share * pouredLitres,
        values: { percent: SOUND_PUMP.share * 100 },
      },
    ],
  };
}

/** A normal load dries within this (common practice), minutes. */
export const DRY_WITHIN = 60;

/**
 * Whether a normal load dries in the usual time.
 * @param minutes until it was dry
 */
export function dryingTime(minutes: number): Working {
  within('minutes', minutes, 1, 600);
  return {
    terms: [{ key: 'drying.minutes', values: { minutes } }],
    limits: [{ key: 'drying', met: minutes <= DRY_WITHIN, values: { minutes: DRY_WITHIN } }],
  };
}

/**
 * A hardness as calcium carbonate.
 * @param value as it was measured, 0 or more, in `unit`
 */
export function hardnessWorking(value: number, unit: HardnessUnit): Working & { readonly mgL: number } {
  within('hardness', value, 0, 1000);
  const mgL = hardnessMgL(value, unit);
  return {
    mgL,
    terms: [
      { key: 'hardness.given', values: { value, unit } },
      { key: 'hardness.mgL', values: { mgL, gpg: rounded(mgL / 17.1) } },
      { key: `hardness.${hardnessClass(mgL)}`, values: {} },
    ],
    limits: [],
  };
}

/** Gallons a cycle: dishwashers of today 5 to 8, those over thirteen years old about 16 (common practice). */
export const DISHWASHER_GALLONS = { now: 6.5, old: 16 } as const;

/**
 * What a dishwasher of an age takes in a year.
 * @param cyclesAWeek 0 or more
 */
export function waterUsed(
  cyclesAWeek: number,
  age: keyof typeof DISHWASHER_GALLONS,
): Working & { readonly litresAYear: number } {
  within('cyclesAWeek', cyclesAWeek, 0, 50);
  const litres = (DISHWASHER_GALLONS[age] * US_GALLON_ML) / 1000;
  const litresAYear = litres * cyclesAWeek * 52;
  return {
    litresAYear,
    terms: [
      { key: 'water.cycle', values: { litres: rounded(litres), gallons: DISHWASHER_GALLONS[age] } },
      { key: 'water.year', values: { litres: Math.round(litresAYear), cycles: cyclesAWeek * 52 } },
    ],
    limits: [],
  };
}
