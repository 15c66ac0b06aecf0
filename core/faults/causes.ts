/**
 * Causes: what may be behind a symptom, coded, so that closings can be counted. Their order is the trade's, from the
 * likeliest; minutes and natures are ours. A closing names one of them, or `other`.
 */
import { familyOf, pointLike } from '../catalogue/machines.ts';
import type { Level } from '../catalogue/types.ts';
import { groupOfSymptom } from './groups.ts';
import { OTHER } from './other.ts';
import { symptomsOf } from './symptoms.ts';

/**
 * What a cause comes of: upkeep that was due, how the household uses the machine, how it was installed, its age, or a
 * mishap that anybody may have.
 */
export const NATURES = ['upkeep', 'habit', 'installation', 'age', 'mishap'] as const;
export type Nature = (typeof NATURES)[number];

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

type Entry = readonly [nature: Nature, level: Level, minutes: number, point?: string];

const TABLE: Readonly<Record<string, Entry>> = {
  'dryer.screen': ['upkeep', 'tenant', 8, 'dryer.lintScreen'],
  'dryer.hose': ['installation', 'staff', 25, 'dryer.transitionHose'],
  'dryer.duct': ['upkeep', 'staff', 60, 'dryer.duct'],
  'dryer.flap': ['upkeep', 'staff', 20, 'dryer.outdoorHood'],
  'dryer.heater': ['age', 'licensed', 90],
  'dryer.lintInside': ['upkeep', 'staff', 60, 'dryer.cabinet'],
  'dryer.bearing': ['age', 'licensed', 120],
  'dryer.melted': ['mishap', 'staff', 30, 'dryer.drumSeal'],
  'dryer.cutOut': ['age', 'licensed', 60],
  'condenserDryer.condenser': ['upkeep', 'tenant', 15, 'condenserDryer.condenser'],
  'condenserDryer.film': ['upkeep', 'tenant', 10, 'condenserDryer.fluffFilter'],
  'condenserDryer.tank': ['habit', 'tenant', 3],
  'condenserDryer.warmRoom': ['installation', 'tenant', 10],
  'condenserDryer.lintInside': ['upkeep', 'staff', 40, 'condenserDryer.bay'],
  'condenserDryer.heatPump': ['age', 'licensed', 120],
  'laundry.childLock': ['habit', 'tenant', 2],
  'laundry.latch': ['habit', 'tenant', 2],
  'laundry.supply': ['installation', 'staff', 15],
  'laundry.overload': ['habit', 'tenant', 4],
  'washer.drainFault': ['upkeep', 'staff', 20, 'washer.drainPumpFilter'],
  'washer.controls': ['age', 'licensed', 90],
  'washer.filter': ['upkeep', 'staff', 15, 'washer.drainPumpFilter'],
  'washer.impeller': ['mishap', 'staff', 15, 'washer.drainPumpFilter'],
  'washer.hoseKinked': ['installation', 'staff', 15],
  'washer.standpipe': ['upkeep', 'staff', 25],
  'washer.pump': ['age', 'licensed', 90],
  'washer.coolOnly': ['habit', 'tenant', 5],
  'washer.doorShut': ['habit', 'tenant', 3],
  'washer.wetWash': ['habit', 'tenant', 3],
  'washer.overdosing': ['habit', 'tenant', 5],
  'washer.boot': ['upkeep', 'tenant', 20, 'washer.doorBoot'],
  'washer.glassFoot': ['upkeep', 'tenant', 5, 'washer.doorBoot'],
  'washer.bootTorn': ['age', 'licensed', 60],
  'washer.filterCap': ['mishap', 'staff', 5, 'washer.drainPumpFilter'],
  'washer.hoseCap': ['mishap', 'staff', 5],
  'washer.inBoot': ['mishap', 'tenant', 8, 'washer.doorBoot'],
  'dishwasher.filter': ['upkeep', 'tenant', 10, 'dishwasher.filter'],
  'dishwasher.disposer': ['upkeep', 'staff', 15],
  'dishwasher.sump': ['upkeep', 'staff', 25, 'dishwasher.sump'],
  'dishwasher.hoseKinked': ['installation', 'staff', 20],
  'dishwasher.lowLoop': ['installation', 'staff', 20],
  'dishwasher.pump': ['age', 'licensed', 90],
  'dishwasher.arms': ['upkeep', 'tenant', 15, 'dishwasher.sprayArms'],
  'dishwasher.overloaded': ['habit', 'tenant', 3],
  'dishwasher.scale': ['upkeep', 'tenant', 10, 'dishwasher.interiorWash'],
  'dishwasher.film': ['upkeep', 'tenant', 10, 'dishwasher.interiorWash'],
  'dishwasher.tooMuch': ['habit', 'tenant', 3],
  'dishwasher.noRinse': ['habit', 'tenant', 4],
  'dishwasher.etched': ['habit', 'tenant', 3],
  'dishwasher.edge': ['upkeep', 'tenant', 10, 'dishwasher.doorSeal'],
  'dishwasher.coolOnly': ['habit', 'tenant', 5],
  'dishwasher.foam': ['habit', 'tenant', 10],
  'dishwasher.filterLoose': ['mishap', 'tenant', 4, 'dishwasher.filter'],
  'dishwasher.clogBeyond': ['upkeep', 'staff', 30],
  'refrigerator.coil': ['upkeep', 'staff', 25, 'refrigerator.coil'],
  'refrigerator.seal': ['upkeep', 'tenant', 12, 'refrigerator.doorSeals'],
  'refrigerator.sealTorn': ['age', 'staff', 30],
  'refrigerator.gap': ['installation', 'staff', 12],
  'refrigerator.fan': ['upkeep', 'staff', 20, 'refrigerator.rearFan'],
  'refrigerator.setPoint': ['habit', 'tenant', 5, 'refrigerator.temperatures'],
  'refrigerator.sealed': ['age', 'licensed', 120],
  'refrigerator.drain': ['upkeep', 'staff', 20, 'refrigerator.defrostDrain'],
  'refrigerator.ajar': ['habit', 'tenant', 3],
  'refrigerator.defrost': ['age', 'licensed', 90],
  'refrigerator.waterFilter': ['upkeep', 'tenant', 10, 'refrigerator.waterFilter'],
  'refrigerator.iceScale': ['upkeep', 'staff', 30, 'refrigerator.iceMaker'],
  'refrigerator.valve': ['installation', 'staff', 15],
  'refrigerator.power': ['mishap', 'tenant', 5],
  'airHandler.filter': ['upkeep', 'tenant', 8, 'airHandler.returnFilter'],
  'airHandler.wrongSize': ['installation', 'staff', 15, 'airHandler.returnFilter'],
  'airHandler.registers': ['habit', 'tenant', 6, 'airHandler.registers'],
  'airHandler.iced': ['upkeep', 'staff', 45],
  'airHandler.blower': ['age', 'licensed', 120],
  'airHandler.outdoorCoil': ['upkeep', 'staff', 40, 'outdoorUnit.coil'],
  'airHandler.refrigerant': ['age', 'licensed', 120],
  'airHandler.line': ['upkeep', 'staff', 25, 'airHandler.condensateDrain'],
  'airHandler.trap': ['upkeep', 'staff', 15, 'airHandler.condensateTrap'],
  'airHandler.float': ['upkeep', 'staff', 20, 'airHandler.floatSwitch'],
  'airHandler.pan': ['age', 'licensed', 120],
  'airHandler.growth': ['upkeep', 'staff', 25, 'airHandler.condensateDrain'],
  'airHandler.wetFilter': ['upkeep', 'tenant', 8, 'airHandler.returnFilter'],
  'airHandler.coilFouled': ['upkeep', 'licensed', 120],
  'outdoorUnit.coil': ['upkeep', 'staff', 40, 'outdoorUnit.coil'],
  'outdoorUnit.overgrown': ['upkeep', 'staff', 25, 'outdoorUnit.coil'],
  'thermostat.battery': ['upkeep', 'tenant', 4, 'thermostat.battery'],
  'thermostat.breaker': ['mishap', 'staff', 8],
  'thermostat.float': ['upkeep', 'staff', 20, 'airHandler.condensateDrain'],
  'airCleaner.needles': ['upkeep', 'tenant', 8, 'airCleaner.needles'],
  'airCleaner.wires': ['upkeep', 'tenant', 8, 'airCleaner.ioniser'],
  'airCleaner.filterSpent': ['upkeep', 'tenant', 5, 'airCleaner.pleatedFilter'],
  'airCleaner.wetRefit': ['mishap', 'tenant', 5],
  'airCleaner.catalyst': ['upkeep', 'tenant', 10, 'airCleaner.catalyst'],
  'hood.filter': ['upkeep', 'tenant', 20, 'hood.greaseFilter'],
  'hood.inlet': ['upkeep', 'staff', 30, 'hood.housing'],
  'hood.flap': ['installation', 'staff', 25],
  'hood.charcoal': ['upkeep', 'tenant', 5, 'hood.charcoalFilter'],
  'bathFan.grille': ['upkeep', 'tenant', 8, 'bathFan.grille'],
  'bathFan.motor': ['upkeep', 'staff', 25, 'bathFan.motor'],
  'bathFan.duct': ['installation', 'staff', 40],
  'bathFan.notRun': ['habit', 'tenant', 3],
  'disposer.object': ['mishap', 'staff', 15, 'disposer.clean'],
  'disposer.overload': ['mishap', 'tenant', 5],
  'disposer.motor': ['age', 'licensed', 60],
  'drains.buildUp': ['upkeep', 'tenant', 10, 'drains.dose'],
  'drains.disposer': ['upkeep', 'staff', 15],
  'drains.vent': ['installation', 'licensed', 90],
  'drains.hair': ['upkeep', 'tenant', 10],
};

