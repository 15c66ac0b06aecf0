/**
 * Symptoms: what people notice, in plain words. Each names the service point it makes due first, the one
 * the trade would look at, and the severity that sets the clock on its repair.
 */
export type Severity = 'lifeThreatening' | 'severe' | 'moderate' | 'low';

/** Hours to put it right, by severity: HUD NSPIRE standards (from memory). A local code may be stricter. */
export const REPAIR_HOURS: Readonly<Record<Severity, number>> = {
  lifeThreatening: 24,
  severe: 24,
  moderate: 30 * 24,
  low: 60 * 24,
};

export interface Symptom {
  readonly key: string;
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
];

/** @throws RangeError for a key that is not on the list */
export function symptomOf(key: string): Symptom {
  const found = SYMPTOMS.find((it) => it.key === key);
  if (!found) throw new RangeError(`no such symptom: ${key}`);
  return found;
}
