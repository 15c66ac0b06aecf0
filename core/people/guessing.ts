/** How long somebody waits after wrong guesses: doubling, and forgiven one by one as time passes. */

export interface Patience {
  /** Wrong guesses that cost no waiting. */
  readonly free: number;
  /** After so long one wrong guess is forgiven, milliseconds. */
  readonly forgivenMs: number;
  /** The longest wait, milliseconds. */
  readonly longestMs: number;
}

/** Wrong guesses so far, and when they were counted; the count falls by itself. */
export interface Guesses {
  readonly count: number;
  readonly at: number;
}

const FIRST_WAIT_MS = 1000;

/** What is left of wrong guesses now. */
export const remaining = ({ count, at }: Guesses, now: number, { forgivenMs }: Patience): number =>
  Math.max(0, count - (now - at) / forgivenMs);

/** One more wrong guess. */
export const guessedWrong = (before: Guesses | undefined, now: number, patience: Patience): Guesses => ({
  count: (before ? remaining(before, now, patience) : 0) + 1,
  at: now,
});

/** How long the next guess has to wait, milliseconds; 0 where it may come now. */
export function waitFor(before: Guesses | undefined, now: number, patience: Patience): number {
  if (!before) return 0;
  const beyond = before.count - patience.free;
  if (beyond <= 0) return 0;
  const wait = Math.min(patience.longestMs, FIRST_WAIT_MS * 2 ** Math.floor(beyond));
  return Math.max(0, before.at + wait - now);
}

/**
 * How many days a secret lasts, on average, against somebody who never tires and tries none twice: the first of `valid`
 * marked among N is met after (N + 1) / (valid + 1) tries (the mean of a negative hypergeometric draw).
 */
export const expectedDays = (possibilities: number, valid: number, triesADay: number): number =>
  (possibilities + 1) / (valid + 1) / triesADay;
