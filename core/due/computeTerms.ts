/** Terms of a line that come from the household and the home. */
import type { AnchorKind } from '../catalogue/anchorChoice.ts';
import type { Grade } from '../catalogue/grades.ts';
import type { Practice } from '../catalogue/practice.ts';
import type { CapReason } from './inputs.ts';
import type { Day } from '../calendar/day.ts';
import { type Assumptions } from './assumptions.ts';
import { combinedFactor, type DriverEffect } from './drivers.ts';
import type { Stretch } from './exposure.ts';

export type Term =
  | { readonly term: 'reference'; readonly assumed: boolean; readonly days: number }
  | {
      readonly term: 'practice';
      readonly practice: Practice;
      readonly known: boolean;
      readonly signalled: boolean;
      readonly days: number;
    }
  | { readonly term: 'contract'; readonly months: number; readonly days: number }
  | { readonly term: 'driver'; readonly effect: DriverEffect; readonly days: number }
  | { readonly term: 'held'; readonly low: number; readonly high: number; readonly days: number }
  | { readonly term: 'changed'; readonly fromDay: Day; readonly days: number }
  | {
      readonly term: 'found';
      readonly count: number;
      readonly last: Grade;
      readonly unconfirmed: number;
      readonly speed: number;
      readonly days: number;
    }
  | { readonly term: 'quarter'; readonly days: number }
  | { readonly term: 'floor'; readonly days: number }
  | { readonly term: 'cap'; readonly reason: CapReason | 'own'; readonly days: number }
  | {
      readonly term: 'anchor';
      readonly kind: Exclude<AnchorKind, 'none'>;
      readonly mode: 'sets' | 'limits';
      readonly day: Day;
      readonly days: number;
    }
  | { readonly term: 'snapped'; readonly day: Day; readonly by: number; readonly days: number }
  | { readonly term: 'paused'; readonly by: number; readonly days: number }
  | { readonly term: 'seen'; readonly day: Day; readonly grade: Grade; readonly days: number }
  | { readonly term: 'signal'; readonly day: Day; readonly days: number };

/** Each known driver of the household with what it makes of the days so far, and where their product is held. */
export function driverTerms(terms: Term[], days: number, effects: readonly DriverEffect[], assumed: Assumptions): void {
  let product = 1;
  for (const effect of effects) {
    if (effect.factor === 1) continue;
    product *= effect.factor;
    terms.push({ term: 'driver', effect, days: days / product });
  }
  const held = combinedFactor(effects, assumed);
  if (Math.abs(held - product) > 1e-9)
    terms.push({ term: 'held', low: assumed.factorFloor, high: assumed.factorCeiling, days: days / held });
}

/** Where the household or the water changed since the service. */
export function householdTerm(terms: Term[], stretches: readonly Stretch[], from: Day, days: number): void {
  if (stretches.length < 2 || Math.round(days) === Math.round(terms.at(-1)!.days)) return;
  const changed = stretches.findLast(({ fromDay }) => fromDay > from && fromDay < from + days);
  if (changed) terms.push({ term: 'changed', fromDay: changed.fromDay, days });
}
