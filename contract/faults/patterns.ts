/** What recurs on a machine, with its evidence, what it comes of, and what was decided about it. */
import { number, object, string, type InferType } from 'yup';
import { DECISIONS, type Decision, type Verdict } from '../../core/faults/remedies.ts';
import type { Sort } from '../../core/faults/sorting.ts';
import type { Severity } from '../../core/faults/clock.ts';
import { count, id, line, note } from '../form/fields.ts';
import type { PatternLevel } from '../../core/faults/patterns.ts';

/** Patterns that a page begins with. */
export const PATTERNS_SHOWN = 30;

export const decideRemedy = object({
  id: id().required(),
  machineId: id().required(),
  /** The symptom that names the pattern's group. */
  group: line(60).required(),
  decision: string().oneOf(DECISIONS).required(),
  note: note().default(''),
});
export type DecideRemedy = InferType<typeof decideRemedy>;

/** A remedy with what came before it and after it. */
export interface RemedySummary {
  readonly id: string;
  readonly machineId: string;
  readonly group: string;
  readonly machineNumber: number;
  readonly machine: string;
  readonly place: string;
  readonly symptom: string;
  readonly decision: Decision;
  readonly note: string;
  readonly day: string;
  readonly by: string;
  readonly verdict: Verdict;
  /** What was done by deciding it; null where it is only watched. */
  readonly did: string | null;
  /** Faults a year before and after, with the interval of what came after; null before a day has passed. */
  readonly rates: {
    readonly before: number;
    readonly after: number;
    readonly low: number;
    readonly high: number;
  } | null;
  /** Before, after with its interval, and when it will have held, a sentence each. */
  readonly says: readonly string[];
}

/** So many of the patterns, the gravest and dearest first. */
export const patternsOf = object({ most: count(2000).min(1).default(PATTERNS_SHOWN) });
export type PatternsForm = InferType<typeof patternsOf>;

export interface PatternsAnswer {
  /** Stated patterns, and their faults, of all that were ever recorded. */
  readonly counted: { readonly stated: number; readonly inPatterns: number; readonly of: number };
  readonly patterns: readonly PatternSummary[];
  /** Patterns beyond those. */
  readonly more: number;
  /** Those that did not hold first. */
  readonly remedies: readonly RemedySummary[];
}

export const priceReplacement = object({ price: number().min(1).max(1_000_000).required('field.required') });
export type PriceReplacement = InferType<typeof priceReplacement>;

/** Repairs so far and to come against a new machine. */
export interface ReplacementCase {
  readonly currency: string;
  /** Spent on this pattern so far: parts and bills, and hours at the price of an hour; null without that price. */
  readonly spent: number | null;
  /** The same a year, at the pace of its faults. */
  readonly aYear: number | null;
  readonly price: number | null;
  /** Years after which a new one has paid for itself; null where nobody can say. */
  readonly years: number | null;
  readonly says: string;
}

export interface PatternSummary {
  readonly machineId: string;
  readonly machineNumber: number;
  readonly machine: string;
  readonly placeId: string;
  readonly place: string;
  /** `stated`: it comes back, and may be said and costed. `watch`: it may. */
  readonly level: PatternLevel;
  readonly group: string;
  readonly symptom: string;
  readonly severity: Severity;
  /** Minutes of repair a year at its pace, by the closings that say; 0 where nobody can tell. */
  readonly minutesAYear: number;
  /** What it comes of; null where nobody can tell yet. */
  readonly sort: Sort | null;
  /** Most of its faults came while its part was in order. */
  readonly inOrder: boolean;
  /** The part whose upkeep the symptom makes due. */
  readonly pointNumber: number | null;
  /** The parts that stand on its tape: those that the symptom makes due, as far as they were ever served. */
  readonly pointNumbers: readonly number[];
  /** What fits, the first one first; nothing while a remedy is being watched. */
  readonly decisions: readonly Decision[];
  /** What it costs to keep against what a new one costs; null where replacing is not what fits. */
  readonly replacement: ReplacementCase | null;
  /** The evidence, a sentence each. */
  readonly says: readonly string[];
  readonly faults: readonly {
    readonly id: string;
    readonly day: string;
    readonly found: string | null;
    /** How the part that it made due stood, strictly before it. */
    readonly upkeep: 'inOrder' | 'past' | 'unknown';
  }[];
}
