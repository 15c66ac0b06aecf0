/**
 * Suspicion: how likely it is that something is wrong with a machine that comes back, against faults that a frail but
 * sound machine has by chance.
 *
 * A filter for a hidden onset, for each symptom group of a machine. Before the onset faults come at the catalogue's
 * rate times a frailty of the machine and one of the group, both gamma; after it at so many times the machine's
 * base rate more, mostly of one cause. Between faults everything is in closed form, so that looking again costs
 * nothing. What the other groups had says how frail the machine is. Counting from the register's beginning instead
 * would dilute whatever began late.
 */
import { DAYS_A_YEAR } from '../calendar/day.ts';
import { NODES, nodesOf } from './frailty.ts';

/** What a group of symptoms does on a sound machine. */
export interface GroupRate {
  /** Faults a machine-year. */
  readonly perYear: number;
  /** How its faults share out over its causes; adds up to 1. */
  readonly causes: readonly number[];
}

export interface SeenFault {
  /** Days since the machine has been in the register; not before the fault ahead of it. */
  readonly day: number;
  /** Index of its group. */
  readonly group: number;
  /** Index of its cause; null where the closing has none, or it is open. */
  readonly cause: number | null;
}

/** Ours: how often something begins to be wrong, how much more often faults then come, how much of it is one cause. */
export interface SuspicionModel {
  readonly machineSpread: number;
  readonly groupSpread: number;
  /** Onsets a machine-year, over all groups. */
  readonly onsetsAYear: number;
  /** Rates after an onset, as multiples of the machine's base rate. */
  readonly ratios: readonly number[];
  readonly ofOneCause: number;
}

export const SUSPICION: SuspicionModel = {
  machineSpread: 0.5,
  groupSpread: 0.5,
  onsetsAYear: 0.02,
  ratios: [4, 8, 16],
  ofOneCause: 0.85,
};

/** Spread of how often sound machines fail in a group: of the product of both frailties. */
export const FRAILTY_SPREAD = Math.sqrt((1 + SUSPICION.machineSpread ** 2) * (1 + SUSPICION.groupSpread ** 2) - 1);

/** Something began to be wrong in a group, as far as its faults until a day say. */
export interface Suspicion {
  readonly group: number;
  /** Probability that the onset is past, 0 to 1. */
  readonly probability: number;
  /** The cause that it would most likely be; null where no closing was coded. */
  readonly cause: number | null;
  /** How likely each ratio of the model is, where the onset is past; adds up to 1. */
  readonly ratios: readonly number[];
}

/**
 * The suspicion after each fault of a machine, in the group of that fault.
 * @param faults in the order of their days
 * @throws RangeError where a rate is not positive, or a fault names a group or cause that is not there, or goes back
 */
export function suspicions(
  groups: readonly GroupRate[],
  faults: readonly SeenFault[],
  model: SuspicionModel = SUSPICION,
): Suspicion[] {
  if (!groups.every(({ perYear }) => perYear > 0)) throw new RangeError('every group needs a rate above 0');
  if (faults.length === 0) return [];
  const base = groups.reduce((sum, { perYear }) => sum + perYear, 0) / DAYS_A_YEAR;
  // A group without a fault says how frail the machine is by its count alone, and needs no filter.
  const filters = groups.map((group, g) =>
    faults.some((fault) => fault.group === g) ? new GroupFilter(group, base, groups.length, model) : null,
  );
  const machines = nodesOf(model.machineSpread);
  let last = 0;
  return faults.map(({ day, group, cause }) => {
    const filter = filters[group];
    if (!filter) throw new RangeError(`no such group: ${group}`);
    if (day < last) throw new RangeError(`faults go back in time: ${day} after ${last}`);
    last = day;
    filter.passTo(day);
    filter.see(cause);
    // How frail the machine is, as its other groups tell: their counts, each with its own frailty integrated out.
    const weights = machines.map((machine) =>
      filters.reduce(
        (weight, other, g) =>
          g === group ? weight : weight * countLikelihood(groups[g]!, other?.count ?? 0, machine, day, model),
        1,
      ),
    );
    return { group, ...filter.suspicion(weights) };
  });
}

/** Likelihood, up to what all machines share, of a group's count until a day on a sound machine of a frailty. */
function countLikelihood(
  { perYear }: GroupRate,
  count: number,
  machine: number,
  day: number,
  { groupSpread }: SuspicionModel,
): number {
  const shape = 1 / groupSpread ** 2;
  const expected = (perYear / DAYS_A_YEAR) * machine * day;
  return machine ** count * (shape / (shape + expected)) ** (shape + count);
}

