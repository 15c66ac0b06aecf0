/**
 * Lessons: what the conditions found say about a point's speed.
 *
 * A grade is read after the exposure since the service before it. The first one teaches only on a machine
 * that was new, since on an older one nobody knows what was done before. Readings between two services
 * belong to one growth of load, whose last value says nearly all, so they share the weight of one by their
 * exposure; a look alone counts like a service.
 */
import { exposureBetween } from './exposure.ts';
import type { Condition, LineInputs } from './inputs.ts';
import type { Lesson } from './learning.ts';
import { GRADES } from '../catalogue/grades.ts';

export interface TaughtCondition {
  readonly condition: Condition;
  /** Loads at speed 1 since the part was fresh. */
  readonly exposure: number;
  /** 0 to 1; see above. */
  readonly weight: number;
}

type Taught = Pick<LineInputs, 'conditions' | 'newSince' | 'turnovers' | 'stretches' | 'days'>;

/** The conditions that teach, oldest first. */
export function taughtConditions({ conditions, newSince, stretches, days }: Taught): TaughtCondition[] {
  const taught: TaughtCondition[] = [];
  let fresh = newSince;
  let cycle: Omit<TaughtCondition, 'weight'>[] = [];
  for (const condition of conditions) {
    const exposure =
      fresh === null || condition.grade === null ? 0 : exposureBetween(stretches, fresh, condition.day, days.steady);
    if (exposure > 0) cycle.push({ condition, exposure });
    if (condition.kind === 'service') {
      taught.push(...sharing(cycle));
      cycle = [];
      fresh = condition.day;
    }
  }
  taught.push(...sharing(cycle));
  return taught;
}

/** Readings of one growth of load: together they weigh one. */
function sharing(cycle: readonly Omit<TaughtCondition, 'weight'>[]): TaughtCondition[] {
  const total = cycle.reduce((sum, { exposure }) => sum + exposure, 0);
  return cycle.map((it) => ({ ...it, weight: cycle.length === 1 ? 1 : it.exposure / total }));
}

/** The lessons in order, changes of tenancy among them. */
export function lessonsOf(taught: readonly TaughtCondition[], turnovers: readonly number[]): Lesson[] {
  const lessons: Lesson[] = [];
  let next = 0;
  for (const {
    condition: { day, grade },
    exposure,
    weight,
  } of taught) {
    for (; next < turnovers.length && turnovers[next]! <= day; next += 1)
      if (lessons.length > 0) lessons.push('turnover');
    lessons.push({ grade: grade!, exposure, weight });
  }
  if (lessons.length > 0) for (; next < turnovers.length; next += 1) lessons.push('turnover');
  return lessons;
}

/** Two grades of one growth of load that cannot both be right: the later one is two classes or more cleaner. */
export interface Contradiction {
  readonly earlier: Condition;
  readonly later: Condition;
}

/** Conditions found that cannot both be right, such as a part that got cleaner by itself. */
export function contradictions(conditions: readonly Condition[]): Contradiction[] {
  const found: Contradiction[] = [];
  let worst: Condition | undefined;
  for (const condition of conditions) {
    if (condition.grade !== null) {
      if (worst && GRADES.indexOf(worst.grade!) - GRADES.indexOf(condition.grade) >= 2)
        found.push({ earlier: worst, later: condition });
      if (!worst || GRADES.indexOf(condition.grade) > GRADES.indexOf(worst.grade!)) worst = condition;
    }
    if (condition.kind === 'service') worst = undefined;
  }
  return found;
}
