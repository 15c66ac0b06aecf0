/**
 * Checks: what somebody at the machine can look at or try in a few minutes, and what a *yes* speaks for. How often a
 * check says yes where it should, and no where it should not, is ours until closings teach better.
 */
import type { Level } from '../catalogue/types.ts';

export interface Check {
  readonly key: string;
  /** Who may do it. */
  readonly level: Level;
  readonly minutes: number;
  /** Causes that a yes speaks for; a no speaks for all others. */
  readonly causes: readonly string[];
  /** Probability of a yes where one of these causes is there, and of a no where none is. */
  readonly sensitivity: number;
  readonly specificity: number;
}

/** What one sees or does not. */
const PLAIN = [0.95, 0.95] as const;
/** What wants an eye for it. */
const FAIR = [0.85, 0.88] as const;
/** What is felt, heard or remembered. */
const ROUGH = [0.75, 0.8] as const;

type Entry = readonly [
  level: Level,
  minutes: number,
  causes: string,
  reliability: readonly [sensitivity: number, specificity: number],
];

const TABLE: Readonly<Record<string, Entry>> = {
  'dryer.throughScreen': ['tenant', 3, 'dryer.screen', PLAIN],
  'dryer.airOutside': ['tenant', 4, 'dryer.hose dryer.duct dryer.flap dryer.screen', FAIR],
  'dryer.hoseSeen': ['staff', 8, 'dryer.hose', PLAIN],
  'dryer.hoseOff': ['staff', 14, 'dryer.hose dryer.duct dryer.flap', PLAIN],
  'dryer.flapMoves': ['staff', 6, 'dryer.flap', PLAIN],
  'dryer.drumSeen': ['tenant', 2, 'dryer.melted', PLAIN],
  'laundry.keyLamp': ['tenant', 1, 'laundry.childLock', PLAIN],
  'laundry.shutAgain': ['tenant', 1, 'laundry.latch', FAIR],
  'laundry.otherPlug': ['tenant', 3, 'laundry.supply', FAIR],
  'condenserDryer.toLight': ['tenant', 4, 'condenserDryer.condenser', PLAIN],
  'condenserDryer.throughFilm': ['tenant', 3, 'condenserDryer.film', PLAIN],
  'condenserDryer.tankLamp': ['tenant', 1, 'condenserDryer.tank', PLAIN],
  'condenserDryer.roomHot': ['tenant', 1, 'condenserDryer.warmRoom', FAIR],
  'washer.filterHeld': ['staff', 6, 'washer.filter', PLAIN],
  'washer.impellerTurns': ['staff', 4, 'washer.impeller', PLAIN],
  'washer.pumpSilent': ['staff', 2, 'washer.pump', FAIR],
  'washer.hoseBent': ['staff', 4, 'washer.hoseKinked', PLAIN],
  'washer.askCool': ['tenant', 1, 'washer.coolOnly', FAIR],
  'washer.askShut': ['tenant', 1, 'washer.doorShut', FAIR],
  'washer.askWet': ['tenant', 1, 'washer.wetWash', FAIR],
  'washer.askFoam': ['tenant', 1, 'washer.overdosing', FAIR],
  'washer.bootFolds': ['tenant', 3, 'washer.boot washer.inBoot', FAIR],
  'washer.glassWiped': ['tenant', 4, 'washer.glassFoot', FAIR],
  'washer.bootSeen': ['tenant', 2, 'washer.bootTorn', FAIR],
  'washer.atFlap': ['tenant', 1, 'washer.filterCap', FAIR],
  'washer.flapOff': ['staff', 3, 'washer.hoseCap', PLAIN],
  'dishwasher.filterSeen': ['tenant', 2, 'dishwasher.filter', FAIR],
  'dishwasher.runDisposer': ['tenant', 2, 'dishwasher.disposer', FAIR],
  'dishwasher.pumpOut': ['staff', 6, 'dishwasher.pump', FAIR],
  'dishwasher.hoseBent': ['staff', 5, 'dishwasher.hoseKinked dishwasher.lowLoop', PLAIN],
  'dishwasher.armPoured': ['tenant', 4, 'dishwasher.arms', PLAIN],
  'dishwasher.armBlocked': ['tenant', 1, 'dishwasher.overloaded', PLAIN],
  'dishwasher.whiteScale': ['tenant', 1, 'dishwasher.scale', FAIR],
  'dishwasher.vinegarGlass': ['tenant', 3, 'dishwasher.film dishwasher.tooMuch dishwasher.noRinse', PLAIN],
  'dishwasher.rinseWindow': ['tenant', 1, 'dishwasher.noRinse', PLAIN],
  'dishwasher.edgeSeen': ['tenant', 2, 'dishwasher.edge', FAIR],
  'dishwasher.askHot': ['tenant', 1, 'dishwasher.coolOnly', FAIR],
  'dishwasher.waterInside': ['tenant', 1, 'dishwasher.filter dishwasher.sump dishwasher.hoseKinked', FAIR],
  'dishwasher.askSoap': ['tenant', 1, 'dishwasher.foam', PLAIN],
  'dishwasher.filterLocked': ['tenant', 1, 'dishwasher.filterLoose', PLAIN],
  'refrigerator.coilSeen': ['staff', 5, 'refrigerator.coil', PLAIN],
  'refrigerator.strip': ['tenant', 4, 'refrigerator.seal refrigerator.sealTorn', FAIR],
  'refrigerator.gapSeen': ['tenant', 1, 'refrigerator.gap', PLAIN],
  'refrigerator.fanTurns': ['staff', 3, 'refrigerator.fan', FAIR],
  'refrigerator.dial': ['tenant', 1, 'refrigerator.setPoint', FAIR],
  'refrigerator.drainPoured': ['staff', 5, 'refrigerator.drain', PLAIN],
  'refrigerator.shutsItself': ['tenant', 1, 'refrigerator.ajar', FAIR],
  'refrigerator.lightOn': ['tenant', 1, 'refrigerator.power', PLAIN],
  'refrigerator.filterDate': ['tenant', 1, 'refrigerator.waterFilter', FAIR],
  'refrigerator.hardness': ['staff', 4, 'refrigerator.iceScale', ROUGH],
  'airHandler.filterUp': ['tenant', 4, 'airHandler.filter airHandler.wetFilter', PLAIN],
  'airHandler.frame': ['tenant', 3, 'airHandler.wrongSize', FAIR],
  'airHandler.registersShut': ['tenant', 3, 'airHandler.registers', PLAIN],
  'airHandler.iceSeen': ['staff', 5, 'airHandler.iced airHandler.refrigerant', FAIR],
  'airHandler.batteryLamp': ['tenant', 1, 'thermostat.battery', FAIR],
  'airHandler.outdoorSeen': ['staff', 4, 'airHandler.outdoorCoil', FAIR],
  'airHandler.drop': ['staff', 18, 'airHandler.refrigerant airHandler.iced', ROUGH],
  'airHandler.atTee': ['staff', 5, 'airHandler.line airHandler.growth', PLAIN],
  'airHandler.trapSeen': ['staff', 4, 'airHandler.trap', FAIR],
  'airHandler.floatUp': ['staff', 2, 'airHandler.float airHandler.line', FAIR],
  'outdoorUnit.finsSeen': ['staff', 4, 'outdoorUnit.coil', FAIR],
  'outdoorUnit.plants': ['tenant', 2, 'outdoorUnit.overgrown', PLAIN],
  'thermostat.newBattery': ['tenant', 3, 'thermostat.battery', PLAIN],
  'thermostat.breakerOff': ['staff', 3, 'thermostat.breaker', PLAIN],
  'airCleaner.lamp': ['tenant', 1, 'airCleaner.needles airCleaner.filterSpent', FAIR],
  'airCleaner.dried': ['tenant', 1, 'airCleaner.wetRefit', FAIR],
  'hood.toLight': ['tenant', 3, 'hood.filter', PLAIN],
  'hood.tissue': ['staff', 5, 'hood.flap hood.inlet', FAIR],
  'hood.flapMoves': ['staff', 6, 'hood.flap', PLAIN],
  'bathFan.tissue': ['tenant', 2, 'bathFan.grille bathFan.motor bathFan.duct', FAIR],
  'bathFan.spins': ['staff', 8, 'bathFan.motor', PLAIN],
  'bathFan.grilleSeen': ['tenant', 1, 'bathFan.grille', FAIR],
  'disposer.button': ['tenant', 2, 'disposer.overload', FAIR],
  'drains.allSlow': ['tenant', 2, 'drains.vent', FAIR],
  'drains.hairSeen': ['tenant', 2, 'drains.hair', FAIR],
};

