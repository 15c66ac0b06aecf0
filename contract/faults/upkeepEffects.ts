/** What being past the line does to faults. */
import type { PointKind } from '../../core/catalogue/types.ts';
import type { UpkeepEffect } from '../../core/faults/upkeepEffect.ts';

export interface UpkeepEffectSummary extends UpkeepEffect {
  readonly kind: PointKind;
  /** Faults that a hundred past-line days bring beside those that come anyway; may be below 0. */
  readonly faultsPer100Days: { readonly middle: number; readonly low: number; readonly high: number };
  /** Of the closings that say; null where none does. */
  readonly minutesAFault: number | null;
  readonly costAFault: number | null;
}

export interface UpkeepEffectsAnswer {
  readonly effects: readonly UpkeepEffectSummary[];
  /** Kinds with too few faults, or too little time past the line. */
  readonly untold: readonly { readonly kind: PointKind; readonly faults: number }[];
}
