/** Faults that several machines share because of where they stand, what they are, or who looks after them. */
import type { SharedBy } from '../../core/faults/shared.ts';

export interface SharedSummary {
  readonly by: SharedBy;
  readonly group: string;
  /** What they have in common, in words. */
  readonly what: string;
  readonly symptom: string;
  readonly says: string;
  readonly machines: readonly {
    readonly number: number;
    readonly machine: string;
    readonly placeId: string;
    readonly place: string;
  }[];
}
export interface SharedAnswer {
  /** The surest first. */
  readonly shared: readonly SharedSummary[];
  /** How many groups of machines were compared, and over how many months. */
  readonly compared: number;
  readonly months: number;
}
