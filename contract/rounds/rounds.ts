/** The plan of rounds: made, shaped by hand, taken over; and each person's round of a day. */
import { array, boolean, number, object, string, type InferType } from 'yup';
import { count, id, isoDay, line } from '../form/fields.ts';
import { HALVES } from '../../core/rounds/instance.ts';
import type { Reason } from '../../core/rounds/reasons.ts';
import type { Mishap } from './mishaps.ts';
import type { Rule } from '../../core/rounds/rules.ts';

export const PLAN_WEEKS = [4, 6, 8, 12] as const;
/** Visits that are taken over with one request. */
export const MOST_TAKEN_OVER = 4;

const revision = () => count(1_000_000_000).required();
const visit = () => count(1_000_000).required();

export const makePlan = object({
  weeks: number()
    .oneOf([...PLAN_WEEKS])
    .required(),
  /** Whether what was moved by hand stays where it is. */
  keep: boolean().default(true),
});
export type MakePlan = InferType<typeof makePlan>;

/** A week of the plan, counted from 0. */
const week = () => count(11).default(0);
export const planWeek = object({ week: week() });
export type PlanWeek = InferType<typeof planWeek>;

export const SHAPES = ['move', 'pin', 'free', 'split', 'out'] as const;
export const shapePlan = object({
  revision: revision(),
  week: week(),
  shape: string().oneOf(SHAPES).required(),
  visit: visit(),
  /** Of a move and of a split: to whom, and on which day. Onto another visit of the home they become one. */
  personId: id().nullable().default(null),
  day: isoDay().nullable().default(null),
  /** Of a split: numbers of the parts that go. */
  parts: array().of(count(1_000_000_000).required()).max(200).default([]),
});
export type ShapePlan = InferType<typeof shapePlan>;

export const takeOver = object({
  revision: revision(),
  week: week(),
  visits: array().of(visit()).min(1).max(MOST_TAKEN_OVER).required(),
});
export type TakeOver = InferType<typeof takeOver>;

export interface PlanPart {
  readonly number: number;
  readonly says: string;
  readonly minutes: number;
  /** ISO day of its line. */
  readonly line: string;
  /** Days after its line, or before it where below 0. */
  readonly daysPast: number;
}

export interface PlanVisitAnswer {
  /** Its number in the plan; it stays the same while the plan is shaped. */
  readonly visit: number;
  readonly personId: string;
  readonly placeId: string;
  readonly place: string;
  readonly propertyId: string;
  readonly property: string;
  readonly day: string;
  readonly minutes: number;
  readonly pinned: boolean;
  /** Taken over: its jobs are given and its notice is out. */
  readonly takenOver: boolean;
  readonly parts: readonly PlanPart[];
  /** Why it is here, in a sentence. */
  readonly why: string;
  readonly broken: readonly { readonly rule: Rule; readonly says: string }[];
}

export interface PlanPerson {
  readonly id: string;
  readonly name: string;
  /** The week's days: minutes had and minutes used; both 0 where they are not at work. */
  readonly days: readonly { readonly had: number; readonly used: number }[];
  /** Hours a week that were taken for theirs, as nobody has entered any. */
  readonly assumed: number | null;
}

export interface PlanCosts {
  readonly doors: number;
  readonly hours: number;
  /** Days past the line, weighted by risk. */
  readonly pastRisk: number;
  /** Share of an interval thrown away, on average, 0 to 1. */
  readonly thrown: number;
}

/** What is not for staff's rounds, counted by why; with the parts of the plan it is every part there is. */
export interface NotInPlan {
  readonly noRecord: number;
  readonly onHold: number;
  readonly later: number;
  readonly awaiting: number;
  readonly withTenants: number;
  readonly forTenants: number;
  readonly licensed: number;
}

