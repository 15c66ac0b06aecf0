/** What a measurement answers: its terms one below the other, and how it stands to its limits. */
import type { Values } from '../language/values.ts';

/** Words at `measure.<key>`. */
export interface Term {
  readonly key: string;
  readonly values: Values;
}

/** A limit with its source in its words at `limit.<key>`. */
export interface Limit {
  readonly key: string;
  readonly met: boolean;
  readonly values: Values;
}

export interface Working {
  readonly terms: readonly Term[];
  readonly limits: readonly Limit[];
}

/** Rounded for a person to read. */
export const rounded = (value: number, digits = 1): number => Math.round(value * 10 ** digits) / 10 ** digits;

/** @throws RangeError when a measurement is no number, or outside of what can be */
export function within(name: string, value: number, low: number, high: number): number {
  if (!(value >= low && value <= high)) throw new RangeError(`${name} must be between ${low} and ${high}: ${value}`);
  return value;
}
