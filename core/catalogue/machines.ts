/** The machines that a register may hold, and which service points each has. Order of points: that of the catalogue. */
import { definedMachine, machinesDefinedBy } from './defined.ts';
import type { MachineType } from './types.ts';

const type = (key: string, points: readonly string[], more: Partial<MachineType> = {}): MachineType => ({
  key,
  family: key,
  fuels: ['electric'],
  points,
  drains: false,
  ...more,
});
const of = (machine: string, ...points: string[]) => points.map((point) => `${machine}.${point}`);

const HANDLER_REST = of('airHandler', 'registers', 'condensateTrap', 'condensateDrain', 'floatSwitch', 'coolingCheck');
const COOLING_BOX = of('refrigerator', 'coil', 'rearFan', 'doorSeals');
const AIR_HANDLER: Partial<MachineType> = { family: 'airHandler', fuels: ['electric', 'gas'], drains: true };

const TYPES: readonly MachineType[] = [
  type('airHandler', ['airHandler.returnFilter', ...HANDLER_REST], AIR_HANDLER),
  type('mediaAirHandler', ['airHandler.mediaFilter', ...HANDLER_REST], AIR_HANDLER),
  // A home can have several: each with its place, size, direction and rating.
  type('returnGrille', ['airHandler.returnFilter']),
  type('outdoorUnit', of('outdoorUnit', 'coil')),
  type('thermostat', of('thermostat', 'battery')),
  type('airCleaner', of('airCleaner', 'preFilter', 'ioniser', 'needles', 'catalyst', 'pleatedFilter', 'sensorInlet')),
  type('hood', of('hood', 'greaseFilter', 'housing')),
  type('recirculatingHood', of('hood', 'greaseFilter', 'housing', 'charcoalFilter'), { family: 'hood' }),
  type('bathFan', of('bathFan', 'grille', 'motor')),
  type('dryer', of('dryer', 'duct', 'transitionHose', 'lintScreen', 'slot', 'outdoorHood', 'drumSeal', 'cabinet'), {
    fuels: ['electric', 'gas'],
  }),
  type('condenserDryer', of('condenserDryer', 'fluffFilter', 'condenser', 'bay', 'drumSeal'), { drains: true }),
  type('washer', of('washer', 'drainPumpFilter', 'doorBoot', 'drawer', 'tub'), { drains: true }),
  type('topWasher', of('washer', 'lintTrap', 'drawer', 'tub'), { family: 'washer', drains: true }),
  type(
    'washerDryer',
    [...of('washerDryer', 'drainPumpFilter', 'doorBoot'), ...of('washer', 'drawer', 'tub'), 'washerDryer.condenser'],
    { family: 'washer', drains: true },
  ),
  type(
    'dishwasher',
    of('dishwasher', 'filter', 'sump', 'sprayArms', 'racks', 'doorSeal', 'interiorWash', 'drainPump'),
    { drains: true },
  ),
  type('refrigerator', [
    ...COOLING_BOX,
    ...of('refrigerator', 'waterFilter', 'iceMaker', 'defrostDrain', 'temperatures'),
  ]),
  type('freezer', [...COOLING_BOX, 'refrigerator.defrostDrain', 'freezer.temperature']),
  type('disposer', of('disposer', 'clean'), { drains: true }),
  type('drains', of('drains', 'dose'), { drains: true }),
];

export const machineTypes: ReadonlyMap<string, MachineType> = new Map(TYPES.map((it) => [it.key, it]));

/** A machine of ours or of an office; undefined for a key that nobody knows. */
export const findMachineType = (key: string): MachineType | undefined =>
  machineTypes.get(key) ?? definedMachine(key)?.type;

/** A machine that an office may register: one of ours, or of its own. */
export const registrable = (key: string, owner: string): MachineType | undefined =>
  machineTypes.get(key) ?? (definedMachine(key)?.owner === owner ? definedMachine(key)!.type : undefined);

/** Ours, and those that an office has defined. */
export const machineTypesOf = (owner: string): MachineType[] => [
  ...machineTypes.values(),
  ...machinesDefinedBy(owner).map(({ type: it }) => it),
];

/** @throws RangeError for a key that the catalogue does not know */
export function machineTypeOf(key: string): MachineType {
  const found = findMachineType(key);
  if (!found) throw new RangeError(`no such machine type: ${key}`);
  return found;
}

/** The family of a type; an unknown one is its own. */
export const familyOf = (key: string): string => findMachineType(key)?.family ?? key;

/** Points that do another's work on other types of its family. */
const IN_PLACE_OF: Readonly<Record<string, readonly string[]>> = {
  'airHandler.returnFilter': ['airHandler.mediaFilter'],
  'washer.drainPumpFilter': ['washerDryer.drainPumpFilter', 'washer.lintTrap'],
  'washer.doorBoot': ['washerDryer.doorBoot'],
};

/** The point of a type that a symptom or signal of its family means: itself, or what does its work there. */
export function pointLike(machineType: string, point: string): string | undefined {
  const points = findMachineType(machineType)?.points ?? [];
  return [point, ...(IN_PLACE_OF[point] ?? [])].find((it) => points.includes(it));
}
