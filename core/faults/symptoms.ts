/**
 * Symptoms: what people notice, in plain words. Each names the service points it makes due, the one that the trade
 * would look at first, first, and the severity that sets the clock on its repair.
 */
import { definedMachine, type BuiltMachine } from '../catalogue/defined.ts';
import type { PointKind } from '../catalogue/types.ts';
import { familyOf, pointLike } from '../catalogue/machines.ts';
import type { Severity } from './clock.ts';

export interface Symptom {
  readonly key: string;
  /** Of the whole family. */
  readonly machineType: string;
  /** The service points that it makes due, likeliest first; none where upkeep is not the first answer. */
  readonly points: readonly string[];
  readonly severity: Severity;
  /** Whoever reports it is told to stop using the machine. */
  readonly stopUsing: boolean;
  /** Raised by a reading, and not offered to people. */
  readonly own?: true;
}

const symptom = (
  key: string,
  points: string | readonly string[],
  severity: Severity = 'low',
  stopUsing = false,
): Symptom => ({ key, machineType: key.split('.')[0]!, points: [points].flat(), severity, stopUsing });

export const SYMPTOMS: readonly Symptom[] = [
  symptom('dryer.burning', 'dryer.duct', 'lifeThreatening', true),
  symptom('dryer.damp', 'dryer.duct', 'moderate'),
  symptom('dryer.noStart', []),
  symptom('washer.full', 'washer.drainPumpFilter', 'moderate', true),
  symptom('washer.puddle', 'washer.doorBoot', 'moderate', true),
  symptom('washer.smell', 'washer.doorBoot'),
  // After somebody was at the filter: a cap that is off, not a part that is foul.
  symptom('washer.puddleAfter', [], 'moderate', true),
  symptom('washer.marks', 'washer.doorBoot'),
  // Filter and sump, each at its own level: what the tenant may take out, and what staff reach below it.
  symptom('dishwasher.standing', ['dishwasher.filter', 'dishwasher.sump'], 'moderate'),
  symptom('dishwasher.gritty', 'dishwasher.filter'),
  symptom('dishwasher.floor', 'dishwasher.filter', 'moderate', true),
  symptom('dishwasher.smell', 'dishwasher.filter'),
  // Poor cooling, steady or fluctuating: the coil is the first suspect, the seal the second.
  symptom('refrigerator.warm', ['refrigerator.coil', 'refrigerator.doorSeals'], 'moderate'),
  symptom('refrigerator.slowWater', ['refrigerator.waterFilter', 'refrigerator.iceMaker']),
  symptom('refrigerator.water', ['refrigerator.doorSeals', 'refrigerator.defrostDrain']),
  symptom('airHandler.weak', 'airHandler.returnFilter'),
  symptom('airHandler.notCold', 'airHandler.returnFilter', 'moderate'),
  symptom('airHandler.water', 'airHandler.condensateDrain', 'moderate', true),
  symptom('airHandler.musty', 'airHandler.condensateDrain'),
  symptom('outdoorUnit.weak', 'outdoorUnit.coil', 'moderate'),
  symptom('thermostat.blank', 'thermostat.battery', 'moderate'),
  // Lint on the ioniser's wires crackles; then the needles.
  symptom('airCleaner.crackle', ['airCleaner.ioniser', 'airCleaner.needles'], 'low', true),
  symptom('airCleaner.smell', 'airCleaner.catalyst'),
  symptom('hood.smoke', 'hood.greaseFilter', 'moderate'),
  symptom('hood.drips', 'hood.greaseFilter', 'severe', true),
  symptom('bathFan.wet', 'bathFan.grille', 'moderate'),
  symptom('condenserDryer.burning', 'condenserDryer.bay', 'lifeThreatening', true),
  symptom('condenserDryer.damp', 'condenserDryer.condenser', 'moderate'),
  symptom('dryer.marks', 'dryer.drumSeal'),
  symptom('washer.dead', []),
  symptom('dishwasher.cloudy', 'dishwasher.interiorWash'),
  symptom('freezer.frost', 'refrigerator.doorSeals'),
  symptom('freezer.warm', ['refrigerator.coil', 'refrigerator.doorSeals'], 'moderate'),
  symptom('freezer.iceBelow', 'refrigerator.defrostDrain'),
  // No matter of tuning: power, door, coil and food now.
  symptom('refrigerator.foodWarm', ['refrigerator.coil', 'refrigerator.doorSeals'], 'severe'),
  symptom('freezer.foodWarm', ['refrigerator.coil', 'refrigerator.doorSeals'], 'severe'),
  // What is left when the part itself is clean.
  { ...symptom('dryer.stillSlow', [], 'moderate'), own: true },
  { ...symptom('dishwasher.pumpWeak', [], 'moderate'), own: true },
  symptom('disposer.jammed', [], 'low', true),
  symptom('drains.slow', 'drains.dose', 'moderate'),
];

/**
 * What may be said of any machine that an office has defined, with the kinds of its parts that it makes due, likeliest
 * first. Our judgement.
 */
const OF_DEFINED: readonly (readonly [Symptom, readonly PointKind[]])[] = [
  [symptom('own.burning', [], 'lifeThreatening', true), []],
  [symptom('own.leak', [], 'moderate', true), ['drain']],
  [symptom('own.weak', []), ['filter', 'screen', 'fan', 'coil', 'duct']],
  [symptom('own.smell', []), ['drain', 'filter', 'screen', 'coil', 'tub']],
  [symptom('own.noise', []), ['fan']],
  [symptom('own.alert', [], 'moderate'), ['sensor']],
  [symptom('own.dead', [], 'moderate'), []],
];

/** Every symptom that there is, ours and those of machines that offices have defined. */
export const ALL_SYMPTOMS: readonly Symptom[] = [...SYMPTOMS, ...OF_DEFINED.map(([it]) => it)];

function symptomsOfDefined({ procedures }: BuiltMachine): Symptom[] {
  return OF_DEFINED.map(([it, kinds]) => ({
    ...it,
    points: kinds.flatMap((kind) => procedures.filter((part) => part.kind === kind).map(({ key }) => key)),
  }));
}

/**
 * Points that a symptom means on a type that has none of its own for it: a top-load washer has no boot that could
 * smell.
 */
const INSTEAD: Readonly<Record<string, string>> = { 'topWasher washer.smell': 'washer.tub' };

/** The symptoms of a machine type, each with the points that it makes due there. */
export function symptomsOf(machineType: string): Symptom[] {
  const defined = definedMachine(machineType);
  if (defined) return symptomsOfDefined(defined);
  return SYMPTOMS.filter((it) => it.machineType === familyOf(machineType)).map((it) => {
    const points = it.points.flatMap((point) => pointLike(machineType, point) ?? []);
    const instead = INSTEAD[`${machineType} ${it.key}`];
    return { ...it, points: points.length === 0 && instead ? [instead] : points };
  });
}

/** The points that an open fault makes due on a machine; none for a symptom that is not of its type. */
export const pointsOfSymptom = (machineType: string, key: string): readonly string[] =>
  symptomsOf(machineType).find((it) => it.key === key)?.points ?? [];

/** @throws RangeError for a key that is not on the list */
export function symptomOf(key: string): Symptom {
  const found = ALL_SYMPTOMS.find((it) => it.key === key);
  if (!found) throw new RangeError(`no such symptom: ${key}`);
  return found;
}
