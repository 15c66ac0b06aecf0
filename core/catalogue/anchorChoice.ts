/** Which calendar a point may keep. */
import type { Day } from '../calendar/day.ts';

export const ANCHOR_KINDS = ['none', 'seasonTurn', 'beforeCooling', 'firstWarm', 'betweenVisits', 'rule'] as const;
export type AnchorKind = (typeof ANCHOR_KINDS)[number];

/** What a manager chooses for a point; `rule` carries its own rule and first day. */
export type AnchorChoice =
  | { readonly kind: Exclude<AnchorKind, 'rule'> }
  | { readonly kind: 'rule'; readonly rule: string; readonly start: Day };
