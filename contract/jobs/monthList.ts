/** The month's list of one home: given by itself on a fixed day, to whoever lives there or to one of the office. */
import { object, type InferType } from 'yup';
import { id } from '../form/fields.ts';
import { rule } from '../due/practice.ts';

export const changeMonthList = object({
  /** RFC 5545; null: there is none. */
  rule: rule().nullable().defined(),
  /** Null: whoever lives there. */
  personId: id().nullable().default(null),
});
export type ChangeMonthList = InferType<typeof changeMonthList>;

export interface MonthSitting {
  /** Null while it is not given. */
  readonly jobId: string | null;
  readonly machine: string;
  readonly parts: readonly string[];
  readonly minutes: number;
  /** `sent`: proven, and looked at or not. */
  readonly state: 'toCome' | 'open' | 'begun' | 'sent' | 'over';
  /** It is in the hands of whoever reads. */
  readonly mine: boolean;
}

export interface MonthListAnswer {
  readonly placeId: string;
  readonly place: string;
  readonly property: string;
  /** Null where the home has none; in words beside it. */
  readonly rule: string | null;
  readonly says: string;
  readonly personId: string | null;
  /** ISO day that the sittings are for; null where there is none. */
  readonly day: string | null;
  readonly given: boolean;
  readonly sittings: readonly MonthSitting[];
  /** What could not be given, in words. */
  readonly left: readonly string[];
  /** Who may get it beside whoever lives there; none for a tenant. */
  readonly people: readonly { readonly id: string; readonly name: string }[];
}
