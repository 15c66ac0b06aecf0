/** Fisher's exact test of a two-by-two table. R. A. Fisher, The Design of Experiments, 1935. */
import { logGamma } from './gamma.ts';

const logChoose = (n: number, k: number): number => logGamma(n + 1) - logGamma(k + 1) - logGamma(n - k + 1);

/** Of so many things some are marked; so many were drawn, and this many of the drawn are marked. */
export interface Drawn {
  readonly all: number;
  readonly marked: number;
  readonly drawn: number;
  readonly markedDrawn: number;
}

/**
 * Probability that at least so many of the drawn are marked, if the draw has nothing to do with the mark.
 * @throws RangeError where more are marked or drawn than there are
 */
export function atLeastByChance({ all, marked, drawn, markedDrawn }: Drawn): number {
  if (marked > all || drawn > all || markedDrawn > Math.min(marked, drawn)) throw new RangeError('more than there are');
  const whole = logChoose(all, drawn);
  let sum = 0;
  for (let k = Math.max(markedDrawn, drawn - (all - marked)); k <= Math.min(marked, drawn); k += 1)
    sum += Math.exp(logChoose(marked, k) + logChoose(all - marked, drawn - k) - whole);
  return Math.min(1, sum);
}
