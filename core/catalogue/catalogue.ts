/** The catalogue: what machines there are, what is served on them, and how. Data, checked when it is loaded. */
import { GRADES } from '../due/grades.ts';
import { SCHOOLS } from '../due/practice.ts';
import { methods, optionOf } from './methods.ts';
import { condensateDrain, coolingCheck, floatSwitch, returnFilter } from './procedures/airHandler.ts';
import { dishwasherDoorSeal, dishwasherFilter, interiorWash } from './procedures/dishwasher.ts';
import { duct, lintScreen } from './procedures/dryer.ts';
import { greaseFilter } from './procedures/hood.ts';
import { doorSeals, waterFilter } from './procedures/refrigerator.ts';
import { doorBoot, drainPumpFilter, drawer, tub } from './procedures/washer.ts';
import type { Choices, MachineType, PointKind, Procedure } from './types.ts';

/** Raised whenever a procedure or a machine type changes; every record names the one it was done by. */
export const CATALOGUE_VERSION = 2;

export const POINT_KINDS: readonly PointKind[] = ['filter', 'screen', 'seal', 'drain', 'coil', 'duct', 'fan', 'tub', 'sensor'];

/** What may be found in a filter, a trap or a fold. It tells household from machine. */
export const FINDS = ['coin', 'clip', 'crayon', 'glass', 'seed', 'label', 'lint', 'hair', 'grease', 'scale', 'growth', 'other'] as const;
export type Find = (typeof FINDS)[number];

/** A procedure as the chosen methods make it. */
export type Build = (choices: Choices) => Procedure;

/** In catalogue order, which is also the order of a sitting: filters before what they protect. */
const BUILDS: readonly (Procedure | Build)[] = [
  returnFilter, condensateDrain, floatSwitch, coolingCheck, duct, lintScreen, dishwasherFilter, dishwasherDoorSeal, interiorWash,
  drainPumpFilter, doorBoot, drawer, tub, doorSeals, waterFilter, greaseFilter,
];

const build = (it: Procedure | Build, choices: Choices): Procedure => checked(typeof it === 'function' ? it(choices) : it);

const byKey = new Map(BUILDS.map((it) => [build(it, {}).key, it]));

/** Every procedure with our own methods. */
export const procedures: ReadonlyMap<string, Procedure> = new Map(BUILDS.map((it) => build(it, {})).map((it) => [it.key, it]));

const TYPES: readonly MachineType[] = [
  { key: 'airHandler', fuels: ['electric', 'gas'], points: ['airHandler.returnFilter', 'airHandler.condensateDrain', 'airHandler.floatSwitch', 'airHandler.coolingCheck'], drains: true },
  { key: 'dryer', fuels: ['electric', 'gas'], points: ['dryer.lintScreen', 'dryer.duct'], drains: false },
  { key: 'dishwasher', fuels: ['electric'], points: ['dishwasher.filter', 'dishwasher.doorSeal', 'dishwasher.interiorWash'], drains: true },
  { key: 'washer', fuels: ['electric'], points: ['washer.drainPumpFilter', 'washer.doorBoot', 'washer.drawer', 'washer.tub'], drains: true },
  { key: 'refrigerator', fuels: ['electric'], points: ['refrigerator.doorSeals', 'refrigerator.waterFilter'], drains: false },
  { key: 'hood', fuels: ['electric'], points: ['hood.greaseFilter'], drains: false },
];

export const machineTypes: ReadonlyMap<string, MachineType> = new Map(TYPES.map((type) => [type.key, type]));

const variants = new Map<string, Procedure>();

/**
 * A procedure, as the chosen methods make it.
 * @throws RangeError for a key that the catalogue does not know
 */
export function procedureOf(key: string, choices: Choices = {}): Procedure {
  const standard = procedures.get(key);
  if (!standard) throw new RangeError(`no such procedure: ${key}`);
  const chosen = standard.follows.map((method) => optionOf(method, choices).key);
  if (standard.follows.every((method, i) => methods.get(method)!.options[0]!.key === chosen[i])) return standard;
  const name = `${key} ${chosen.join()}`;
  let variant = variants.get(name);
  if (!variant) variants.set(name, (variant = build(byKey.get(key)!, choices)));
  return variant;
}

/** The options in force that change a procedure, by their method. */
export function methodsOf({ follows }: Procedure, choices: Choices): Record<string, string> {
  return Object.fromEntries(follows.map((method) => [method, optionOf(method, choices).key]));
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
  if (SCHOOLS.some((school) => !(days[school] > 0))) throw wrong('an interval must be above zero');
  if (days.watchful > days.steady || days.steady > days.light) throw wrong('watchful ≤ steady ≤ light');
  const needs = steps.flatMap((step) => step.needs);
  const names = needs.map((need) => `${need.kind} ${need.key}`);
  if (new Set(names).size !== names.length) throw wrong('a need is asked twice');
  if (procedure.kind !== 'sensor' && !needs.some((need) => need.kind === 'grade')) throw wrong(`no grade (${GRADES.join(', ')})`);
  const removable = procedure.kind === 'filter' || procedure.kind === 'screen';
  if (removable && !needs.some((need) => need.kind === 'photo' && need.key === 'out')) {
    throw wrong('a filter or screen is proven out of the machine');
  }
  return procedure;
}
