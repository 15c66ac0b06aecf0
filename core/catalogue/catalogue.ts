/** The catalogue: what machines there are, what is served on them, and how. Data, checked when it is loaded. */
import { definedProcedure, machinesDefinedBy } from './defined.ts';
import { GRADES } from './grades.ts';
import { SCHOOLS } from './practice.ts';
import { methods, optionOf } from './methods.ts';
import * as air from './procedures/air.ts';
import * as airHandler from './procedures/airHandler.ts';
import * as condenserDryer from './procedures/condenserDryer.ts';
import * as dishwasher from './procedures/dishwasher.ts';
import * as drains from './procedures/drains.ts';
import * as dryer from './procedures/dryer.ts';
import * as hood from './procedures/hood.ts';
import * as refrigerator from './procedures/refrigerator.ts';
import * as washer from './procedures/washer.ts';
import * as washerDryer from './procedures/washerDryer.ts';
import { contractorVisit } from './procedures/contractor.ts';
import { PART_KINDS, type Need, type Choices, type PointKind, type Procedure } from './types.ts';

/** Raised whenever a procedure or a machine type changes; every record names the one it was done by. */
export const CATALOGUE_VERSION = 6;

export const POINT_KINDS: readonly PointKind[] = [...PART_KINDS, 'visit'];

/** Kinds that are tested or reported on, and have no condition of their own. */
const UNGRADED: readonly PointKind[] = ['sensor', 'visit'];

/** What may be found in a filter, a trap or a fold. It tells household from machine. */
export const FINDS = [
  'coin',
  'clip',
  'crayon',
  'glass',
  'seed',
  'label',
  'lint',
  'hair',
  'grease',
  'scale',
  'growth',
  'other',
] as const;
export type Find = (typeof FINDS)[number];

/** A procedure as the chosen methods make it. */
export type Build = (choices: Choices) => Procedure;

/** In catalogue order, which is also the order of a sitting: filters before what they protect. */
const BUILDS: readonly (Procedure | Build)[] = [
  airHandler.returnFilter,
  airHandler.mediaFilter,
  airHandler.registers,
  airHandler.condensateTrap,
  airHandler.condensateDrain,
  airHandler.floatSwitch,
  airHandler.coolingCheck,
  air.outdoorCoil,
  air.thermostatBattery,
  air.preFilter,
  air.ioniser,
  air.needles,
  air.deodorisingCatalyst,
  air.pleatedFilter,
  air.sensorInlet,
  hood.greaseFilter,
  hood.hoodHousing,
  hood.charcoalFilter,
  air.bathGrille,
  air.bathMotor,
  dryer.duct,
  dryer.transitionHose,
  dryer.lintScreen,
  dryer.screenSlot,
  dryer.outdoorHood,
  dryer.drumSeal,
  dryer.cabinetBack,
  condenserDryer.fluffFilter,
  condenserDryer.condenserUnit,
  condenserDryer.condenserBay,
  condenserDryer.condenserDrumSeal,
  washer.drainPumpFilter,
  washer.lintTrap,
  washer.doorBoot,
  washer.drawer,
  washer.tub,
  washerDryer.lintPumpFilter,
  washerDryer.lintBoot,
  washerDryer.washerCondenser,
  dishwasher.dishwasherFilter,
  dishwasher.sump,
  dishwasher.sprayArms,
  dishwasher.racks,
  dishwasher.dishwasherDoorSeal,
  dishwasher.interiorWash,
  dishwasher.drainPump,
  refrigerator.condenserCoil,
  refrigerator.rearFan,
  refrigerator.doorSeals,
  refrigerator.waterFilter,
  refrigerator.iceMaker,
  refrigerator.defrostDrain,
  refrigerator.temperatures,
  refrigerator.freezerTemperature,
  drains.disposerClean,
  drains.drainDose,
  contractorVisit,
];

const build = (it: Procedure | Build, choices: Choices): Procedure =>
  checked(typeof it === 'function' ? it(choices) : it);

const byKey = new Map(BUILDS.map((it) => [build(it, {}).key, it]));

/** Every procedure with our own methods. */
export const procedures: ReadonlyMap<string, Procedure> = new Map(
  BUILDS.map((it) => build(it, {})).map((it) => [it.key, it]),
);

export { findMachineType, machineTypes, machineTypeOf, machineTypesOf, registrable } from './machines.ts';

const variants = new Map<string, Procedure>();

/** Every procedure of ours, and those of an office's own machines, with our own methods. */
export const proceduresOf = (owner: string): Procedure[] => [
  ...procedures.values(),
  ...machinesDefinedBy(owner).flatMap((it) => it.procedures),
];

/** A procedure of ours or of an office, with our own methods; undefined for a key that nobody knows. */
export const findProcedure = (key: string): Procedure | undefined => procedures.get(key) ?? definedProcedure(key);

/**
 * A procedure, as the chosen methods make it.
 * @throws RangeError for a key that the catalogue does not know
 */
export function procedureOf(key: string, choices: Choices = {}): Procedure {
  const standard = findProcedure(key);
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

/** Minutes that nobody stands beside: soaks, runs and drying. */
export function waitMinutes(procedure: Procedure): number {
  return waitsOf(procedure.steps.filter((step) => step.when === undefined).flatMap(({ needs }) => needs));
}

/** Minutes of the waits and runs among some needs. */
export const waitsOf = (needs: readonly Need[]): number =>
  needs.reduce((sum, need) => (need.kind === 'timer' ? sum + need.minutes : sum), 0);

function checked(procedure: Procedure): Procedure {
  const problem = procedureProblem(procedure);
  if (problem !== null) throw new Error(`catalogue: ${procedure.key}: ${problem}`);
  return procedure;
}

/** Whether a part of a kind is taken out to be served, and proven out of the machine. */
export function isRemovable(kind: PointKind): boolean {
  return kind === 'filter' || kind === 'screen';
}

/** What is wrong with a procedure by itself; null where nothing is. */
export function procedureProblem(procedure: Procedure): string | null {
  const { days, steps } = procedure;
  if (SCHOOLS.some((school) => !(days[school] > 0))) return 'an interval must be above zero';
  if (days.watchful > days.steady || days.steady > days.light) return 'watchful ≤ steady ≤ light';
  const needs = steps.flatMap((step) => step.needs);
  const names = needs.map((need) => `${need.kind} ${need.key}`);
  if (new Set(names).size !== names.length) return 'a need is asked twice';
  if (!UNGRADED.includes(procedure.kind) && !needs.some((need) => need.kind === 'grade'))
    return `no grade (${GRADES.join(', ')})`;
  if (isRemovable(procedure.kind) && !needs.some((need) => need.kind === 'photo' && need.key === 'out')) {
    return 'a filter or screen is proven out of the machine';
  }
  return null;
}
