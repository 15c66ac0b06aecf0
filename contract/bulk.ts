/** Filling a register fast: templates, import, the baseline. */
import { array, number, object, string, type InferType } from 'yup';
import { POINT_KINDS } from '../core/catalogue/catalogue.ts';
import type { PointKind } from '../core/catalogue/types.ts';
import type { KnownRegister } from '../core/register/rows.ts';
import { id, isoDay } from './fields.ts';
import type { Column } from '../core/register/columns.ts';
import type { MachineSketch } from './machines.ts';

/** A register as a table: the text of the file, its head line first, with the column under each head. */
export interface ImportForm {
  readonly csv: string;
  /** Null for a column that is not taken. */
  readonly columns: readonly (Column | null)[];
  /** Where properties without a time zone lie. */
  readonly zone: string;
}

export interface TemplateSummary {
  /** A starter's key, or the id of one's own. */
  readonly id: string;
  readonly name: string;
  readonly own: boolean;
  readonly machines: readonly MachineSketch[];
  readonly points: number;
}

/** Largest file of an import. */

/** What an import would do, or has done. */
export interface ImportAnswer {
  readonly rows: number;
  readonly properties: number;
  readonly units: number;
  readonly machines: number;
  readonly points: number;
}

/** What a preview of a file needs of the register. */
export interface KnownAnswer {
  readonly known: KnownRegister;
  readonly zone: string;
  readonly today: number;
}

export const BASELINE_WEEKS = { least: 1, most: 26, usual: 6 } as const;

export const planBaseline = object({
  /** Null plans every property. */
  propertyId: id().nullable().default(null),
  weeks: number().integer().min(BASELINE_WEEKS.least).max(BASELINE_WEEKS.most).required(),
  start: isoDay().required(),
});
export const giveWeek = object({
  week: isoDay().required(),
  propertyId: id().nullable().default(null),
  assigneeId: id().required(),
});
export const previewBaseline = object({
  propertyId: id().nullable().default(null),
  weeks: number().integer().min(BASELINE_WEEKS.least).max(BASELINE_WEEKS.most).default(BASELINE_WEEKS.usual),
  start: isoDay().default(undefined),
});

export type PlanBaseline = InferType<typeof planBaseline>;
/** Parts of which nothing is known were last served on a day, as whoever handed them over says. */
export const claimDone = object({
  propertyId: id().nullable().default(null),
  kind: string()
    .oneOf([...POINT_KINDS])
    .nullable()
    .default(null),
  day: isoDay().required(),
});
export type ClaimDone = InferType<typeof claimDone>;
export type GiveWeek = InferType<typeof giveWeek>;
export type PreviewBaseline = InferType<typeof previewBaseline>;

export interface BaselinePoint {
  readonly pointId: string;
  readonly number: number;
  readonly name: string;
  readonly kind: PointKind;
  readonly safetyCritical: boolean;
  readonly place: string;
  readonly minutes: number;
  readonly state: 'open' | 'given' | 'done';
}

export interface BaselineWeek {
  /** Its Monday. */
  readonly week: string;
  readonly minutes: number;
  readonly doors: number;
  readonly done: number;
  readonly given: number;
  readonly points: readonly BaselinePoint[];
}

export interface BaselineAnswer {
  /** Points that nobody has logged. */
  readonly noRecord: number;
  readonly planned: readonly BaselineWeek[];
  /** What planning now would give; none where nothing is without a record. */
  readonly proposed: readonly BaselineWeek[];
  readonly today: string;
  readonly properties: readonly { readonly id: string; readonly name: string }[];
  readonly assignees: readonly { readonly id: string; readonly name: string }[];
}

export const fileColumns = array().of(string().nullable().defined()).max(200).required();
