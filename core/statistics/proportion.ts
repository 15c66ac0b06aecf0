/** Intervals of a share that was counted, also where the counted things come in clusters. */

export interface ShareInterval {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** Two-sided 95 % point of the normal distribution. */
const Z95 = 1.959_963_984_540_054;

/**
 * Wilson's score interval of a proportion, 95 %.
 * @param successes 0 to `trials`; neither need be whole
 * @throws RangeError without trials
 * Source: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927); R. G. Newcombe, Stat. Med. 17 (1998), method 3.
 */
export function wilsonInterval(successes: number, trials: number): ShareInterval {
  if (!(trials > 0)) throw new RangeError('no trials');
  const share = successes / trials;
  const square = Z95 ** 2 / trials;
  const middle = share + square / 2;
  const half = Z95 * Math.sqrt((share * (1 - share)) / trials + square / (4 * trials));
  return { share, low: Math.max(0, (middle - half) / (1 + square)), high: Math.min(1, (middle + half) / (1 + square)) };
}

export interface Cluster {
  readonly successes: number;
  readonly trials: number;
}

/**
 * A 95 % interval of the share over clusters that need not be alike (jobs by assignee): Wilson's on the number of
 * trials that would tell as much if they were independent. That number comes from the linearised variance between
 * clusters, and is never above the trials; where nothing varies between clusters (one alone, all of them alike), the
 * trials themselves.
 * @throws RangeError without trials
 * Source: E. L. Korn and B. I. Graubard, Survey Methodology 24 (1998), with Wilson's interval in place of the exact.
 */
export function clusteredInterval(clusters: readonly Cluster[]): ShareInterval {
  const used = clusters.filter(({ trials }) => trials > 0);
  const trials = used.reduce((sum, it) => sum + it.trials, 0);
  const share = used.reduce((sum, it) => sum + it.successes, 0) / trials;
  const effective = effectiveTrials(used, trials, share);
  return wilsonInterval(share * effective, effective);
}

function effectiveTrials(clusters: readonly Cluster[], trials: number, share: number): number {
  const count = clusters.length;
  const between = clusters.reduce((sum, it) => sum + (it.successes - share * it.trials) ** 2, 0);
  if (count < 2 || between === 0) return trials;
  const variance = ((count / (count - 1)) * between) / trials ** 2;
  return Math.min(trials, (share * (1 - share)) / variance);
}
