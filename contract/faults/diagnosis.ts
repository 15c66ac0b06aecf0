/** Finding the cause of an open fault, check by check. */
import { object, string, type InferType } from 'yup';
import type { Level } from '../../core/catalogue/types.ts';
import { id, line } from '../form/fields.ts';

/** An answer to a check, or whether the fault was gone after a cause was put right; `takenBack` undoes the latest. */
export const answerCheck = object({
  id: id().required(),
  kind: string().oneOf(['check', 'remedy']).required(),
  subject: line(60).required(),
  answer: string().oneOf(['yes', 'no', 'unsure', 'takenBack']).required(),
});
export type AnswerCheck = InferType<typeof answerCheck>;

export interface DiagnosisAnswer {
  readonly faultId: string;
  readonly machine: string;
  readonly machineType: string;
  readonly machineNumber: number;
  readonly place: string;
  readonly symptom: string;
  readonly says: string;
  readonly openedAt: number;
  readonly zone: string;
  /** What it was, once it is closed. */
  readonly closed: string | null;
  /** Why nobody looks for the cause here: it is not safe, or no cause of it is known. */
  readonly stop: 'unsafe' | 'unknown' | null;
  readonly stopUsing: boolean;
  /** Whose checks and remedies are offered. */
  readonly level: Level;
  /** What comes next; null where the search is over. */
  readonly next:
    | { readonly kind: 'check'; readonly key: string; readonly says: string; readonly minutes: number }
    | {
        readonly kind: 'remedy';
        readonly key: string;
        readonly says: string;
        readonly minutes: number;
        /** The part whose upkeep puts it right. */
        readonly pointNumber: number | null;
      }
    | { readonly kind: 'handOver'; readonly to: Level }
    | null;
  /** Minutes until it is put right, on average. */
  readonly minutes: number;
  /** Causes with their odds now, the likeliest first. */
  readonly causes: readonly {
    readonly key: string;
    readonly says: string;
    readonly odds: number;
    readonly level: Level;
    /** Put right in vain. */
    readonly tried: boolean;
  }[];
  /** What was answered, the latest last. */
  readonly told: readonly {
    readonly kind: 'check' | 'remedy';
    readonly subject: string;
    readonly says: string;
    readonly answer: 'yes' | 'no' | 'unsure';
    /** Told to the office alone. */
    readonly by: string | null;
  }[];
  /** What moved the odds before anybody looked, a sentence each. */
  readonly because: readonly string[];
}
