/**
 * Volumes, in millilitres inside and in a person's own units outside. Factors: NIST SP 811, Handbook 44 app. C; exact.
 */
import type { UnitSystem } from './units.ts';

export const US_GALLON_ML = 3785.411784;
export const US_CUP_ML = 236.5882365;
export const US_FLUID_OUNCE_ML = 29.5735295625;

export interface Amount {
  readonly value: number;
  /** Words at `amount.<unit>`. */
  readonly unit: 'ml' | 'litres' | 'flOz' | 'cups' | 'gallons';
}

const toNearest = (value: number, step: number) => Math.round(value / step) * step;
const tidy = (value: number) => Math.round(value * 100) / 100;

/**
 * A volume as it is measured out: in steps of 5 mL, of 10 mL from 100 and of a tenth of a litre from a litre;
 * or in fluid ounces by halves, cups by quarters from half a cup, gallons by quarters from half a gallon.
 * @param ml above 0, else a RangeError
 */
export function asMeasured(ml: number, system: UnitSystem): Amount {
  if (!(ml > 0)) throw new RangeError(`a volume must be above zero: ${ml}`);
  if (system === 'metric') {
    if (ml >= 995) return { value: tidy(toNearest(ml / 1000, 0.1)), unit: 'litres' };
    return { value: Math.max(5, toNearest(ml, ml < 100 ? 5 : 10)), unit: 'ml' };
  }
  if (ml >= US_GALLON_ML / 2) return { value: toNearest(ml / US_GALLON_ML, 0.25), unit: 'gallons' };
  if (ml >= US_CUP_ML / 2) return { value: toNearest(ml / US_CUP_ML, 0.25), unit: 'cups' };
  return { value: Math.max(0.5, toNearest(ml / US_FLUID_OUNCE_ML, 0.5)), unit: 'flOz' };
}

const ML: Readonly<Record<Amount['unit'], number>> = {
  ml: 1,
  litres: 1000,
  flOz: US_FLUID_OUNCE_ML,
  cups: US_CUP_ML,
  gallons: US_GALLON_ML,
};

/** The millilitres of an amount. */
export function millilitres({ value, unit }: Amount): number {
  return value * ML[unit];
}
