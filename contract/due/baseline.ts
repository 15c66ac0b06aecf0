/** The baseline: what has no record, spread over weeks. */
import { number, object, string, type InferType } from 'yup';
import { PART_KINDS, type PointKind } from '../../core/catalogue/types.ts';
import { id, ids, isoDay } from '../form/fields.ts';
import { MOST_CHOSEN } from '../form/limits.ts';

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
  /** Null: each home's tenant. */
  assigneeId: id().nullable().default(null),
  /** Chosen parts of the week; null: all that is open. */
  pointIds: ids(MOST_CHOSEN).nullable().default(null),
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
    .oneOf([...PART_KINDS])
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
