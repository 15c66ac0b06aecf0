/**
 * What a reading means: the figure that is judged, what it opens beside the part it was read at, and how it stands to
 * what this very machine read before.
 */
import type { Need, ReadingNeed } from '../catalogue/types.ts';

export type Readings = Readonly<Record<string, number>>;

/**
 * The figure that is judged: the value itself, its drop from another reading, or the amount that another reading came
 * to in an hour, where this one is minutes.
 * Undefined where one of the two is missing.
 */
export function judgedValue({ key, judged }: ReadingNeed, readings: Readings): number | undefined {
  const value = readings[key];
  if (!judged || value === undefined) return value;
  const other = readings[judged.with];
  if (other === undefined) return undefined;
  // To a thousandth: floating point must not decide at a limit.
  return Math.round((judged.as === 'drop' ? other - value : (other / value) * 60) * 1000) / 1000;
}

/** Whether a figure passes; what cannot be judged passes. */
export function passes(need: ReadingNeed, readings: Readings): boolean {
  const value = judgedValue(need, readings);
  return value === undefined || (value >= need.pass[0] && value <= need.pass[1]);
}

/** Our assumption: so many readings make a machine's own baseline. */
export const BASELINE_READINGS = 3;
/** Our assumption: a figure this much worse than the baseline has drifted, however well it passes. */
export const DRIFT_SHARE = 0.3;
/** And by so much at the least, in its own unit: temperatures near zero have no share to speak of. */
const DRIFT_LEAST = 2;

/** The machine's own baseline: the median of its first readings; undefined before there are enough. */
export function baselineOf(figures: readonly number[]): number | undefined {
  if (figures.length < BASELINE_READINGS) return undefined;
  return figures.slice(0, BASELINE_READINGS).toSorted((a, b) => a - b)[Math.floor(BASELINE_READINGS / 2)];
}

/** Whether a figure is far worse than what this machine read at first. @param earlier oldest first */
export function hasDrifted(earlier: readonly number[], figure: number, worse: 'higher' | 'lower'): boolean {
  const baseline = baselineOf(earlier);
  if (baseline === undefined) return false;
  const by = worse === 'higher' ? figure - baseline : baseline - figure;
  return by > Math.max(DRIFT_LEAST, Math.abs(baseline) * DRIFT_SHARE);
}

/**
 * A drift is worth a job from half way between the machine's baseline and its limit on: a drain that takes 24 seconds
 * instead of 14 is still a good one. Ours.
 */
function isNearer(earlier: readonly number[], figure: number, limit: number | undefined): boolean {
  const baseline = baselineOf(earlier);
  return limit === undefined || baseline === undefined || Math.abs(limit - figure) <= Math.abs(figure - baseline);
}

/** Something that a reading opens. */
export interface Opening {
  readonly reading: string;
  readonly figure: number;
  readonly why: 'beyond' | 'drift';
  readonly raises: { readonly signal: string } | { readonly symptom: string };
}

/**
 * What the readings of a service open, worst first: what lies beyond its limit, else what has drifted.
 * @param earlier figures of the same reading on this machine, oldest first
 */
export function openings(
  needs: readonly Need[],
  readings: Readings,
  earlier: (reading: string) => readonly number[],
): Opening[] {
  return needs.flatMap((need): Opening[] => {
    const figure = need.kind === 'reading' ? judgedValue(need, readings) : undefined;
    if (need.kind !== 'reading' || figure === undefined || !need.worse) return [];
    const { beyond, drift } = need.opens ?? {};
    const opened = { reading: need.key, figure };
    if (beyond && (need.worse === 'higher' ? figure > beyond.at : figure < beyond.at))
      return [{ ...opened, why: 'beyond', raises: beyond.raises }];
    return drift && hasDrifted(earlier(need.key), figure, need.worse) && isNearer(earlier(need.key), figure, beyond?.at)
      ? [{ ...opened, why: 'drift', raises: { signal: drift } }]
      : [];
  });
}
