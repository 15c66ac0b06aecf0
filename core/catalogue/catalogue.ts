/** The catalogue: what machines there are, what is served on them, and how. Data, checked when it is loaded. */
import { GRADES } from '../due/grades.ts';
import { PRACTICES } from '../due/practice.ts';
import { condensateDrain, returnFilter } from './procedures/airHandler.ts';
import { dishwasherFilter } from './procedures/dishwasher.ts';
import { duct, lintScreen } from './procedures/dryer.ts';
import { doorSeals } from './procedures/refrigerator.ts';
import { doorBoot, drainPumpFilter } from './procedures/washer.ts';
import type { MachineType, PointKind, Procedure } from './types.ts';

/** Raised whenever a procedure or a machine type changes; every record names the one it was done by. */
export const CATALOGUE_VERSION = 1;

export const POINT_KINDS: readonly PointKind[] = ['filter', 'screen', 'seal', 'drain', 'coil', 'duct', 'fan', 'tub', 'sensor'];

/** What may be found in a filter, a trap or a fold. It tells household from machine. */
export const FINDS = ['coin', 'clip', 'crayon', 'glass', 'seed', 'label', 'lint', 'hair', 'grease', 'scale', 'growth', 'other'] as const;
export type Find = (typeof FINDS)[number];

/** In catalogue order, which is also the order of a sitting: filters before what they protect. */
const ALL: readonly Procedure[] = [
  returnFilter, condensateDrain, duct, lintScreen, dishwasherFilter, drainPumpFilter, doorBoot, doorSeals,
];

export const procedures: ReadonlyMap<string, Procedure> = new Map(ALL.map((it) => [it.key, checked(it)]));

const TYPES: readonly MachineType[] = [
  { key: 'airHandler', fuels: ['electric', 'gas'], points: ['airHandler.returnFilter', 'airHandler.condensateDrain'], drains: true },
  { key: 'dryer', fuels: ['electric', 'gas'], points: ['dryer.lintScreen', 'dryer.duct'], drains: false },
  { key: 'dishwasher', fuels: ['electric'], points: ['dishwasher.filter'], drains: true },
  { key: 'washer', fuels: ['electric'], points: ['washer.drainPumpFilter', 'washer.doorBoot'], drains: true },
  { key: 'refrigerator', fuels: ['electric'], points: ['refrigerator.doorSeals'], drains: false },
];

export const machineTypes: ReadonlyMap<string, MachineType> = new Map(TYPES.map((type) => [type.key, type]));

/** @throws RangeError for a key that the catalogue does not know */
export function procedureOf(key: string): Procedure {
  const procedure = procedures.get(key);
  if (!procedure) throw new RangeError(`no such procedure: ${key}`);
  return procedure;
}

/** @throws RangeError for a key that the catalogue does not know */
export function machineTypeOf(key: string): MachineType {
  const type = machineTypes.get(key);
  if (!type) throw new RangeError(`no such machine type: ${key}`);
  return type;
}

/** Minutes that nobody stands beside: soaks, runs and drying. */
export function waitMinutes(procedure: Procedure): number {
  return procedure.steps
    .flatMap(({ needs }) => needs)
    .reduce((sum, need) => (need.kind === 'timer' ? sum + need.minutes : sum), 0);
}

function checked(procedure: Procedure): Procedure {
  const { key, days, steps } = procedure;
  const wrong = (what: string) => new Error(`catalogue: ${key}: ${what}`);
  if (PRACTICES.some((practice) => !(days[practice] > 0))) throw wrong('an interval must be above zero');
  if (days.watchful > days.steady || days.steady > days.light) throw wrong('watchful ≤ steady ≤ light');
  const needs = steps.flatMap((step) => step.needs);
  const names = needs.map((need) => `${need.kind} ${need.key}`);
  if (new Set(names).size !== names.length) throw wrong('a need is asked twice');
  if (!needs.some((need) => need.kind === 'grade')) throw wrong(`no grade (${GRADES.join(', ')})`);
  const removable = procedure.kind === 'filter' || procedure.kind === 'screen';
  if (removable && !needs.some((need) => need.kind === 'photo' && need.key === 'out')) {
    throw wrong('a filter or screen is proven out of the machine');
  }
  return procedure;
}
