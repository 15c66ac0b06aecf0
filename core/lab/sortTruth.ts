/** The truth of sorts: machines with faults that come back for a known reason, in homes whose upkeep and people change. */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import type { Nature } from '../faults/causeTable.ts';
import type { PatternHistory, Sort, Stretch } from '../faults/sorting.ts';
import { gammaDraw, shareDraw, type Random } from '../statistics/random.ts';
import { CAUSE_SHARES, GROUP_SHARES, OF_ONE_CAUSE } from './faultTruth.ts';

export interface SortTruth {
  readonly base: number;
  /** How many times the base rate a planted pattern has while it holds. */
  readonly strength: number;
  readonly coded: number;
  readonly years: number;
  /** One household all the time, as in twins that nothing can tell apart. */
  readonly oneHousehold?: boolean;
}

export const SORT_TRUTH: SortTruth = { base: 0.3, strength: 8, coded: 0.7, years: 3 };

/** What the causes of every group come of, in the order of their shares. */
export const NATURES: readonly Nature[] = ['upkeep', 'installation', 'habit', 'age'];
const SPREAD = 0.5;
/** Intervals, how late services are, how long people stay: in days, the truth's own. */
const INTERVAL = 120;
const LATE = 40;
const STAY = 600;
/** Faults of a sound machine come this much oftener while its part is past the line. */
const PAST = 1.5;

/** A machine's history in one group; `planted`: what was wrong with it, null for chance. */
export function drawHistory(random: Random, truth: SortTruth, planted: Sort | null): PatternHistory {
  const days = truth.years * DAYS_A_YEAR;
  const group = shareDraw(random, GROUP_SHARES);
  const stretches = drawStretches(random, days, truth.oneHousehold === true);
  const frailty = gammaDraw(random, 1 / SPREAD ** 2, SPREAD ** 2) * gammaDraw(random, 1 / SPREAD ** 2, SPREAD ** 2);
  const sound = (truth.base * GROUP_SHARES[group]! * frailty) / DAYS_A_YEAR;
  const extra = ((truth.strength - 1) * truth.base) / DAYS_A_YEAR;
  const households = [...new Set(stretches.flatMap(({ household }) => household ?? []))];
  const bad = households[Math.floor(random() * households.length)];
  const onset = onsetOf(random, planted, days);
  const holds = (day: number, { past, household }: Stretch) => {
    if (planted === 'upkeep') return past;
    if (planted === 'habit') return household === bad;
    return planted !== null && day >= onset;
  };
  const its = NATURES.indexOf(planted ?? 'upkeep');
  const faults: { day: number; cause: number | null }[] = [];
  for (const stretch of stretches)
    for (let day = stretch.from; day < stretch.to; day += 1) {
      const see = (cause: number) => faults.push({ day, cause: random() < truth.coded ? cause : null });
      if (random() < sound * (stretch.past ? PAST : 1)) see(shareDraw(random, CAUSE_SHARES));
      if (holds(day, stretch) && random() < extra)
        see(random() < OF_ONE_CAUSE ? its : (its + 1 + Math.floor(random() * 3)) % NATURES.length);
    }
  return {
    base: truth.base,
    perYear: truth.base * GROUP_SHARES[group]!,
    causes: CAUSE_SHARES.map((share, k) => ({ share, nature: NATURES[k]! })),
    stretches,
    faults,
  };
}

function onsetOf(random: Random, planted: Sort | null, days: number): number {
  if (planted === 'installation') return random() < 0.5 ? 0 : random() * DAYS_A_YEAR;
  return (0.2 + 0.4 * random()) * days;
}

function drawStretches(random: Random, days: number, oneHousehold: boolean): Stretch[] {
  const changes = new Map<number, Partial<{ past: boolean; household: string }>>();
  const change = (day: number, to: Partial<{ past: boolean; household: string }>) => {
    const at = Math.round(day);
    if (at < days) changes.set(at, { ...changes.get(at), ...to });
  };
  for (let day = 0; day < days;) {
    change(day, { past: false });
    const late = -LATE * Math.log(1 - random()) - LATE / 2;
    if (late >= 1) change(day + INTERVAL, { past: true });
    day += INTERVAL + Math.round(Math.max(late, -INTERVAL / 2));
  }
  for (let day = 0, i = 0; day < days; i += 1) {
    change(day, { household: `household ${i}` });
    day += oneHousehold ? days : Math.max(60, -STAY * Math.log(1 - random()));
  }
  let now = { past: false, household: 'household 0' };
  const starts = [...changes.keys()].sort((a, b) => a - b);
  return starts.map((from, i) => {
    now = { ...now, ...changes.get(from) };
    return { from, to: starts[i + 1] ?? days, ...now };
  });
}