/** The checks that separate the causes of a symptom. */
const SEPARATE: Readonly<Record<string, string>> = {
  'dryer.damp': 'dryer.throughScreen dryer.airOutside dryer.hoseSeen dryer.hoseOff dryer.flapMoves',
  'dryer.noStart': 'laundry.keyLamp laundry.shutAgain laundry.otherPlug',
  'dryer.marks': 'dryer.drumSeen',
  'condenserDryer.damp':
    'condenserDryer.toLight condenserDryer.throughFilm condenserDryer.tankLamp condenserDryer.roomHot',
  'washer.dead': 'laundry.keyLamp laundry.shutAgain laundry.otherPlug',
  'washer.marks': 'dryer.drumSeen washer.bootFolds',
  'washer.full': 'washer.filterHeld washer.impellerTurns washer.hoseBent washer.pumpSilent',
  'washer.smell': 'washer.askCool washer.askShut washer.askWet washer.askFoam washer.bootFolds',
  'washer.puddle': 'washer.atFlap washer.askFoam washer.glassWiped washer.bootSeen',
  'washer.puddleAfter': 'washer.flapOff washer.atFlap',
  'dishwasher.standing': 'dishwasher.filterSeen dishwasher.runDisposer dishwasher.hoseBent dishwasher.pumpOut',
  'dishwasher.gritty':
    'dishwasher.armBlocked dishwasher.filterSeen dishwasher.armPoured dishwasher.whiteScale dishwasher.pumpOut',
  'dishwasher.cloudy': 'dishwasher.vinegarGlass dishwasher.rinseWindow',
  'dishwasher.smell': 'dishwasher.filterSeen dishwasher.edgeSeen dishwasher.askHot dishwasher.hoseBent',
  'dishwasher.floor':
    'dishwasher.waterInside dishwasher.edgeSeen dishwasher.askSoap dishwasher.filterLocked dishwasher.hoseBent',
  'refrigerator.warm':
    'refrigerator.dial refrigerator.gapSeen refrigerator.strip refrigerator.coilSeen refrigerator.fanTurns',
  'refrigerator.foodWarm': 'refrigerator.lightOn refrigerator.shutsItself refrigerator.coilSeen',
  'refrigerator.water': 'refrigerator.shutsItself refrigerator.strip refrigerator.drainPoured',
  'refrigerator.slowWater': 'refrigerator.filterDate refrigerator.hardness',
  'freezer.frost': 'refrigerator.shutsItself refrigerator.strip',
  'freezer.warm': 'refrigerator.gapSeen refrigerator.strip refrigerator.coilSeen',
  'freezer.foodWarm': 'refrigerator.lightOn refrigerator.shutsItself refrigerator.coilSeen',
  'freezer.iceBelow': 'refrigerator.strip refrigerator.drainPoured',
  'airHandler.weak': 'airHandler.registersShut airHandler.filterUp airHandler.frame airHandler.iceSeen',
  'airHandler.notCold':
    'airHandler.batteryLamp airHandler.filterUp airHandler.outdoorSeen airHandler.iceSeen airHandler.drop',
  'airHandler.water': 'airHandler.atTee airHandler.floatUp airHandler.trapSeen airHandler.iceSeen',
  'airHandler.musty': 'airHandler.filterUp airHandler.atTee',
  'outdoorUnit.weak': 'outdoorUnit.plants outdoorUnit.finsSeen',
  'thermostat.blank': 'thermostat.newBattery thermostat.breakerOff airHandler.floatUp',
  'airCleaner.crackle': 'airCleaner.dried airCleaner.lamp',
  'airCleaner.smell': 'airCleaner.dried airCleaner.lamp',
  'hood.smoke': 'hood.toLight hood.tissue hood.flapMoves',
  'hood.drips': 'hood.toLight',
  'bathFan.wet': 'bathFan.tissue bathFan.grilleSeen bathFan.spins',
  'disposer.jammed': 'disposer.button',
  'drains.slow': 'drains.allSlow drains.hairSeen',
  'dryer.stillSlow': 'dryer.hoseOff',
  'dishwasher.pumpWeak': 'dishwasher.hoseBent dishwasher.pumpOut',
};

const CHECKS: ReadonlyMap<string, Check> = new Map(
  Object.entries(TABLE).map(([key, [level, minutes, causes, [sensitivity, specificity]]]) => [
    key,
    { key, level, minutes, causes: causes.split(' '), sensitivity, specificity },
  ]),
);

/** @throws RangeError for a key that is not on the list */
export function checkOf(key: string): Check {
  const found = CHECKS.get(key);
  if (!found) throw new RangeError(`no such check: ${key}`);
  return found;
}

/** The checks of a symptom that speak for a cause which may be there. A gas dryer never runs with its hose off. */
export const checksOf = (symptom: string, causes: readonly string[], fuel: 'electric' | 'gas' = 'electric'): Check[] =>
  (SEPARATE[symptom]?.split(' ') ?? [])
    .map(checkOf)
    .filter((check) => check.causes.some((key) => causes.includes(key)))
    .filter(({ key }) => !(fuel === 'gas' && key === 'dryer.hoseOff'));
