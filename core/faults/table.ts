/** The table of a symptom on a machine: what may be behind it, and what tells that apart. */
import { isAlarmSymptom } from './alarms.ts';
import { suspectsOf } from './causes.ts';
import { checksOf } from './checks.ts';
import type { Table } from './diagnosis.ts';
import { symptomsOf } from './symptoms.ts';

/** @param fuel a gas dryer never runs with its hose off, so nobody is asked to */
export function tableOf(machineType: string, symptom: string, fuel: 'electric' | 'gas' = 'electric'): Table {
  const suspects = suspectsOf(machineType, symptom);
  return {
    suspects,
    checks: checksOf(
      symptom,
      suspects.map(({ cause: { key } }) => key),
      fuel,
    ),
  };
}

/**
 * Whether anybody is led to the cause step by step. Burning, gas, shock and whatever else is life-threatening is not:
 * there everybody stops, and staff or a licensed trade see to it.
 */
export function isFindable(machineType: string, symptom: string): boolean {
  const known = symptomsOf(machineType).find(({ key }) => key === symptom);
  if (!known || isAlarmSymptom(symptom) || known.severity === 'lifeThreatening') return false;
  return tableOf(machineType, symptom).suspects.length > 1;
}
