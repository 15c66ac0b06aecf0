/**
 * Setting a fridge right that is near its target, one degree at a time: the freezer first, then the fresh-food side,
 * two days
 * between steps (common practice). Limits: refrigerator at or below 40 °F (4 °C), freezer 0 °F (−18 °C), US FDA
 * consumer guidance
 * (from memory); the lower ends are ours, so that food does not freeze and power is not wasted.
 */
import type { Values } from '../language/values.ts';
import { rounded, within, type Working } from './working.ts';

export const COLD_LIMITS = { fridge: { low: 0, high: 4 }, freezer: { low: -25, high: -18 } } as const;
/** Above these, °C, it is no matter of tuning: food first (from memory; the food authority decides). */
export const FOOD_LIMITS = { fridge: 7, freezer: -12 } as const;
export type Compartment = keyof typeof COLD_LIMITS;
export const HOURS_BETWEEN = 48;
/** After so many steps one way without getting there, it is no setting that is wrong. Ours. */
const ENOUGH_STEPS = 4;

/** A single look at both, with the next degree to turn. */
export function coldWorking(fridgeC: number, freezerC: number): Working {
  within('fridgeC', fridgeC, -30, 40);
  within('freezerC', freezerC, -50, 40);
  const step = nextTuning([{ at: 0, fridgeC, freezerC }], 0);
  const fits = (compartment: Compartment, value: number) =>
    value <= COLD_LIMITS[compartment].high && value >= COLD_LIMITS[compartment].low;
  return {
    terms: [
      { key: 'cold.fridge', values: { celsius: rounded(fridgeC) } },
      { key: 'cold.freezer', values: { celsius: rounded(freezerC) } },
      { key: `cold.${step.do}`, values: wordsOf(step) },
    ],
    limits: [{ key: 'cold', met: fits('fridge', fridgeC) && fits('freezer', freezerC), values: {} }],
  };
}

export interface TemperatureReading {
  /** Instant, ms. */
  readonly at: number;
  readonly fridgeC: number;
  /** Null where there is none, or nobody measured. */
  readonly freezerC: number | null;
}

export type TuningStep =
  | { readonly do: 'measure' }
  | { readonly do: 'wait'; readonly until: number }
  | { readonly do: 'turn'; readonly compartment: Compartment; readonly direction: 'colder' | 'warmer' }
  | { readonly do: 'done' }
  | { readonly do: 'foodFirst'; readonly compartment: Compartment }
  | { readonly do: 'fault'; readonly compartment: Compartment };

function wordsOf(step: TuningStep): Values {
  if (step.do === 'turn') return { compartment: step.compartment, direction: step.direction };
  return step.do === 'foodFirst' ? { compartment: step.compartment } : {};
}

function against(compartment: Compartment, value: number): 'colder' | 'warmer' | null {
  const { low, high } = COLD_LIMITS[compartment];
  if (value > high) return 'colder';
  return value < low ? 'warmer' : null;
}

/** What to do next. @param measured oldest first; each but the last was followed by one degree of turning */
export function nextTuning(measured: readonly TemperatureReading[], now: number): TuningStep {
  const last = measured.at(-1);
  if (!last) return { do: 'measure' };
  const warm = (['fridge', 'freezer'] as const).find((compartment) => {
    const value = compartment === 'freezer' ? last.freezerC : last.fridgeC;
    return value !== null && value > FOOD_LIMITS[compartment];
  });
  if (warm) return { do: 'foodFirst', compartment: warm };
  const step = (['freezer', 'fridge'] as const).flatMap((compartment) => {
    const value = compartment === 'freezer' ? last.freezerC : last.fridgeC;
    const direction = value === null ? null : against(compartment, value);
    return direction ? [{ compartment, direction }] : [];
  })[0];
  if (!step) return { do: 'done' };
  const same = measured.filter((it) => {
    const value = step.compartment === 'freezer' ? it.freezerC : it.fridgeC;
    return value !== null && against(step.compartment, value) === step.direction;
  });
  if (same.length > ENOUGH_STEPS) return { do: 'fault', compartment: step.compartment };
  const before = measured.at(-2);
  if (before && last.at - before.at < HOURS_BETWEEN * 3_600_000 && now < before.at + HOURS_BETWEEN * 3_600_000)
    return { do: 'wait', until: before.at + HOURS_BETWEEN * 3_600_000 };
  return { do: 'turn', ...step };
}
