/**
 * Deficiencies: something wrong that upkeep will not cure, seen while at the machine. Not a grade, since cleaning does
 * not mend it, and not a symptom, since nobody has suffered from it yet. Those of a dryer's run: common practice.
 */
import { familyOf } from '../catalogue/machines.ts';
import type { Severity } from './clock.ts';

export interface Deficiency {
  /** Words at `deficiency.<key>`. */
  readonly key: string;
  /** Families where it is met; null: any. */
  readonly families: readonly string[] | null;
  /** What it is taken for until somebody says otherwise. */
  readonly severity: Severity;
}

const of = (key: string, severity: Severity, ...families: string[]): Deficiency => ({
  key,
  severity,
  families: families.length > 0 ? families : null,
});

export const DEFICIENCIES: readonly Deficiency[] = [
  of('hoseCrushed', 'moderate', 'dryer'),
  of('hoseLoose', 'moderate', 'dryer'),
  of('hoseKind', 'moderate', 'dryer'),
  of('outletMesh', 'moderate', 'dryer', 'bathFan'),
  of('outletFlap', 'low', 'dryer', 'hood', 'bathFan'),
  of('runTooLong', 'moderate', 'dryer'),
  of('ventsIndoors', 'severe', 'dryer', 'bathFan', 'hood'),
  of('panCracked', 'moderate', 'airHandler'),
  of('noAirGap', 'low', 'refrigerator', 'freezer'),
  of('noClip', 'low'),
  of('sealTorn', 'moderate'),
  of('partMissing', 'moderate'),
  of('partBroken', 'moderate'),
  of('cordDamaged', 'severe'),
  of('noAccess', 'low'),
  of('other', 'low'),
];

/** What may be found at a machine of this type. */
export function deficienciesOf(type: string): Deficiency[] {
  const family = familyOf(type);
  return DEFICIENCIES.filter(
    ({ families }) => families === null || families.includes(type) || families.includes(family),
  );
}
