/** Signals from people and machines, and looks. */
import { array, mixed, number, object, string, type InferType } from 'yup';
import { GRADES, type Grade } from '../../core/catalogue/grades.ts';
import type { SignalState } from '../../core/due/signals.ts';
import { id, isoDay, line, note } from '../form/fields.ts';

export const reportSignal = object({
  id: id().required(),
  machineId: id().required(),
  type: line(60).required(),
  note: note().default(''),
  photoIds: array().of(id().required()).max(4).default([]),
});
export const dismissSignal = object({
  reason: note().min(3, 'field.dismissReason').required('field.dismissReason'),
  recheck: isoDay().required(),
});

/** What a machine sends: signed with its key over these bytes. */
export const machineSignal = object({
  emitter: id().required(),
  sequence: number().integer().min(1).max(Number.MAX_SAFE_INTEGER).required(),
  at: number().integer().min(0).required(),
  type: line(60).required(),
  code: string().trim().max(40).default(''),
});
export const SIGNATURE_HEADER = 'x-dewline-signature';
/** How old or early a machine's message may be, ms. */
export const MESSAGE_SLACK_MS = 10 * 60_000;

export const newLook = object({
  id: id().required(),
  number: number().integer().min(1).required(),
  grade: mixed<Grade>()
    .oneOf([...GRADES])
    .required(),
  day: isoDay().nullable().default(null),
  note: note().default(''),
});

export type ReportSignal = InferType<typeof reportSignal>;
export type DismissSignal = InferType<typeof dismissSignal>;
export type MachineSignal = InferType<typeof machineSignal>;
export type NewLook = InferType<typeof newLook>;

export interface SignalSummary {
  readonly id: string;
  readonly says: string;
  readonly note: string;
  readonly placeId: string;
  readonly place: string;
  readonly machine: string;
  readonly pointNumber: number;
  readonly state: SignalState;
  readonly stateSays: string;
  readonly at: number;
  readonly zone: string;
  readonly today: string;
  readonly times: number;
  readonly by: string;
  readonly fromMachine: boolean;
  readonly photoIds: readonly string[];
  /** Who reported it again, in their own words, oldest first. */
  readonly reports: readonly { readonly by: string; readonly at: number; readonly note: string }[];
  readonly recheck: string | null;
  readonly reason: string | null;
}

/** What a scan of a label opens: enough for a grade in twenty seconds. */
export interface LookAnswer {
  readonly number: number;
  readonly name: string;
  readonly place: string;
  readonly machine: string;
  readonly procedure: string;
  readonly today: string;
  readonly due: string;
  readonly served: string | null;
  readonly grades: readonly { readonly value: Grade; readonly label: string }[];
}

export interface LookDone {
  readonly id: string;
  /** What it changed, in a sentence. */
  readonly says: string;
}
