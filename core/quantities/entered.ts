/** Readings are kept in one unit and entered in a person's own. */
import type { Unit } from './units.ts';
import type { UnitSystem } from './units.ts';
import { US_GALLON_ML } from './volume.ts';

/** How something is entered: what is kept = what is entered × `factor` + `offset`. */
export interface EntryUnit {
  /** Words at `unit.<unit>`. */
  readonly unit: Unit | 'fahrenheit' | 'gallons';
  readonly factor: number;
  readonly offset: number;
}

/** In which unit a person of a system enters a reading. Factors: NIST SP 811, exact. */
export function enteredIn(unit: Unit, system: UnitSystem): EntryUnit {
  if (system === 'us' && unit === 'celsius') return { unit: 'fahrenheit', factor: 1 / 1.8, offset: -32 / 1.8 };
  if (system === 'us' && unit === 'litres') return { unit: 'gallons', factor: US_GALLON_ML / 1000, offset: 0 };
  return { unit, factor: 1, offset: 0 };
}

/** What is kept of something entered; to a thousandth, since no instrument here reads finer. */
export const keptOf = (entered: number, { factor, offset }: Pick<EntryUnit, 'factor' | 'offset'>): number =>
  Math.round((entered * factor + offset) * 1000) / 1000;

/** What is kept, as it would be entered; to a tenth. */
export const enteredOf = (kept: number, { factor, offset }: Pick<EntryUnit, 'factor' | 'offset'>): number =>
  Math.round(((kept - offset) / factor) * 10) / 10;

/** A number as people write it, with a comma or a point; NaN where it is none. */
export const numberIn = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.trim().replace(',', '.').replace('−', '-'));
