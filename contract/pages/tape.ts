/** The tape: the history of a machine or a home as one strip over time. */
import { object, type InferType } from 'yup';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { PointKind } from '../../core/catalogue/types.ts';
import type { Decision } from '../../core/faults/remedies.ts';
import type { Trace } from '../../core/standing/trace.ts';
import { id, isoDay, yes } from '../form/fields.ts';

/** What is asked of a tape: where it stands beside something, only what is drawn. */
export const tapeOf = object({ story: yes().default(true) });
export type TapeForm = InferType<typeof tapeOf>;

/** What a history on paper is about: a tenancy, or a window; without either all that is known. */
export const historyOf = object({
  tenancyId: id().nullable().default(null),
  from: isoDay().nullable().default(null),
  to: isoDay().nullable().default(null),
});
export type HistoryForm = InferType<typeof historyOf>;

/** A service on the saw, or a look beside it. */
export interface Tooth {
  readonly day: number;
  readonly grade: Grade | null;
  readonly look: boolean;
}

export interface TapePart {
  readonly number: number;
  readonly name: string;
  readonly machine: string;
  readonly machineNumber: number;
  readonly kind: PointKind;
  readonly safetyCritical: boolean;
  readonly trace: Trace;
  readonly teeth: readonly Tooth[];
}

/** Something from one day to another; null while it lasts. */
export interface TapeBar {
  readonly fromDay: number;
  readonly toDay: number | null;
  readonly says: string;
}

/** Something under the saws: a flag on its day, filled while it is open. */
export interface TapeFlag extends TapeBar {
  readonly kind: 'fault' | 'signal';
  /** Of a fault its symptom's group, for the pattern that it belongs to. */
  readonly group: string;
  readonly machineNumber: number;
}

export const STORY_KINDS = ['service', 'work', 'fault', 'deficiency', 'household', 'remedy'] as const;
export type StoryKind = (typeof STORY_KINDS)[number];

/** One thing that happened, in words. */
export interface TapeEvent {
  readonly at: number;
  readonly day: number;
  readonly kind: StoryKind;
  readonly says: string;
  /** Of what: the part, or the machine. */
  readonly of: string;
  /** Null where nobody is known. */
  readonly by: string | null;
}

export interface TapeAnswer {
  readonly name: string;
  readonly place: { readonly id: string; readonly name: string; readonly property: string };
  /** The first day that anything is known of. */
  readonly fromDay: number;
  readonly today: number;
  readonly zone: string;
  readonly parts: readonly TapePart[];
  readonly households: readonly TapeBar[];
  readonly flags: readonly TapeFlag[];
  readonly deficiencies: readonly TapeBar[];
  /** Posts: what was decided, and when. */
  readonly remedies: readonly { readonly day: number; readonly decision: Decision }[];
  /** Newest first; empty where it was not asked for. */
  readonly story: readonly TapeEvent[];
}
