/** Saying that something is wrong, and closing it. */
import { array, object, type InferType } from 'yup';
import type { Severity } from '../../core/faults/symptoms.ts';
import { id, line, note } from '../form/fields.ts';

export const reportFault = object({
  id: id().required(),
  machineId: id().required(),
  symptom: line(60).required(),
  note: note().default(''),
  photoIds: array().of(id().required()).max(6).default([]),
});
export const closeFault = object({ found: note().min(3, 'field.found').required('field.found') });
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
export type CloseFault = InferType<typeof closeFault>;

export interface FaultSummary {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly machineId: string;
  readonly machine: string;
  readonly symptom: string;
  readonly says: string;
  readonly severity: Severity;
  readonly note: string;
  readonly openedAt: number;
  readonly zone: string;
  readonly openedBy: string;
  readonly correctBy: number;
  readonly stopUsing: boolean;
  /** Called unsafe by somebody at the machine: its work stands still until it is closed. */
  readonly alarm: boolean;
  readonly photoIds: readonly string[];
  readonly pointNumber: number | null;
  readonly closedAt: number | null;
  readonly found: string | null;
}
