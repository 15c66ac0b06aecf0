/** Saying that something is wrong, and closing it. */
import { array, object, type InferType } from 'yup';
import { id, line, note } from './fields.ts';

export const reportFault = object({
  id: id().required(), machineId: id().required(), symptom: line(60).required(), note: note().default(''),
  photoIds: array().of(id().required()).max(6).default([]),
});
export const closeFault = object({ found: note().min(3, 'field.found').required('field.found') });
export type ReportFault = InferType<typeof reportFault>;
export type CloseFault = InferType<typeof closeFault>;
