/**
 * What recurs in a portfolio: groups of symptoms that come back on one machine oftener than its peers' chance explains.
 *
 * Every machine is held against the rates of its kind, which begin at the catalogue's and move with what this portfolio
 * has seen (gamma–Poisson), machines under suspicion left out, so that a bad one does not make its peers look frail.
 */
import { DAYS_A_YEAR, type Day } from '../calendar/day.ts';
import { grouped } from '../statistics/grouped.ts';
import { isAlarmSymptom } from './alarms.ts';
import { suspectsOf, type Suspect } from './causes.ts';
import { groupOfSymptom } from './groups.ts';
import { ratesIfWrong, type PossibleRate } from './remedies.ts';
import { suspicions, type GroupRate, type SeenFault, type Suspicion } from './suspicion.ts';
import { symptomsOf } from './symptoms.ts';

/** Ours: faults a machine-year over all its symptoms, before a portfolio has seen anything. */
export const CATALOGUE_FAULTS_A_YEAR = 0.3;
/** Ours: machine-years that the catalogue's rate counts for against what a portfolio has seen. */
export const CATALOGUE_YEARS = 20;
/** A machine that has stood here for less is no evidence either way: rates are per year. */
const LEAST_DAYS = 1;

interface Threshold {
  readonly base: number;
  readonly watch: number;
  readonly stated: number;
}

/**
 * From which probability a machine is *watched* (at most 5 false alarms in 1,000 good machine-years) and a pattern may
 * be *stated* (at most 1), by the base rate a machine-year: simulated on the truth T1, `bench:patterns`. In between by
 * the logarithm of the rate; outside as at the end.
 */
export const THRESHOLDS: Readonly<Record<'coded' | 'uncoded', readonly Threshold[]>> = {
  coded: [
    { base: 0.1, watch: 0.276, stated: 0.663 },
    { base: 0.3, watch: 0.481, stated: 0.823 },
    { base: 0.6, watch: 0.557, stated: 0.876 },
  ],
  uncoded: [
    { base: 0.1, watch: 0.286, stated: 0.728 },
    { base: 0.3, watch: 0.513, stated: 0.839 },
    { base: 0.6, watch: 0.595, stated: 0.898 },
  ],
};

export type PatternLevel = 'watch' | 'stated';

export interface MachineFaults {
  readonly id: string;
  readonly type: string;
  /** The day from which its faults would be known. */
  readonly sinceDay: Day;
  /** The last day on which they would be: retired, or today. */
  readonly untilDay: Day;
  /** `cause`: by which its closing names it; null where it is open, or was closed in words alone. */
  readonly faults: readonly {
    readonly id: string;
    readonly symptom: string;
    readonly day: Day;
    readonly cause: string | null;
  }[];
}

/** One machine on which a group of symptoms comes back. */
export interface Pattern {
  readonly machineId: string;
  /** The key of the symptom that names the group. */
  readonly group: string;
  readonly level: PatternLevel;
  /** Probability that something is wrong which comes back, after the latest fault of the group. */
  readonly probability: number;
  /** Its faults, the oldest first. */
  readonly faultIds: readonly string[];
  readonly firstDay: Day;
  readonly lastDay: Day;
  /** What a machine of this kind has of it in a year, and what this one would have had since it is known. */
  readonly peersAYear: number;
  readonly expected: number;
  /** Faults a machine-year of its kind over all groups. */
  readonly base: number;
  /** What it may have in a year if something is wrong, with how likely that is; weights add up to 1. */
  readonly rates: readonly PossibleRate[];
  /** The cause that most of its closings name, and how many do; null where none is named. */
  readonly cause: { readonly key: string; readonly count: number } | null;
}

/** The groups of a type of machine. An alarm is no symptom of a kind: whatever it was is a fault beside it. */
export const groupsOf = (machineType: string): string[] => [
  ...new Set(symptomsOf(machineType).map(({ key }) => groupOfSymptom(key))),
];

/**
 * The patterns of a portfolio as of a day: machines suspected after a fault of the last year, the surest first.
 * Faults outside a machine's days, alarms and symptoms that its type does not have are left out.
 */
export function patternsOf(machines: readonly MachineFaults[], today: Day): Pattern[] {
  const kinds = [...grouped(machines, ({ type }) => type)].filter(([type]) => groupsOf(type).length > 0);
  return kinds
    .flatMap(([type, peers]) => patternsOfKind(type, peers, today))
    .sort((a, b) => b.probability - a.probability || b.faultIds.length - a.faultIds.length);
}

interface Seen {
  readonly machine: MachineFaults;
  readonly faults: readonly {
    readonly id: string;
    readonly symptom: string;
    readonly day: Day;
    readonly named: string | null;
    readonly at: SeenFault;
  }[];
}