export interface Plan {
  readonly revision: number;
  readonly madeAt: number;
  readonly zone: string;
  /** ISO day of its first day, and how many there are. */
  readonly from: string;
  readonly days: number;
  /** The week that is shown, counted from 0; visits are those of its days. */
  readonly week: number;
  readonly people: readonly PlanPerson[];
  readonly visits: readonly PlanVisitAnswer[];
  readonly leftOut: readonly {
    readonly part: PlanPart;
    readonly place: string;
    readonly reason: Reason;
    readonly says: string;
    readonly remedy: string;
  }[];
  /** How many they are; of very many not each is named. */
  readonly leftOutCount: number;
  readonly costs: PlanCosts;
  /** Each machine on its own line day, by as many people as that takes. */
  readonly alone: PlanCosts;
  /** Fewer doors than this no plan has that is in time. */
  readonly fewestDoors: number;
  /** Visits on a day that the household does not like. */
  readonly unliked: number;
  /** Each property is one person’s: by house and day it reads shorter than by person. */
  readonly patches: boolean;
  /** What tenants would be asked for, home by home, first whom to ask first. */
  readonly tenants: readonly {
    readonly placeId: string;
    readonly place: string;
    readonly parts: number;
    /** By when they are to be asked so that the first line is met in four cases of five; null where they hardly answer. */
    readonly askBy: string | null;
    /** That day is over: each day that passes makes the line less likely. */
    readonly late: boolean;
  }[];
  readonly counted: NotInPlan & { readonly inPlan: number };
}

export interface PlanAnswer {
  /** Null where none was made. */
  readonly plan: Plan | null;
  /** Homes of the office: under a dozen, or alone, the month’s list is the plan. */
  readonly homes: number;
  readonly workers: number;
}

export interface TakenOver {
  readonly jobs: number;
  readonly announced: number;
  /** What could not be given or announced, each with its reason. */
  readonly left: readonly { readonly placeId: string; readonly place: string; readonly says: string }[];
  readonly plan: PlanAnswer;
}

/** Hours that people have in each of twelve months from a day on. */
export interface CapacityAnswer {
  readonly from: string;
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    /** Hours a week that were taken for theirs, as nobody has entered any. */
    readonly assumed: number | null;
    readonly hours: readonly number[];
  }[];
}

export const dayOff = object({
  id: id().required(),
  from: isoDay().required(),
  to: isoDay().required(),
  why: line(80).default(''),
});
export type DayOff = InferType<typeof dayOff>;

export interface WorkingTime {
  readonly workDays: readonly number[];
  readonly basePropertyId: string | null;
  readonly daysOff: readonly {
    readonly id: string;
    readonly from: string;
    readonly to: string;
    readonly why: string;
  }[];
}

export const workingTime = object({
  /** 0 is Monday. */
  workDays: array().of(number().integer().min(0).max(6).required()).max(7).required(),
  basePropertyId: id().nullable().default(null),
});
export type ChangeWorkingTime = InferType<typeof workingTime>;

const weekdays = () => array().of(number().integer().min(0).max(6).required()).max(7).default([]);
/** What somebody must know who goes into a home, and when nobody may. */
export const homeAccess = object({
  /** Weekdays without entry; 0 is Monday. */
  closed: weekdays(),
  /** Weekdays on which they like visits; none: any. A plan weighs it, and never at the price of a late part. */
  liked: weekdays(),
  half: string()
    .oneOf(['any', ...HALVES])
    .default('any'),
  dog: boolean().default(false),
  /** Where the key is. */
  key: line(120).default(''),
  /** What else they like, in words. */
  prefers: line(120).default(''),
});
export type HomeAccess = InferType<typeof homeAccess>;

export const roundOn = object({ day: isoDay().nullable().default(null) });
export type RoundOn = InferType<typeof roundOn>;

export interface RoundStop {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly propertyId: string;
  readonly property: string;
  /** Minutes past midnight. */
  readonly at: number;
  readonly until: number;
  /** It is gone back to, for what was left to soak or run. */
  readonly back: boolean;
  readonly access: HomeAccess;
  /** How the notice stands, in words. */
  readonly notice: string;
  /** The window that whoever lives there was told of. */
  readonly told: { readonly from: number; readonly until: number } | null;
  /** What came between; nobody goes there again today where they found no way in. */
  readonly mishaps: readonly Mishap[];
  readonly done: boolean;
  readonly parts: readonly {
    readonly number: number;
    readonly says: string;
    readonly where: string | null;
    readonly size: string | null;
    readonly agent: string | null;
    readonly done: boolean;
  }[];
}

export interface RoundAnswer {
  readonly person: string;
  readonly personId: string;
  readonly day: string;
  readonly zone: string;
  /** Days with a round, for going from one to another. */
  readonly days: readonly string[];
  readonly stops: readonly RoundStop[];
  /** What to carry, in amounts. */
  readonly kit: readonly string[];
  /** What must not meet today. */
  readonly apart: readonly string[];
}
