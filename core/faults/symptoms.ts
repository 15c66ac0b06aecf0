/**
 * Symptoms: what people notice, in plain words. Each names the service point it makes due first, the one
 * the trade would look at, and the severity that sets the clock on its repair.
 */
import { familyOf, pointLike } from '../catalogue/machines.ts';

export type Severity = 'lifeThreatening' | 'severe' | 'moderate' | 'low';

/** Hours to put it right, by severity: HUD NSPIRE standards (from memory). A local code may be stricter. */
export const REPAIR_HOURS: Readonly<Record<Severity, number>> = {
  lifeThreatening: 24,
  severe: 24,
  moderate: 30 * 24,
  low: 60 * 24,
};

const HOUR_MS = 3_600_000;

/** By when something of a severity, seen at an instant, is put right; both in milliseconds since 1970. */
export const correctBy = (severity: Severity, openedAt: number): number => openedAt + REPAIR_HOURS[severity] * HOUR_MS;

export interface Symptom {
  readonly key: string;
  /** Of the whole family. */
  readonly machineType: string;
  /** The service point to look at first; null where upkeep is not the first answer. */
  readonly point: string | null;
  readonly severity: Severity;
  /** Whoever reports it is told to stop using the machine. */
  readonly stopUsing: boolean;
}

const symptom = (key: string, point: string | null, severity: Severity = 'low', stopUsing = false): Symptom => ({
  key, machineType: key.split('.')[0]!, point, severity, stopUsing,
});

export const SYMPTOMS: readonly Symptom[] = [
  symptom('dryer.burning', 'dryer.duct', 'lifeThreatening', true),
  symptom('dryer.damp', 'dryer.duct', 'moderate'),
  symptom('dryer.noStart', null),
  symptom('washer.full', 'washer.drainPumpFilter', 'moderate', true),
  symptom('washer.puddle', 'washer.doorBoot', 'moderate', true),
  symptom('washer.smell', 'washer.doorBoot'),
  symptom('dishwasher.standing', 'dishwasher.filter', 'moderate'),
  symptom('dishwasher.gritty', 'dishwasher.filter'),
  symptom('dishwasher.floor', 'dishwasher.filter', 'moderate', true),
  symptom('dishwasher.smell', 'dishwasher.filter'),
  symptom('refrigerator.warm', 'refrigerator.doorSeals', 'moderate'),
  symptom('refrigerator.water', 'refrigerator.doorSeals'),
  symptom('airHandler.weak', 'airHandler.returnFilter'),
  symptom('airHandler.notCold', 'airHandler.returnFilter', 'moderate'),
  symptom('airHandler.water', 'airHandler.condensateDrain', 'moderate', true),
  symptom('airHandler.musty', 'airHandler.condensateDrain'),
  symptom('outdoorUnit.weak', 'outdoorUnit.coil', 'moderate'),
  symptom('thermostat.blank', 'thermostat.battery', 'moderate'),
  symptom('airCleaner.crackle', 'airCleaner.needles', 'low', true),
  symptom('airCleaner.smell', 'airCleaner.catalyst'),
  symptom('hood.smoke', 'hood.greaseFilter', 'moderate'),
  symptom('hood.drips', 'hood.greaseFilter', 'severe', true),
  symptom('bathFan.wet', 'bathFan.grille', 'moderate'),
  symptom('condenserDryer.burning', 'condenserDryer.bay', 'lifeThreatening', true),
  symptom('condenserDryer.damp', 'condenserDryer.condenser', 'moderate'),
  symptom('dryer.marks', 'dryer.drumSeal'),
  symptom('washer.dead', null),
  symptom('dishwasher.cloudy', 'dishwasher.interiorWash'),
  symptom('freezer.frost', 'refrigerator.doorSeals'),
  symptom('freezer.warm', 'refrigerator.coil', 'moderate'),
  symptom('disposer.jammed', null, 'low', true),
  symptom('drains.slow', 'drains.dose', 'moderate'),
];

/** The symptoms of a machine type, each with the point that it makes due there. */
export function symptomsOf(machineType: string): Symptom[] {
  return SYMPTOMS.filter((it) => it.machineType === familyOf(machineType)).map((it) => ({ ...it, point: it.point && (pointLike(machineType, it.point) ?? null) }));
}

/** @throws RangeError for a key that is not on the list */
export function symptomOf(key: string): Symptom {
  const found = SYMPTOMS.find((it) => it.key === key);
  if (!found) throw new RangeError(`no such symptom: ${key}`);
  return found;
}
