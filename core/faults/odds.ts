/** What moves the odds of a cause before anybody has looked: the upkeep of that machine, and this portfolio's closings. */
import type { Suspect } from './causes.ts';

/** Ours: a part half way to its line is as likely as the list says; a fresh one less, one past it more, within bounds. */
const HALF_WAY = 0.5;
const LEAST = 0.2;
const MOST = 3;
/** Ours: closings that the list's order counts for against this portfolio's. */
const LIST_CLOSINGS = 12;

const sharesOf = (suspects: readonly Suspect[], weights: readonly number[]): Suspect[] => {
  const sum = weights.reduce((total, it) => total + it, 0);
  return suspects.map((it, i) => ({ ...it, odds: weights[i]! / sum }));
};

/**
 * Odds as the service history has them: a part served last week is an unlikely cause, one past its line a likely one.
 * @param shareOf share of the interval used of the point that cures a cause; null where nothing is known
 */
export const afterUpkeep = (suspects: readonly Suspect[], shareOf: (point: string) => number | null): Suspect[] =>
  sharesOf(
    suspects,
    suspects.map(({ cause: { point, nature }, odds }) => {
      const share = point && nature === 'upkeep' ? shareOf(point) : null;
      return share === null ? odds : odds * Math.min(MOST, Math.max(LEAST, share / HALF_WAY));
    }),
  );

/**
 * Odds as closings of this symptom teach them: the list's order counts like so many closings of its own.
 * @param closed closings by cause; those of a cause that is not on the list are left out
 */
export const afterClosings = (suspects: readonly Suspect[], closed: ReadonlyMap<string, number>): Suspect[] =>
  sharesOf(
    suspects,
    suspects.map(({ cause, odds }) => odds * LIST_CLOSINGS + (closed.get(cause.key) ?? 0)),
  );
