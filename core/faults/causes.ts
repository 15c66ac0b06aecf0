/**
 * Causes: what may be behind a symptom, coded, so that closings can be counted. Their order is the trade's, from the
 * likeliest; minutes and natures are ours. A closing names one of them, or `other`.
 */
import { familyOf, pointLike } from '../catalogue/machines.ts';
import type { Level } from '../catalogue/types.ts';
import { BEHIND, CAUSE_TABLE, NEVER, TEST_MINUTES, type Nature } from './causeTable.ts';
import { groupOfSymptom } from './groups.ts';
import { OTHER } from './other.ts';
import { symptomsOf } from './symptoms.ts';

export interface Cause {
  readonly key: string;
  /** Null for what nobody has named. */
  readonly nature: Nature | null;
  /** Who may put it right. */
  readonly level: Level;
  /** Minutes to put it right and to test whether it was that. Ours. */
  readonly minutes: number;
  /** The service point whose procedure cures it. */
  readonly point: string | null;
}

/** Whoever is above looks for themselves. */
const NOBODY_NAMED: Cause = { key: OTHER, nature: null, level: 'licensed', minutes: 60, point: null };

const CAUSES: ReadonlyMap<string, Cause> = new Map(
  Object.entries(CAUSE_TABLE).map(([key, [nature, level, minutes, point = null]]) => [
    key,
    { key, nature, level, minutes, point },
  ]),
);

/** Ours: how much less likely each next cause of a list is. */
const FALL = 0.6;
/** Ours: the share of what no list names. */
const UNNAMED = 0.05;

export interface Suspect {
  readonly cause: Cause;
  /** Its share of the faults with this symptom, as the order of the trade's list has it; with the others adds up to 1. */
  readonly odds: number;
}

/** @throws RangeError for a key that is not on the list */
export function causeOf(key: string): Cause {
  const found = key === OTHER ? NOBODY_NAMED : CAUSES.get(key);
  if (!found) throw new RangeError(`no such cause: ${key}`);
  return found;
}

/** Whether the catalogue has, or still has, a cause of that key. */
export const isCause = (key: string): boolean => key === OTHER || CAUSES.has(key);

/**
 * What may be behind a symptom on a type of machine, the likeliest first, `other` last. A service point that the type
 * has under another name is that one; a cause that no point of the type cures keeps none.
 */
export function suspectsOf(machineType: string, symptom: string): Suspect[] {
  const ranked = (BEHIND[symptom] ?? []).flatMap((keys, rank) =>
    keys
      .split(' ')
      .filter((key) => !NEVER[machineType]?.includes(key))
      .map((key) => ({ cause: onType(machineType, causeOf(key)), weight: FALL ** rank })),
  );
  const whole = ranked.reduce((sum, { weight }) => sum + weight, 0);
  if (whole === 0) return [{ cause: NOBODY_NAMED, odds: 1 }];
  return [
    ...ranked.map(({ cause, weight }) => ({ cause, odds: (weight / whole) * (1 - UNNAMED) })),
    { cause: NOBODY_NAMED, odds: UNNAMED },
  ];
}

const onType = (machineType: string, cause: Cause): Cause => ({
  ...cause,
  minutes: cause.minutes + (TEST_MINUTES[familyOf(machineType)] ?? 0),
  point: cause.point && (pointLike(machineType, cause.point) ?? null),
});

/**
 * What a closing may name: the causes of the symptom and of those that say the same, first; then all that any symptom
 * of the machine may come of, since a fault may be told under the wrong name; `other` last.
 */
export function causesToName(machineType: string, symptom: string): Cause[] {
  const group = groupOfSymptom(symptom);
  const own = symptomsOf(machineType).map(({ key }) => key);
  const same = own.filter((key) => groupOfSymptom(key) === group);
  const named = new Map(
    [symptom, ...same, ...own]
      .flatMap((key) => suspectsOf(machineType, key))
      .filter(({ cause: { key } }) => key !== OTHER)
      .map(({ cause }) => [cause.key, cause]),
  );
  return [...named.values(), NOBODY_NAMED];
}
