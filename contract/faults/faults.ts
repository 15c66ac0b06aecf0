/** Saying that something is wrong, and closing it. */
import { number, object, string, type InferType } from 'yup';
import { OTHER } from '../../core/faults/other.ts';
import { PAYERS, REMEDIES, type Payer, type Remedy } from '../../core/faults/closing.ts';
import type { Severity } from '../../core/faults/clock.ts';
import { count, id, isoDay, line, note, photoIds } from '../form/fields.ts';

export const reportFault = object({
  id: id().required(),
  machineId: id().required(),
  symptom: line(60).required(),
  note: note().default(''),
  /** Since when it is noticed. */
  noticed: isoDay().nullable().default(null),
  photoIds: photoIds(),
});
/** The most that one repair may be said to have cost, and taken. */
const MOST_COST = 100_000;
const MOST_MINUTES = 10_000;
export const closeFault = object({
  cause: line(60).required('field.cause'),
  remedy: string().oneOf(REMEDIES).required('field.remedy'),
  /** Words beside the codes; where the cause is *something else* they say what. */
  found: note()
    .default('')
    .when('cause', { is: OTHER, then: (it) => it.min(3, 'field.found').required('field.found') }),
  minutes: count(MOST_MINUTES).nullable().default(null),
  parts: line(200).default(''),
  cost: number().min(0).max(MOST_COST).nullable().default(null),
  payer: string().oneOf(PAYERS).default('landlord'),
  /** How it is now. */
  photoIds: photoIds(),
});
/** The cause of a fault that was closed in words alone. */
export const codeFault = object({ cause: line(60).required('field.cause') });
/**
 * What may be said of a machine: symptoms of a fault, signals that make upkeep due, deficiencies that upkeep will not
 * cure.
 */
export interface Reportable {
  /** `tip`: what may help before anybody is called. */
  readonly symptoms: readonly {
    readonly key: string;
    readonly says: string;
    readonly stopUsing: boolean;
    /** Whether checks lead to its cause. */
    readonly findable: boolean;
    readonly tip: string | null;
  }[];
  readonly signals: readonly { readonly key: string; readonly says: string }[];
  readonly deficiencies: readonly { readonly key: string; readonly says: string }[];
}
/** A machine of which something may be said. */
export interface ReportableMachine extends Reportable {
  readonly id: string;
  readonly name: string;
}
export type ReportFault = InferType<typeof reportFault>;
/** Asks a manager's yes to what a repair is to cost. */
export const askApproval = object({
  id: id().required(),
  amount: number().min(0).max(MOST_COST).required('field.required'),
  note: note().min(3, 'field.approvalNote').required('field.approvalNote'),
});
export const answerApproval = object({
  answer: string()
    .oneOf(['yes', 'no'] as const)
    .required(),
  words: line(400).default(''),
});
export const changeApprovalLimit = object({ amount: number().min(0).max(MOST_COST).nullable().default(null) });
export type AskApproval = InferType<typeof askApproval>;
export type AnswerApproval = InferType<typeof answerApproval>;
export type ChangeApprovalLimit = InferType<typeof changeApprovalLimit>;
export type CloseFault = InferType<typeof closeFault>;
export type CodeFault = InferType<typeof codeFault>;

export interface FaultSummary {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly property: string;
  readonly machineId: string;
  readonly machine: string;
  readonly machineType: string;
  readonly symptom: string;
  readonly says: string;
  readonly severity: Severity;
  readonly note: string;
  readonly openedAt: number;
  readonly zone: string;
  readonly openedBy: string;
  /** Others who noticed the same while it was open. */
  readonly alsoBy: readonly { readonly name: string; readonly note: string; readonly at: number }[];
  readonly correctBy: number;
  readonly stopUsing: boolean;
  /** Called unsafe by somebody at the machine: its work stands still until it is closed. */
  readonly alarm: boolean;
  readonly photoIds: readonly string[];
  /** Taken when it was closed. */
  readonly donePhotoIds: readonly string[];
  /** Day since when its reporter noticed it; null where nobody said. */
  readonly noticed: string | null;
  /** Who answers for it; null: nobody yet. */
  readonly responsible: string | null;
  /** What was last asked of a manager about its cost; null: nothing. */
  readonly approval: Approval | null;
  readonly pointNumber: number | null;
  readonly closedAt: number | null;
  readonly found: string | null;
  /** How it was closed, by code; null while it is open, and in closings of words alone. */
  readonly closing: FaultClosing | null;
  /** What its reporter said a week after it was closed; null while nobody has. */
  readonly gone: 'yes' | 'no' | null;
  /** Whether checks lead to its cause; else it is staff's at once. */
  readonly findable: boolean;
}
/** A repair that is to cost more than the limit. */
export interface Approval {
  readonly id: string;
  readonly amount: number;
  readonly note: string;
  readonly by: string;
  readonly at: number;
  readonly answer: 'yes' | 'no' | null;
  readonly answeredBy: string | null;
  /** What the manager said with it. */
  readonly words: string;
}
/** Of a fault that was closed a week ago, for whoever reported it: gone, or not? */
export interface GoneQuestion {
  readonly faultId: string;
  readonly machine: string;
  readonly says: string;
  /** Day on which it was closed. */
  readonly day: string;
}
export const answerGone = object({
  /** Of the fault that is opened anew where it is not gone. */
  id: id().required(),
  gone: string()
    .oneOf(['yes', 'no'] as const)
    .required(),
});
export type AnswerGone = InferType<typeof answerGone>;
export interface FaultClosing {
  readonly cause: string;
  /** The cause in words. A cause that the catalogue no longer has is told by its key. */
  readonly says: string;
  readonly remedy: Remedy | null;
  readonly minutes: number | null;
  readonly parts: string;
  readonly cost: number | null;
  readonly payer: Payer | null;
  /** Put right by the tenant, whom nobody had to visit. */
  readonly byTenant: boolean;
}
export interface FaultsAnswer {
  /** Open ones first, the most pressing at the top, then those closed lately. */
  readonly faults: readonly FaultSummary[];
  /** Closed in words alone: how many, and the latest of them. */
  readonly uncoded: { readonly count: number; readonly faults: readonly FaultSummary[] };
  /** What a repair may cost without a manager's yes; null: anything. */
  readonly approvalLimit: number | null;
  /** Faults that tenants ended themselves, and what as many calls would cost by the price of a door; null without. */
  readonly avoided: { readonly count: number; readonly price: number | null; readonly currency: string };
}