function patternsOfKind(type: string, machines: readonly MachineFaults[], today: Day): Pattern[] {
  const groups = groupsOf(type).map((key): Group => ({ key, causes: suspectsOf(type, key) }));
  const seen = machines.map((machine) => seenOf(groups, machine));
  const coded = isCoded(seen);
  const catalogue = groups.map(() => CATALOGUE_FAULTS_A_YEAR / groups.length);
  const before = ratesOf(groups, catalogue);
  const suspected = seen.map((it) => (repeats(it) ? suspectedIn(it, before, CATALOGUE_FAULTS_A_YEAR, coded) : NOTHING));
  const rates = fitted(groups, seen, suspected);
  const base = rates.reduce((sum, rate) => sum + rate, 0);
  const now = ratesOf(groups, rates);
  return seen.filter(repeats).flatMap(({ machine, faults }) => {
    const found = suspicionsOf(faults, now);
    const looks = faults.map((fault, i) => ({ ...fault, ...found[i]! }));
    return groups.flatMap(({ key }, g): Pattern[] => {
      const its = looks.filter((look) => look.group === g);
      const last = its.at(-1);
      if (!last || last.day <= today - DAYS_A_YEAR || its.length < 2) return [];
      const level = levelOf(last.probability, base, coded);
      if (!level) return [];
      return [
        {
          machineId: machine.id,
          group: key,
          level,
          probability: last.probability,
          faultIds: its.map(({ id }) => id),
          firstDay: its[0]!.day,
          lastDay: last.day,
          peersAYear: rates[g]!,
          base,
          rates: ratesIfWrong(last, rates[g]!, base),
          expected: (rates[g]! * daysOf(machine)) / DAYS_A_YEAR,
          cause: mostNamed(its.flatMap(({ named }) => named ?? [])),
        },
      ];
    });
  });
}

const daysOf = ({ sinceDay, untilDay }: MachineFaults) => Math.max(LEAST_DAYS, untilDay - sinceDay);

/** A group with its causes; how they share out on a sound machine the order of the trade's list says. */
interface Group {
  readonly key: string;
  readonly causes: readonly Suspect[];
}

const ratesOf = (groups: readonly Group[], rates: readonly number[]): GroupRate[] =>
  groups.map(({ causes }, g) => ({ perYear: rates[g]!, causes: causes.map(({ odds }) => odds) }));

/** Ours: from this share of closed faults with a cause on, the thresholds of coded closings hold (T1 has 0.8). */
const CODED_SHARE = 0.7;

function isCoded(seen: readonly Seen[]): boolean {
  const closed = seen.flatMap(({ faults }) => faults);
  return closed.length > 0 && closed.filter(({ named }) => named !== null).length >= CODED_SHARE * closed.length;
}

function mostNamed(named: readonly string[]): { key: string; count: number } | null {
  const counts = [...grouped(named, (key) => key)].map(([key, all]) => ({ key, count: all.length }));
  return counts.sort((a, b) => b.count - a.count)[0] ?? null;
}

function seenOf(groups: readonly Group[], machine: MachineFaults): Seen {
  const faults = machine.faults
    .filter(({ symptom, day }) => !isAlarmSymptom(symptom) && day >= machine.sinceDay && day <= machine.untilDay)
    .map((fault) => ({ ...fault, group: groups.findIndex(({ key }) => key === groupOfSymptom(fault.symptom)) }))
    .filter(({ group }) => group !== -1)
    .sort((a, b) => a.day - b.day)
    .map(({ group, cause, ...fault }) => ({
      ...fault,
      named: cause,
      at: {
        day: fault.day - machine.sinceDay,
        group,
        cause: cause === null ? null : indexOfCause(groups[group]!, cause),
      },
    }));
  return { machine, faults };
}

/** A cause that the group does not have, since the fault was told under another name, counts as *something else*. */
function indexOfCause({ causes }: Group, cause: string): number {
  const at = causes.findIndex((it) => it.cause.key === cause);
  return at === -1 ? causes.length - 1 : at;
}

/** Whether any of a machine's groups has a second fault: one alone does not come back. */
const repeats = ({ faults }: Seen) => new Set(faults.map(({ at }) => at.group)).size < faults.length;

const suspicionsOf = (faults: Seen['faults'], rates: readonly GroupRate[]): Suspicion[] =>
  suspicions(
    rates,
    faults.map(({ at }) => at),
  );

const NOTHING: ReadonlySet<number> = new Set();

/** The groups of a machine that were ever worth a watch. */
const suspectedIn = ({ faults }: Seen, rates: readonly GroupRate[], base: number, coded: boolean): Set<number> =>
  new Set(
    suspicionsOf(faults, rates)
      .filter(({ probability }) => levelOf(probability, base, coded) !== null)
      .map(({ group }) => group),
  );

/** Faults a machine-year of each group: the catalogue's and the portfolio's, by how much each has seen. */
function fitted(groups: readonly Group[], seen: readonly Seen[], suspected: readonly ReadonlySet<number>[]): number[] {
  return groups.map((_, g) => {
    let count = (CATALOGUE_FAULTS_A_YEAR / groups.length) * CATALOGUE_YEARS;
    let years = CATALOGUE_YEARS;
    seen.forEach(({ machine, faults }, i) => {
      if (suspected[i]!.has(g)) return;
      count += faults.filter(({ at }) => at.group === g).length;
      years += daysOf(machine) / DAYS_A_YEAR;
    });
    return count / years;
  });
}

/** What a probability is worth at a base rate; null below a watch. @param coded whether closings name their causes */
export function levelOf(probability: number, base: number, coded: boolean): PatternLevel | null {
  const thresholds = THRESHOLDS[coded ? 'coded' : 'uncoded'];
  if (probability >= thresholdAt(thresholds, base, 'stated')) return 'stated';
  return probability >= thresholdAt(thresholds, base, 'watch') ? 'watch' : null;
}

function thresholdAt(thresholds: readonly Threshold[], base: number, level: PatternLevel): number {
  const after = thresholds.findIndex((it) => it.base >= base);
  if (after <= 0) return thresholds.at(after === 0 ? 0 : -1)![level];
  const [low, high] = [thresholds[after - 1]!, thresholds[after]!];
  const share = Math.log(base / low.base) / Math.log(high.base / low.base);
  return low[level] + share * (high[level] - low[level]);
}
