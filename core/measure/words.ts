/** A working in words, in a person's own units. */
import { volumeWords } from '../quantities/words.ts';
import type { Voice } from '../language/message.ts';
import type { Values } from '../language/values.ts';
import type { UnitSystem } from '../quantities/units.ts';
import type { Working } from './working.ts';

export interface WorkingWords {
  readonly terms: readonly string[];
  readonly limits: readonly { readonly says: string; readonly met: boolean }[];
}

/** A working in sentences, in the units of whoever reads it. */
export function workingWords(say: Voice, { terms, limits }: Working, system: UnitSystem): WorkingWords {
  const amount = (values: Values) =>
    typeof values.ml === 'number' && values.ml > 0 ? { amount: volumeWords(say, values.ml, system) } : {};
  return {
    terms: terms.map(({ key, values }) => say.text(`measure.${key}`, { ...values, ...amount(values) })),
    limits: limits.map(({ key, met, values }) => ({
      met,
      says: say.text(`limit.${key}`, { met: String(met), ...values }),
    })),
  };
}
