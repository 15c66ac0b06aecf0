/** The truth of faults: machines that are frail by nature, and bad ones with something wrong that comes back (T1). */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import { gammaDraw, shareDraw, type Random } from '../statistics/random.ts';

/** Shares of the five symptom groups, and of the four causes within each: the truth's own, fixed. */
export const GROUP_SHARES = [0.4, 0.25, 0.15, 0.12, 0.08] as const;
export const CAUSE_SHARES = [0.45, 0.25, 0.2, 0.1] as const;
/** Of a bad machine's extra faults, those of its one cause. */
export const OF_ONE_CAUSE = 0.85;

/** What is wrong with a bad machine: faults at so many times the base rate, or a hose that gives way every 70 days. */
export const WRONGS = { R3: 3, R6: 6, R12: 12, hose: null } as const;
export type Wrong = keyof typeof WRONGS;
const HOSE = { everyDays: 70, variation: 0.25 };

export interface FaultTruth {
  /** Faults a machine-year over all groups. */
  readonly base: number;
  /** Coefficients of variation of the frailty of a machine, and of a machine and group. */
  readonly machineSpread: number;
  readonly groupSpread: number;
  /** Closings whose cause is coded, 0 to 1. */
  readonly coded: number;
  readonly years: number;
}

export const ORDINARY: FaultTruth = { base: 0.3, machineSpread: 0.5, groupSpread: 0.5, coded: 0.8, years: 3 };

/** One distinct reported fault. */
export interface TrueFault {
  /** Days since the register began. */
  readonly day: number;
  readonly group: number;
  /** Null where the closing was not coded. */
  readonly cause: number | null;
  /** It belongs to what is wrong with a bad machine. */
  readonly planted: boolean;
}

export interface TrueMachine {
  readonly faults: readonly TrueFault[];
  /** The group in which something is wrong; null for a good machine, however frail. */
  readonly badGroup: number | null;
}

/** Draws a machine's faults. @param wrong null for a good machine */
export function drawMachine(random: Random, truth: FaultTruth, wrong: Wrong | null): TrueMachine {
  const days = truth.years * DAYS_A_YEAR;
  const machine = frailty(random, truth.machineSpread);
  const faults: TrueFault[] = GROUP_SHARES.flatMap((share, group) => {
    const rate = (truth.base * share * machine * frailty(random, truth.groupSpread)) / DAYS_A_YEAR;
    return poissonDays(random, rate, 0, days).map((day) => ({
      day,
      group,
      cause: coded(random, truth, shareDraw(random, CAUSE_SHARES)),
      planted: false,
    }));
  });
  if (wrong === null) return { faults: faults.sort(byDay), badGroup: null };
  const badGroup = shareDraw(random, GROUP_SHARES);
  const its = shareDraw(random, CAUSE_SHARES);
  const onset = random() * DAYS_A_YEAR;
  const ratio = WRONGS[wrong];
  const extra =
    ratio === null
      ? hoseDays(random, onset, days)
      : poissonDays(random, ((ratio - 1) * truth.base) / DAYS_A_YEAR, onset, days);
  for (const day of extra) {
    const cause = random() < OF_ONE_CAUSE ? its : (its + 1 + Math.floor(random() * 3)) % CAUSE_SHARES.length;
    faults.push({ day, group: badGroup, cause: coded(random, truth, cause), planted: true });
  }
  return { faults: faults.sort(byDay), badGroup };
}

const byDay = (a: TrueFault, b: TrueFault) => a.day - b.day;
const coded = (random: Random, { coded }: FaultTruth, cause: number) => (random() < coded ? cause : null);

/** A frailty of mean 1. */
const frailty = (random: Random, spread: number) => gammaDraw(random, 1 / spread ** 2, spread ** 2);

function poissonDays(random: Random, rate: number, from: number, to: number): number[] {
  const days: number[] = [];
  for (let day = from; ;) {
    day -= Math.log(1 - random()) / rate;
    if (day >= to) return days;
    days.push(day);
  }
}

function hoseDays(random: Random, from: number, to: number): number[] {
  const shape = 1 / HOSE.variation ** 2;
  const days: number[] = [];
  for (let day = from; ;) {
    day += gammaDraw(random, shape, HOSE.everyDays / shape);
    if (day >= to) return days;
    days.push(day);
  }
}
