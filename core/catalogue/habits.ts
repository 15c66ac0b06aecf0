/**
 * Habits: every-use duties. Nobody schedules two hundred lint screens a year: a habit is taught on a card,
 * attested by the tenant on a rhythm, and spot-checked by staff. The rhythms of attesting are the product's own
 * assumption: the
 * trade states the habits, not how often to ask.
 */
import type { PracticeDays } from './practice.ts';
import { familyOf } from './machines.ts';

export interface Habit {
  /** Also where its words are: `habit.<key>`, `.how`, `.why`. */
  readonly key: string;
  /** Of the whole family. */
  readonly machineType: string;
  /** Types of the family that have no such part. */
  readonly without?: readonly string[];
  /** Days between two attestings. */
  readonly attestDays: PracticeDays;
}

const monthly: PracticeDays = { watchful: 30, steady: 30, light: 90 };
const assumed: PracticeDays = { watchful: 60, steady: 60, light: 60 };

export const HABITS: readonly Habit[] = [
  { key: 'dryer.lintEachLoad', machineType: 'dryer', attestDays: monthly },
  { key: 'washer.doorOpen', machineType: 'washer', attestDays: monthly },
  { key: 'washer.pockets', machineType: 'washer', attestDays: monthly },
  { key: 'washer.bootWipe', machineType: 'washer', attestDays: monthly, without: ['topWasher'] },
  { key: 'dishwasher.rinseAid', machineType: 'dishwasher', attestDays: assumed },
  { key: 'washer.dose', machineType: 'washer', attestDays: assumed },
  { key: 'dishwasher.dose', machineType: 'dishwasher', attestDays: assumed },
  { key: 'dishwasher.scrape', machineType: 'dishwasher', attestDays: assumed },
  { key: 'dryer.cleanOnly', machineType: 'dryer', attestDays: assumed },
  { key: 'condenserDryer.fluffEachLoad', machineType: 'condenserDryer', attestDays: monthly },
  { key: 'condenserDryer.tank', machineType: 'condenserDryer', attestDays: assumed },
  { key: 'condenserDryer.cleanOnly', machineType: 'condenserDryer', attestDays: assumed },
  { key: 'disposer.beforeDishwasher', machineType: 'disposer', attestDays: assumed },
];

/** Those of a machine's family; a top-load washer has no boot to wipe. */
export const habitsOf = (machineType: string): readonly Habit[] =>
  HABITS.filter((habit) => habit.machineType === familyOf(machineType) && !habit.without?.includes(machineType));

/** @throws RangeError for a key that is not on the list */
export function habitOf(key: string): Habit {
  const found = HABITS.find((habit) => habit.key === key);
  if (!found) throw new RangeError(`no such habit: ${key}`);
  return found;
}
