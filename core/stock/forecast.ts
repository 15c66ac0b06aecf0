/**
 * How many of something will be taken in the coming weeks: from the dates of the parts that use it, how late their
 * work usually is, and how far whole weeks fall above or below that together.
 *
 * Each part is at risk from some weeks before its line on: in every week it is served with a chance that depends on how
 * far it is from its line, and what is not served is there the week after. A week is more than its parts: a holiday, a
 * busy week or a round moves all of them, by a common factor with mean 1 whose variance is learned. Given the factor the
 * count is Poisson–binomial; over the factor it is a mixture. From about ten a week on the factor is most of the width.
 */
import { gammaCdf, gammaQuantile } from '../statistics/gamma.ts';

/** Weeks from a line: −4 and before, to 8 and more after it. */
const EARLIEST = -4;
const LATEST = 8;
const BINS = LATEST - EARLIEST + 1;

/** A part in one past week: weeks from its line, and whether it was served in it. */
export interface AtRisk {
  readonly week: number;
  readonly fromLine: number;
  readonly served: boolean;
}

export interface Lateness {
  /** Chance that a part is served in a week, by its weeks from the line (`EARLIEST` to `LATEST`). */
  readonly hazards: Float64Array;
  /** Variance of the factor of a week, mean 1. */
  readonly shock: number;
}

/**
 * Our assumption: few are served before their line, half in the week of it, half of the rest in each week after; weeks
 * differ by a quarter. It weighs as much as ten parts a bin, and as four weeks of a shelf that shows it well.
 */
const ASSUMED = Float64Array.from({ length: BINS }, (_, i) => {
  const fromLine = i + EARLIEST;
  if (fromLine < -1) return 0.04;
  return fromLine < 0 ? 0.25 : 0.5;
});
const ASSUMED_SHOCK = 0.06;
const WEIGHT = 10;
const WEIGHT_OF_SHOCK = 4;

const binOf = (fromLine: number): number => Math.min(LATEST, Math.max(EARLIEST, fromLine)) - EARLIEST;

/** What is assumed before anything was seen. */
export const ASSUMED_LATENESS: Lateness = { hazards: ASSUMED, shock: ASSUMED_SHOCK };

/** How late work is and how weeks differ, from past weeks; ours where nothing was seen. */
export function learnLateness(past: readonly AtRisk[]): Lateness {
  const [risk, served] = [ASSUMED.map(() => WEIGHT), ASSUMED.map((share) => share * WEIGHT)];
  for (const { fromLine, served: was } of past) {
    risk[binOf(fromLine)]! += 1;
    if (was) served[binOf(fromLine)]! += 1;
  }
  const hazards = served.map((count, i) => count / risk[i]!);
  return { hazards, shock: shockOf(past, hazards) };
}

/**
 * Variance of the weekly factor by moments: what weeks differ by beyond chance, over what they would differ by for a
 * variance of one; shrunk to ours.
 */
function shockOf(past: readonly AtRisk[], hazards: Float64Array): number {
  const weeks = new Map<number, { expected: number; chance: number; served: number }>();
  for (const { week, fromLine, served } of past) {
    const it = weeks.get(week) ?? { expected: 0, chance: 0, served: 0 };
    const hazard = hazards[binOf(fromLine)]!;
    it.expected += hazard;
    it.chance += hazard * (1 - hazard);
    it.served += served ? 1 : 0;
    weeks.set(week, it);
  }
  // A week of few parts says little: each weighs by how surely it would show a shock.
  let [beyond, scale] = [ASSUMED_SHOCK * WEIGHT_OF_SHOCK, WEIGHT_OF_SHOCK];
  for (const { expected, chance, served } of weeks.values()) {
    if (expected === 0) continue;
    const surely = expected / (expected + 4);
    beyond += surely * (((served - expected) ** 2 - chance) / expected ** 2) * surely;
    scale += surely * surely;
  }
  return Math.min(1, Math.max(0.001, beyond / scale));
}

/** A part as it stands: weeks from its line at the start of the first week, and how often it is served at all. */
export interface Wanted {
  /** Whole weeks; negative before the line. */
  readonly fromLine: number;
  readonly intervalWeeks: number;
}

