/** An outside inspector's visit: what was found, against which part, and the answer to each. */
import { object, string, type InferType } from 'yup';
import { SEVERITIES, type Severity } from '../../core/faults/clock.ts';
import { id, isoDay, line, note, photoIds } from '../form/fields.ts';

export const newInspection = object({
  id: id().required(),
  propertyId: id().required('field.required'),
  day: isoDay().required('field.day'),
  inspector: line(120).required(),
  reference: line(120).default(''),
});
export const newFinding = object({
  id: id().required(),
  machineId: id().required('field.machine'),
  pointId: id().nullable().default(null),
  severity: string().oneOf(SEVERITIES).required(),
  note: note().min(3, 'field.finding').required('field.finding'),
  /** As the inspector says; else by the rule in force, from the day of the visit. */
  correctBy: isoDay().nullable().default(null),
  photoIds: photoIds(),
});
export type NewInspection = InferType<typeof newInspection>;
export type NewFinding = InferType<typeof newFinding>;

export interface InspectionSummary {
  readonly id: string;
  readonly propertyId: string;
  readonly property: string;
  readonly day: string;
  readonly inspector: string;
  readonly reference: string;
  readonly findings: number;
  readonly answered: number;
  readonly overdue: number;
}

/** Something that an inspector found, and what was answered. */
export interface Finding {
  readonly id: string;
  readonly place: string;
  readonly placeId: string;
  readonly machine: string;
  readonly part: string | null;
  readonly pointNumber: number | null;
  readonly severity: Severity;
  readonly note: string;
  readonly correctBy: string;
  readonly overdue: boolean;
  readonly responsible: string | null;
  readonly photoIds: readonly string[];
  /** Null while it waits for an answer. */
  readonly answer: {
    readonly done: string;
    readonly day: string;
    readonly by: string;
    readonly photoIds: readonly string[];
  } | null;
  /** The last service of the part, and how well it is known. */
  readonly served: { readonly day: string; readonly evidence: string } | null;
}

export interface InspectionAnswer extends InspectionSummary {
  readonly list: readonly Finding[];
  /** What findings may be entered against: homes of the property with their machines and parts. */
  readonly homes: readonly {
    readonly id: string;
    readonly name: string;
    readonly machines: readonly {
      readonly id: string;
      readonly name: string;
      readonly parts: readonly { readonly id: string; readonly name: string }[];
    }[];
  }[];
}

export interface InspectionsAnswer {
  readonly inspections: readonly InspectionSummary[];
  readonly properties: readonly { readonly id: string; readonly name: string }[];
}
