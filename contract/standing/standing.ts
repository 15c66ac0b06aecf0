/** Standing as of a day: of every home, every property and all together. */
import { object, type InferType } from 'yup';
import type { PointKind } from '../../core/catalogue/types.ts';
import type { ShareInterval } from '../../core/statistics/proportion.ts';
import type { PointDays } from '../../core/standing/trace.ts';
import type { Standing, StandingVerdict } from '../../core/standing/standing.ts';
import { count, id, isoDay, line } from '../form/fields.ts';

/** The day asked for, today without one; its window begins a year before where nothing else is asked. */
export const standingOn = object({ day: isoDay(), from: isoDay() });
export type StandingOn = InferType<typeof standingOn>;

/** The share of its parts past the line, in percent, above which a home is in breach. */
export const changeVerdict = object({ percent: count(99).min(1).required('field.required') });
export type ChangeVerdict = InferType<typeof changeVerdict>;

/** Reports as paper: all of it for an owner; what burns and floods for an insurer. */
export const REPORTS = ['owner', 'insurer'] as const;
export type ReportKind = (typeof REPORTS)[number];

/** A link by which an owner reads the standing of one property, or of all. */
export const newOwnerLink = object({
  id: id().required(),
  name: line().required(),
  propertyId: id().nullable().default(null),
  days: count(400).min(1).default(30),
});
export type NewOwnerLink = InferType<typeof newOwnerLink>;

export interface OwnerLinkSummary {
  /** Of the person whom it lets in. */
  readonly id: string;
  readonly name: string;
  /** Null: all properties. */
  readonly property: string | null;
  /** Last moment on which it opens, ms. */
  readonly expiresAt: number;
}

export interface FiguresAnswer {
  readonly standing: Standing;
  readonly days: PointDays;
  readonly pastShare: number | null;
  readonly onTime: ShareInterval | null;
}

/** A part that keeps a home from being sound. */
export interface ShortfallAnswer {
  readonly number: number;
  readonly says: string;
  readonly safetyCritical: boolean;
  readonly daysPast: number | null;
  /** Who had been given its work by then; null where nobody had. */
  readonly by: string | null;
}

export interface PlaceStanding {
  readonly id: string;
  readonly name: string;
  readonly kind: 'unit' | 'shared';
  readonly propertyId: string;
  readonly buildingId: string | null;
  /** Who lived there on that day. */
  readonly tenant: string | null;
  readonly figures: FiguresAnswer;
  readonly alarms: number;
  /** Why it is not sound, the gravest first: parts, in words. */
  readonly shortfalls: readonly ShortfallAnswer[];
  /** The first day on which a part that was in order reached its line. */
  readonly soundUntil: string | null;
}

export interface GroupStanding {
  readonly id: string;
  readonly name: string;
  readonly figures: FiguresAnswer;
  readonly homes: Readonly<Record<StandingVerdict, number>>;
}

/** Past-line days of a month, of everything and of each property. */
export interface MonthDays {
  readonly month: string;
  readonly days: PointDays;
  readonly byProperty: readonly PointDays[];
}

export interface StandingAnswer {
  readonly day: string;
  readonly from: string;
  readonly today: string;
  /** The first day of the register; a window that begins before it is cut there. */
  readonly began: string | null;
  readonly cut: boolean;
  /** A home with a larger share of its parts past the line is in breach, 0 to 1; as it was on that day. */
  readonly breachShare: number;
  readonly whole: Omit<GroupStanding, 'id' | 'name'>;
  readonly properties: readonly (GroupStanding & { readonly buildings: readonly GroupStanding[] })[];
  readonly places: readonly PlaceStanding[];
  readonly months: readonly MonthDays[];
  /** Who did the services of the window, the most first, each with how many were on time. */
  readonly people: readonly { readonly name: string; readonly count: number; readonly onTime: ShareInterval }[];
  /** What was found, by kind of part: how often each grade, clean first. */
  readonly conditions: readonly { readonly kind: PointKind; readonly grades: readonly number[] }[];
  /** Faults that came within the window, by cause, the most frequent first; the rest by name. */
  readonly causes: {
    readonly coded: readonly { readonly says: string; readonly count: number }[];
    readonly open: number;
    readonly uncoded: number;
  };
  /** The end of the log when this was worked out: how many entries, and the hash over them. */
  readonly log: { readonly entries: number; readonly head: string };
}
