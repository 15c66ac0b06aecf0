/** Deficiencies: reporting and closing; their clocks are changed as those of faults are (`clocks.ts`). */
import { object, type InferType } from 'yup';
import type { Severity } from '../../core/faults/clock.ts';
import type { OfficePerson } from './clocks.ts';
import { id, line, note, photoIds } from '../form/fields.ts';

export const reportDeficiency = object({
  id: id().required(),
  machineId: id().required(),
  type: line(40).required(),
  note: note().default(''),
  photoIds: photoIds(),
});
export const closeDeficiency = object({
  done: note().min(3, 'field.done').required('field.done'),
  photoIds: photoIds(),
});
export type ReportDeficiency = InferType<typeof reportDeficiency>;
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
  /** The visit at which an outside inspector found it. */
  readonly inspectionId: string | null;
  /** Taken when it was put right. */
  readonly donePhotoIds: readonly string[];
  readonly closedOn: string | null;
  readonly done: string | null;
}

export interface DeficienciesAnswer {
  readonly deficiencies: readonly DeficiencySummary[];
  /** Who may be made responsible. */
  readonly people: readonly OfficePerson[];
}
