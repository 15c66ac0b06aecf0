/** Deficiencies: reporting, changing who puts one right and by when, closing. */
import { array, object, string, type InferType } from 'yup';
import type { Severity } from '../../core/faults/symptoms.ts';
import { id, isoDay, line, note } from '../form/fields.ts';

export const SEVERITIES = ['lifeThreatening', 'severe', 'moderate', 'low'] as const satisfies readonly Severity[];

export const reportDeficiency = object({
  id: id().required(),
  machineId: id().required(),
  type: line(40).required(),
  note: note().default(''),
  photoIds: array().of(id().required()).max(6).default([]),
});
export const changeDeficiency = object({
  severity: string().oneOf(SEVERITIES).required(),
  correctBy: isoDay().required(),
  responsibleId: id().nullable().default(null),
});
export const closeDeficiency = object({ done: note().min(3, 'field.done').required('field.done') });
export type ReportDeficiency = InferType<typeof reportDeficiency>;
export type ChangeDeficiency = InferType<typeof changeDeficiency>;
export type CloseDeficiency = InferType<typeof closeDeficiency>;

export interface DeficiencySummary {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly machine: string;
  readonly says: string;
  readonly severity: Severity;
  readonly note: string;
  readonly openedBy: string;
  readonly openedOn: string;
  readonly correctBy: string;
  readonly overdue: boolean;
  readonly responsibleId: string | null;
  readonly responsible: string | null;
  readonly photoIds: readonly string[];
  readonly closedOn: string | null;
  readonly done: string | null;
}

export interface DeficienciesAnswer {
  readonly deficiencies: readonly DeficiencySummary[];
  /** Who may be made responsible. */
  readonly people: readonly { readonly id: string; readonly name: string }[];
}
