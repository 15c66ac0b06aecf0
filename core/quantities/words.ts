/** Quantities in words, in a person's own units. */
import type { Voice } from '../language/message.ts';
import type { UnitSystem } from './units.ts';
import { asMeasured } from './volume.ts';

const FRACTIONS: Readonly<Record<string, string>> = { '0.25': '¼', '0.5': '½', '0.75': '¾' };

/** A volume in words: `60 mL`, `1½ cups`. */
export function volumeWords(say: Voice, ml: number, system: UnitSystem): string {
  const { value, unit } = asMeasured(ml, system);
  const whole = Math.floor(value);
  const fraction = FRACTIONS[String(value - whole)];
  return say.text(`amount.${unit}`, {
    value,
    many: String(value > 1),
    written: fraction && unit !== 'litres' ? `${whole || ''}${fraction}` : String(value),
  });
}
