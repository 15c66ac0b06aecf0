/** Remedies of a pattern: what was decided, what it promised, and whether it held. */
import { logGamma } from '../statistics/gamma.ts';
import { FRAILTY_SPREAD, SUSPICION, type Suspicion } from './suspicion.ts';

/** What may be decided about a pattern. */
export const DECISIONS = ['interval', 'assignee', 'coaching', 'rootCause', 'replacement'] as const;
export type Decision = (typeof DECISIONS)[number];

/** Faults of a machine in a group, and for how long they would have been seen. */
export interface Seen {
  readonly faults: number;
  readonly years: number;
}

export interface PossibleRate {
  readonly weight: number;
  /** Faults a year. */
  readonly perYear: number;
}

/** What a machine may have in a year if something is wrong. @param base faults a machine-year over all groups */
export const ratesIfWrong = ({ ratios }: Pick<Suspicion, 'ratios'>, peersAYear: number, base: number): PossibleRate[] =>
  SUSPICION.ratios.map((ratio, r) => ({ weight: ratios[r]!, perYear: peersAYear + (ratio - 1) * base }));

/** What stood against a pattern when something was decided. */
export interface Before {
  /** Probability that nothing was wrong, and the faults were chance. */
  readonly chance: number;
  /** Faults a year if something was. */
  readonly rates: readonly PossibleRate[];
  /** What a machine of its kind has in a year: what a remedy promises. */
  readonly peersAYear: number;
}

/** How different sound machines are from each other, as the shape of a gamma of mean 1. */
const SHAPE = 1 / FRAILTY_SPREAD ** 2;

/** Probability that a sound machine, as frail as they come, has at most so many faults (negative binomial). */
export function soundAtMost({ faults, years }: Seen, peersAYear: number): number {
  const share = years / (SHAPE / peersAYear + years);
  return sumTo(
    faults,
    (n) => logGamma(SHAPE + n) - logGamma(SHAPE) - logGamma(n + 1) + SHAPE * Math.log(1 - share) + n * Math.log(share),
  );
}

const poissonAtMost = (faults: number, mean: number) =>
  sumTo(faults, (n) => n * Math.log(mean) - mean - logGamma(n + 1));

const sumTo = (last: number, logOf: (n: number) => number) => {
  let sum = 0;
  for (let n = 0; n <= last; n += 1) sum += Math.exp(logOf(n));
  return Math.min(1, sum);
};

/** Probability that the machine as it was has at most so many faults: what is chance goes on as chance does. */
export const asBeforeAtMost = ({ chance, rates, peersAYear }: Before, after: Seen): number =>
  chance * soundAtMost(after, peersAYear) +
  (1 - chance) *
    rates.reduce((sum, { weight, perYear }) => sum + weight * poissonAtMost(after.faults, perYear * after.years), 0);

export type Verdict = 'held' | 'failed' | 'open';

/** A remedy has held, or failed, where the other would give what came after it with no more than this probability. */
const DOUBT = 0.05;

/**
 * Whether a remedy held: *held* where the machine as it was would hardly have so few faults; *failed* where a sound one
 * would hardly have so many; else it is too early. After a pattern of chance a useless remedy looks as if it held, so
 * that what may have been chance never has.
 */
export function judgeRemedy(before: Before, after: Seen): Verdict {
  if (after.years <= 0) return 'open';
  if (asBeforeAtMost(before, after) <= DOUBT) return 'held';
  const soMany = after.faults === 0 ? 1 : 1 - soundAtMost({ ...after, faults: after.faults - 1 }, before.peersAYear);
  return soMany <= DOUBT ? 'failed' : 'open';
}

const LONGEST_YEARS = 20;

/** Years without a fault after which a remedy will have held; null where that may have been chance all along. */
export function yearsToHold(before: Before): number | null {
  const holds = (years: number) => judgeRemedy(before, { faults: 0, years }) === 'held';
  if (!holds(LONGEST_YEARS)) return null;
  let [low, high] = [0, LONGEST_YEARS];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (holds(middle)) high = middle;
    else low = middle;
  }
  return high;
}