class GroupFilter {
  private readonly rate: number;
  private readonly hazard: number;
  private readonly frailties: readonly number[];
  /** Likelihood of what was seen with no onset yet, and with one past, by ratio and cause; per frailty. */
  private before: Float64Array;
  private after: Float64Array[];
  private day = 0;
  count = 0;
  private coded = false;

  constructor(
    private readonly group: GroupRate,
    private readonly base: number,
    groups: number,
    private readonly model: SuspicionModel,
  ) {
    this.rate = group.perYear / DAYS_A_YEAR;
    this.hazard = model.onsetsAYear / groups / DAYS_A_YEAR;
    const own = nodesOf(model.groupSpread);
    this.frailties = nodesOf(model.machineSpread).flatMap((machine) => own.map((it) => machine * it));
    this.before = new Float64Array(this.frailties.length).fill(1);
    this.after = this.frailties.map(() => new Float64Array(model.ratios.length * group.causes.length));
  }

  /** Nothing was seen until this day. */
  passTo(day: number): void {
    const { ratios } = this.model;
    const { causes } = this.group;
    const passed = day - this.day;
    this.day = day;
    this.frailties.forEach((frailty, z) => {
      const leave = this.rate * frailty + this.hazard;
      const after = this.after[z]!;
      for (let r = 0; r < ratios.length; r += 1) {
        const rate = this.rate * frailty + (ratios[r]! - 1) * this.base;
        const stay = Math.exp(-rate * passed);
        // Onset somewhere in between: the integral over its day of staying before it and after it.
        const apart = rate - leave;
        const begun =
          Math.abs(apart * passed) < 1e-9
            ? passed * Math.exp(-leave * passed)
            : (Math.exp(-leave * passed) - stay) / apart;
        for (let c = 0; c < causes.length; c += 1) {
          const i = r * causes.length + c;
          const share = (this.hazard / ratios.length) * causes[c]!;
          after[i] = after[i]! * stay + this.before[z]! * share * begun;
        }
      }
      this.before[z] = this.before[z]! * Math.exp(-leave * passed);
    });
  }

  /** A fault on the day that was passed to. */
  see(cause: number | null): void {
    const { ratios, ofOneCause } = this.model;
    const { causes } = this.group;
    if (cause !== null && causes[cause] === undefined) throw new RangeError(`no such cause: ${cause}`);
    this.count += 1;
    this.coded ||= cause !== null;
    const usual = cause === null ? 1 : causes[cause]!;
    let most = 0;
    this.frailties.forEach((frailty, z) => {
      const chance = this.rate * frailty * usual;
      const after = this.after[z]!;
      for (let r = 0; r < ratios.length; r += 1)
        for (let c = 0; c < causes.length; c += 1) {
          const others = causes.length > 1 ? (1 - ofOneCause) / (causes.length - 1) : 0;
          const its = cause === c ? ofOneCause : others;
          const fits = cause === null ? 1 : its;
          const i = r * causes.length + c;
          after[i] = after[i]! * (chance + (ratios[r]! - 1) * this.base * fits);
          most = Math.max(most, after[i]!);
        }
      this.before[z] = this.before[z]! * chance;
      most = Math.max(most, this.before[z]!);
    });
    // Only proportions matter; kept near 1, so that long histories do not vanish.
    this.before = this.before.map((it) => it / most);
    this.after = this.after.map((it) => it.map((likelihood) => likelihood / most));
  }

  /** @param weights of the machine's frailty, by node */
  suspicion(weights: readonly number[]): Omit<Suspicion, 'group'> {
    const { causes } = this.group;
    const byCause = new Float64Array(causes.length);
    const byRatio = new Float64Array(this.model.ratios.length);
    let before = 0;
    this.frailties.forEach((_, z) => {
      const weight = weights[Math.floor(z / NODES)]!;
      before += weight * this.before[z]!;
      this.after[z]!.forEach((likelihood, i) => {
        byCause[i % causes.length]! += weight * likelihood;
        byRatio[Math.floor(i / causes.length)]! += weight * likelihood;
      });
    });
    const after = byCause.reduce((sum, it) => sum + it, 0);
    return {
      probability: after / (before + after),
      cause: this.coded ? byCause.indexOf(Math.max(...byCause)) : null,
      ratios: [...byRatio].map((it) => it / after),
    };
  }
}