/**
 * Chance that a part is served within the coming weeks, given the factor of those weeks; what is served falls due again.
 * @param weeks from 1 on
 * @returns expected services: below 1 but where it is served twice
 */
export function servedWithin({ hazards }: Lateness, part: Wanted, weeks: number, factor = 1): number {
  let [left, sum] = [1, 0];
  for (let week = 0; week < weeks; week += 1) {
    const hazard = Math.min(1, hazards[binOf(part.fromLine + week)]! * factor);
    const now = left * hazard;
    sum += now;
    const again = weeks - week - 1;
    if (again > part.intervalWeeks + EARLIEST)
      sum +=
        now *
        servedWithin({ hazards, shock: 0 }, { ...part, fromLine: -Math.round(part.intervalWeeks) }, again, factor);
    left -= now;
  }
  return sum;
}

/** Nodes of the factor: equally likely parts of a gamma with mean 1, each at its own mean, so that the mean stays 1. */
const NODES = 15;
/** Weeks that differ by less than this differ by chance alone. */
const QUIET = 0.002;
function factors(variance: number): number[] {
  if (variance < QUIET) return Array.from({ length: NODES }, () => 1);
  const shape = 1 / variance;
  // The part of the mean that lies below a share: the distribution of one shape more.
  const below = (i: number) => {
    if (i === 0 || i === NODES) return i / NODES;
    return gammaCdf(gammaQuantile(i / NODES, shape, variance), shape + 1, variance);
  };
  return Array.from({ length: NODES }, (_, i) => NODES * (below(i + 1) - below(i)));
}

/** Each value once, with how often it came. */
function weighed(values: readonly number[]): Map<number, number> {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return counts;
}

/** The chances of 0, 1, 2 … of some independent yes or no; those of more than the last are added to it. */
function poissonBinomial(chances: readonly number[], most: number): Float64Array {
  const counts = new Float64Array(most + 1);
  counts[0] = 1;
  let reached = 0;
  for (const chance of chances) {
    reached = Math.min(most, reached + 1);
    for (let n = reached; n >= 0; n -= 1) {
      const stays = n === most ? 1 : 1 - chance;
      counts[n] = counts[n]! * stays + (n > 0 ? counts[n - 1]! * chance : 0);
    }
  }
  return counts;
}

/**
 * How many will be taken within the coming weeks: the chance of each count from 0 on.
 * @param parts those that use it
 * @param weeks from 1 on; over several, what one week holds back the next makes good, so that factors differ less
 */
export function countsWithin(lateness: Lateness, parts: readonly Wanted[], weeks: number): Float64Array {
  const most = parts.length * Math.max(1, Math.ceil(weeks / 4)) + 1;
  const sum = new Float64Array(most + 1);
  for (const [factor, weight] of weighed(factors(lateness.shock / weeks))) {
    const chances: number[] = [];
    for (const part of parts) {
      const expected = servedWithin(lateness, part, weeks, factor);
      for (let rest = expected; rest > 0; rest -= 1) chances.push(Math.min(1, rest));
    }
    const counts = poissonBinomial(chances, most);
    for (let n = 0; n <= most; n += 1) sum[n]! += (counts[n]! * weight) / NODES;
  }
  return sum;
}

/** The smallest count that is not exceeded with this probability, 0 to 1. */
export function countAt(counts: Float64Array, probability: number): number {
  let sum = 0;
  for (let n = 0; n < counts.length; n += 1) {
    sum += counts[n]!;
    if (sum >= probability - 1e-12) return n;
  }
  return counts.length - 1;
}

export const meanCount = (counts: Float64Array): number => counts.reduce((sum, chance, n) => sum + n * chance, 0);

/**
 * How many must be there when an order is made so that the shelf is not empty before it comes, with this probability.
 * @param service 0 to 1, such as 0.95
 */
export const reorderPoint = (
  lateness: Lateness,
  parts: readonly Wanted[],
  { leadWeeks, service }: { readonly leadWeeks: number; readonly service: number },
): number => countAt(countsWithin(lateness, parts, Math.max(1, Math.ceil(leadWeeks))), service);
