/**
 * The judgement of suspicion on the truth T1: what is found of bad machines by their third and fourth fault, and how
 * often good ones are suspected, counted over all looks and groups.
 */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import { levelOf, type PatternLevel } from '../faults/patterns.ts';
import { suspicions, type GroupRate } from '../faults/suspicion.ts';
import { seeded } from '../statistics/random.ts';
import { CAUSE_SHARES, drawMachine, GROUP_SHARES, WRONGS } from './faultTruth.ts';
import type { FaultTruth, TrueMachine, Wrong } from './faultTruth.ts';

/** After each fault of a machine: its day, its group, whether it was planted, and the suspicion in its group. */
interface Look {
  readonly day: number;
  readonly group: number;
  readonly planted: boolean;
  readonly probability: number;
}

const groupsOf = ({ base, coded }: FaultTruth): GroupRate[] =>
  GROUP_SHARES.map((share) => ({ perYear: base * share, causes: coded > 0 ? [...CAUSE_SHARES] : [1] }));

function looksAt(truth: FaultTruth, { faults }: TrueMachine): Look[] {
  const found = suspicions(groupsOf(truth), faults);
  return faults.map(({ day, group, planted }, i) => ({ day, group, planted, probability: found[i]!.probability }));
}

/** Looks at good machines, with their machine-years. @param machines how many are drawn */
export function goodLooks(truth: FaultTruth, machines: number, seed: number) {
  const random = seeded(seed);
  const looks = Array.from({ length: machines }, () => looksAt(truth, drawMachine(random, truth, null)));
  return { looks, years: machines * truth.years };
}

/** False alarms in 1,000 good machine-years: at most one a machine in 365 days. */
export function falseAlarms({ looks, years }: ReturnType<typeof goodLooks>, alarms: (look: Look) => boolean): number {
  let count = 0;
  for (const machine of looks) {
    let quietUntil = -Infinity;
    for (const look of machine) {
      if (look.day < quietUntil || !alarms(look)) continue;
      count += 1;
      quietUntil = look.day + DAYS_A_YEAR;
    }
  }
  return (count / years) * 1000;
}

/** The lowest threshold that keeps within so many false alarms in 1,000 good machine-years. */
export function thresholdFor(good: ReturnType<typeof goodLooks>, budget: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i += 1) {
    const middle = (low + high) / 2;
    if (falseAlarms(good, ({ probability }) => probability >= middle) > budget) low = middle;
    else high = middle;
  }
  return high;
}

/** Whether a look is worth at least this level. */
export const reaches =
  ({ base, coded }: FaultTruth, wanted: PatternLevel) =>
  ({ probability }: Pick<Look, 'probability'>): boolean => {
    const level = levelOf(probability, base, coded > 0);
    return level === wanted || level === 'stated';
  };

/**
 * The share of bad machines, among those that had so many planted faults, that had reached a level in their group by
 * the last of them.
 */
export function foundBy(
  truth: FaultTruth,
  wrong: Wrong,
  faults: number,
  level: PatternLevel,
  { machines, seed }: { readonly machines: number; readonly seed: number },
): number {
  const random = seeded(seed);
  let [had, found] = [0, 0];
  for (let i = 0; i < machines; i += 1) {
    const machine = drawMachine(random, truth, wrong);
    const looks = looksAt(truth, machine);
    const last = looks.filter(({ planted }) => planted)[faults - 1];
    if (!last) continue;
    had += 1;
    const seen = looks.slice(0, looks.indexOf(last) + 1).filter(({ group }) => group === machine.badGroup);
    if (seen.some(reaches(truth, level))) found += 1;
  }
  return had === 0 ? 0 : found / had;
}

export const ALL_WRONGS = Object.keys(WRONGS) as Wrong[];
