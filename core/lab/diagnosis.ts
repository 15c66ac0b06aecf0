/**
 * Judging diagnosis: the exact course beside two lists that a careful person might follow, each walked through on
 * tables whose odds and checks are not what the course believed.
 */
import { isBelow, type Level } from '../catalogue/types.ts';
import type { Suspect } from '../faults/causes.ts';
import { OTHER } from '../faults/other.ts';
import type { Check } from '../faults/checks.ts';
import {
  Course,
  HAND_OVER_MINUTES,
  startOf,
  yesOf,
  type Position,
  type Step,
  type Table,
} from '../faults/diagnosis.ts';

export type Policy = (at: Position) => Step;

const nextLevel = (level: Level) => (level === 'tenant' ? 'staff' : 'licensed');
const done = ({ tried }: Position, k: number) => (tried & (1 << k)) !== 0;
const may = ({ level }: Position, { cause }: Suspect) => cause.key !== OTHER && !isBelow(level, cause.level);

/** The exact course over a table. */
export const exact = (table: Table): Policy => {
  const course = new Course(table);
  return (at) => course.best(at).step;
};

/** List A: the remedies in the order of the list, each tested. */
export const remediesInOrder =
  ({ suspects }: Table): Policy =>
  (at) => {
    const k = suspects.findIndex((it, i) => !done(at, i) && may(at, it));
    return k === -1 ? { kind: 'handOver', to: nextLevel(at.level) } : { kind: 'remedy', key: suspects[k]!.cause.key };
  };

/** List B: down the list, of each cause its own check first, its remedy at a yes; then what is left as in list A. */
export const ownCheckFirst = (table: Table): Policy => {
  const { suspects, checks } = table;
  const rest = remediesInOrder(table);
  const ownOf = (at: Position, key: string) => {
    const own = checks
      .map((check, c) => ({ check, c }))
      .filter(({ check }) => check.causes.includes(key) && !isBelow(at.level, check.level));
    return own.sort((a, b) => a.check.causes.length - b.check.causes.length)[0];
  };
  return (at) => {
    for (const [k, suspect] of suspects.entries()) {
      if (done(at, k) || !may(at, suspect)) continue;
      const own = ownOf(at, suspect.cause.key);
      if (own && at.answers[own.c] === 0) return { kind: 'check', key: own.check.key };
      if (!own || at.answers[own.c] === 1) return { kind: 'remedy', key: suspect.cause.key };
    }
    return rest(at);
  };
};

/** Expected minutes until it is put right, by a policy, where the truth is this table. */
export function expectedMinutes(truth: Table, policy: Policy, level: Level): number {
  const walk = (at: Position, weights: readonly number[]): number => {
    const whole = weights.reduce((sum, it) => sum + it, 0);
    if (whole < 1e-12) return 0;
    const step = policy(at);
    if (step.kind === 'handOver') {
      const over = whole * HAND_OVER_MINUTES[step.to as 'staff' | 'licensed'];
      return step.to === 'staff'
        ? over + walk({ ...at, level: 'staff' }, weights)
        : over + truth.suspects.reduce((sum, { cause }, k) => sum + weights[k]! * cause.minutes, 0);
    }
    if (step.kind === 'remedy') {
      const k = truth.suspects.findIndex(({ cause }) => cause.key === step.key);
      return whole * truth.suspects[k]!.cause.minutes + walk({ ...at, tried: at.tried | (1 << k) }, weights.with(k, 0));
    }
    const c = truth.checks.findIndex(({ key }) => key === step.key);
    const check = truth.checks[c]!;
    const yes = truth.suspects.map(({ cause }) => yesOf(check, cause.key));
    const after = (answer: number, share: (k: number) => number) =>
      walk(
        { ...at, answers: at.answers.with(c, answer) },
        weights.map((it, k) => it * share(k)),
      );
    return whole * check.minutes + after(1, (k) => yes[k]!) + after(2, (k) => 1 - yes[k]!);
  };
  return walk(
    startOf(truth, level),
    truth.suspects.map(({ odds }) => odds),
  );
}

/** A table that is not quite what was believed: odds twice or half as high, checks better or worse by up to 0.15. */
export function perturbed({ suspects, checks }: Table, random: () => number): Table {
  const weights = suspects.map(({ odds }) => odds * 2 ** (2 * random() - 1));
  const whole = weights.reduce((sum, it) => sum + it, 0);
  const near = (value: number) => Math.min(0.99, Math.max(0.5, value + 0.3 * (random() - 0.5)));
  return {
    suspects: suspects.map((it, k) => ({ ...it, odds: weights[k]! / whole })),
    checks: checks.map((it): Check => ({
      ...it,
      sensitivity: near(it.sensitivity),
      specificity: near(it.specificity),
    })),
  };
}