/**
 * Ours: minutes to see whether the fault is gone, by the family of the machine. A dryer, an air handler and an outdoor
 * unit want a quarter of an hour to be warm or cold, a fridge more; a fan shows it at once.
 */
const TEST_MINUTES: Readonly<Record<string, number>> = {
  dryer: 15,
  condenserDryer: 15,
  washer: 12,
  dishwasher: 12,
  refrigerator: 20,
  freezer: 20,
  airHandler: 15,
  outdoorUnit: 15,
  thermostat: 2,
  airCleaner: 3,
  hood: 3,
  bathFan: 3,
  disposer: 1,
  drains: 4,
};

/** Whoever is above looks for themselves. */
const NOBODY_NAMED: Cause = { key: OTHER, nature: null, level: 'licensed', minutes: 60, point: null };

const CAUSES: ReadonlyMap<string, Cause> = new Map(
  Object.entries(TABLE).map(([key, [nature, level, minutes, point = null]]) => [
    key,
    { key, nature, level, minutes, point },
  ]),
);

/** Causes of a symptom, the likeliest first; those in one text are about as likely as each other. */
const BEHIND: Readonly<Record<string, readonly string[]>> = {
  'dryer.damp': ['dryer.screen', 'dryer.hose', 'dryer.duct', 'dryer.flap dryer.heater'],
  'dryer.burning': ['dryer.lintInside', 'dryer.duct', 'dryer.bearing'],
  'dryer.noStart': ['laundry.latch', 'laundry.childLock', 'laundry.supply', 'dryer.cutOut'],
  'dryer.marks': ['dryer.melted'],
  'condenserDryer.damp': [
    'condenserDryer.condenser',
    'condenserDryer.film',
    'condenserDryer.tank',
    'condenserDryer.warmRoom',
    'condenserDryer.heatPump',
  ],
  'condenserDryer.burning': ['condenserDryer.lintInside', 'condenserDryer.condenser', 'dryer.bearing'],
  'washer.dead': ['laundry.childLock', 'laundry.latch', 'laundry.supply', 'washer.drainFault', 'washer.controls'],
  'washer.marks': ['dryer.melted', 'washer.inBoot'],
  'washer.full': ['washer.filter', 'washer.impeller', 'washer.hoseKinked', 'washer.standpipe', 'washer.pump'],
  'washer.smell': [
    'washer.coolOnly',
    'washer.doorShut',
    'washer.wetWash',
    'washer.overdosing',
    'washer.boot',
    'washer.filter',
  ],
  'washer.puddle': ['washer.glassFoot', 'washer.bootTorn', 'washer.overdosing', 'washer.filterCap'],
  'washer.puddleAfter': ['washer.hoseCap', 'washer.filterCap'],
  'dishwasher.standing': [
    'dishwasher.filter',
    'dishwasher.disposer',
    'dishwasher.sump',
    'dishwasher.hoseKinked',
    'dishwasher.pump',
  ],
  'dishwasher.gritty': [
    'dishwasher.filter',
    'dishwasher.arms',
    'dishwasher.overloaded',
    'dishwasher.scale',
    'dishwasher.pump',
  ],
  'dishwasher.cloudy': ['dishwasher.film', 'dishwasher.tooMuch', 'dishwasher.noRinse', 'dishwasher.etched'],
  'dishwasher.smell': ['dishwasher.filter', 'dishwasher.edge', 'dishwasher.coolOnly', 'dishwasher.lowLoop'],
  'dishwasher.floor': [
    'dishwasher.filter dishwasher.sump',
    'dishwasher.edge',
    'dishwasher.foam',
    'dishwasher.filterLoose',
    'dishwasher.hoseKinked',
  ],
  'refrigerator.warm': [
    'refrigerator.coil',
    'refrigerator.seal',
    'refrigerator.gap',
    'refrigerator.fan',
    'refrigerator.setPoint',
    'refrigerator.sealed',
  ],
  'refrigerator.foodWarm': ['refrigerator.power', 'refrigerator.ajar', 'refrigerator.coil', 'refrigerator.sealed'],
  'refrigerator.water': ['refrigerator.seal', 'refrigerator.drain', 'refrigerator.ajar'],
  'refrigerator.slowWater': ['refrigerator.waterFilter', 'refrigerator.iceScale', 'refrigerator.valve'],
  'freezer.frost': ['refrigerator.seal', 'refrigerator.ajar', 'refrigerator.defrost'],
  'freezer.warm': ['refrigerator.coil', 'refrigerator.seal', 'refrigerator.gap', 'refrigerator.sealed'],
  'freezer.foodWarm': ['refrigerator.power', 'refrigerator.ajar', 'refrigerator.coil', 'refrigerator.sealed'],
  'freezer.iceBelow': ['refrigerator.drain', 'refrigerator.seal'],
  'airHandler.weak': [
    'airHandler.filter',
    'airHandler.wrongSize',
    'airHandler.registers',
    'airHandler.iced',
    'airHandler.blower',
  ],
  'airHandler.notCold': [
    'airHandler.filter',
    'airHandler.outdoorCoil',
    'thermostat.battery',
    'airHandler.iced',
    'airHandler.refrigerant',
  ],
  'airHandler.water': ['airHandler.line', 'airHandler.trap', 'airHandler.float', 'airHandler.pan', 'airHandler.iced'],
  'airHandler.musty': ['airHandler.growth', 'airHandler.wetFilter', 'airHandler.coilFouled'],
  'outdoorUnit.weak': ['outdoorUnit.coil', 'outdoorUnit.overgrown', 'airHandler.refrigerant'],
  'thermostat.blank': ['thermostat.battery', 'thermostat.breaker', 'thermostat.float'],
  'airCleaner.crackle': ['airCleaner.needles', 'airCleaner.wires', 'airCleaner.wetRefit'],
  'airCleaner.smell': ['airCleaner.filterSpent', 'airCleaner.wetRefit', 'airCleaner.catalyst'],
  'hood.smoke': ['hood.filter', 'hood.inlet', 'hood.flap', 'hood.charcoal'],
  'hood.drips': ['hood.filter', 'hood.inlet'],
  'bathFan.wet': ['bathFan.grille', 'bathFan.motor', 'bathFan.duct', 'bathFan.notRun'],
  'disposer.jammed': ['disposer.object', 'disposer.overload', 'disposer.motor'],
  'drains.slow': ['drains.buildUp', 'drains.hair', 'drains.disposer', 'drains.vent'],
  'dryer.stillSlow': ['dryer.heater', 'dryer.hose'],
  'dishwasher.pumpWeak': ['dishwasher.pump', 'dishwasher.hoseKinked', 'dishwasher.clogBeyond'],
};

/** Causes that a type of a family cannot have. */
const NEVER: Readonly<Record<string, readonly string[]>> = {
  hood: ['hood.charcoal'],
  recirculatingHood: ['hood.flap'],
  topWasher: ['washer.boot', 'washer.bootTorn', 'washer.glassFoot', 'washer.inBoot', 'washer.filterCap'],
};

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
