/** Choosing: practice, methods, assumptions, the calendar, prices and budgets, and seeing first what would follow. */
import { array, lazy, mixed, number, object, string, type InferType } from 'yup';
import { dayFromIso } from '../../core/calendar/day.ts';
import { occursEver } from '../../core/calendar/recurrence.ts';
import { parseRule } from '../../core/calendar/rule.ts';
import { METHODS, type MethodKey } from '../../core/catalogue/types.ts';
import { ANCHOR_KINDS, type AnchorKind } from '../../core/catalogue/anchorChoice.ts';
import type { Burden } from '../../core/due/burden.ts';
import type { Spent } from '../../core/due/spent.ts';
import { PRACTICES, type Practice } from '../../core/catalogue/practice.ts';
import { count, id, isoDay, line } from '../form/fields.ts';

/** Where a choice holds, from the whole to the single point. */
export const SCOPES = ['organisation', 'property', 'place', 'machine', 'point'] as const;
export type Scope = (typeof SCOPES)[number];

/** `subjectId` is null for the organisation. */
const scoped = {
  scope: mixed<Scope>()
    .oneOf([...SCOPES])
    .required(),
  subjectId: id().nullable().default(null),
};
/** A rule has a day from some start on; whether from its own, whoever takes both looks. */
const A_LEAP_YEAR = dayFromIso('2024-01-01');
/** A rule that never occurs is refused. */
export const rule = () =>
  string()
    .trim()
    .max(200)
    .test('rule', 'field.rule', (text) => {
      try {
        return text == null || occursEver(parseRule(text), A_LEAP_YEAR);
      } catch {
        return false;
      }
    });
const practice = () => mixed<Practice>().oneOf([...PRACTICES]);
/** Numbers by name; the service holds each against its range. */
const changes = lazy((value: unknown) =>
  object(
    Object.fromEntries(
      Object.keys((value as object | undefined) ?? {})
        .slice(0, 200)
        .map((name) => [name, number().nullable().defined()]),
    ),
  ).default({}),
);

/** Null takes the choice back: what stands around it holds again. */
export const choosePractice = object({ ...scoped, practice: practice().nullable().defined() });
export const chooseMethod = object({
  ...scoped,
  method: mixed<MethodKey>()
    .oneOf([...METHODS])
    .required(),
  option: line(40).nullable().defined(),
});
export const changeAssumptions = object({ changes });
export const anchorChoice = object({
  kind: mixed<AnchorKind>()
    .oneOf([...ANCHOR_KINDS])
    .required(),
  rule: rule().when('kind', ([kind], schema) => (kind === 'rule' ? schema.required() : schema)),
  start: isoDay().when('kind', ([kind], schema) => (kind === 'rule' ? schema.required() : schema)),
  mode: mixed<'sets' | 'limits'>().oneOf(['sets', 'limits']).default('sets'),
});
export const anchorPoint = object({ anchor: anchorChoice.nullable().default(null) });
export const schedulePoint = object({ scheduled: mixed<'yes' | 'no'>().oneOf(['yes', 'no']).required() });
export const changeSeasons = object({
  ...scoped,
  coolingMonth: number().integer().min(1).max(12).required(),
  coolingDate: number().integer().min(1).max(28).required(),
  leadDays: count(120).required(),
  warmCelsius: number().min(5).max(45).required(),
});
export const changeUpkeepDay = object({
  ...scoped,
  rule: rule().nullable().defined(),
  start: isoDay().nullable().default(null),
});
export const changePrices = object({
  staffHour: number().min(0).max(100_000).required(),
  /** Hours that staff have for upkeep in a month; null where nobody says. */
  hoursAMonth: number().min(0).max(100_000).nullable().default(null),
  door: number().min(0).max(100_000).required(),
  /** One call of a licensed trade; null where nobody says. */
  call: number().min(0).max(100_000).nullable().default(null),
  materials: lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((value as object | undefined) ?? {})
          .slice(0, 60)
          .map((name) => [name, number().min(0).max(100_000).required()]),
      ),
    ).default({}),
  ),
});
/** Of all tenancies, or of one. */
export const changeBudget = object({
  tenancyId: id().nullable().default(null),
  jobs: count(31).required(),
  minutes: count(1000).required(),
});
/** What a point's working may be tried with. */
export const suppose = object({
  practice: practice().default(undefined),
  anchor: anchorChoice.nullable().default(undefined),
  changes: changes,
  methods: array()
    .of(
      object({
        method: mixed<MethodKey>()
          .oneOf([...METHODS])
          .required(),
        option: line(40).required(),
      }),
    )
    .max(METHODS.length)
    .default([]),
});

export type ChoosePractice = InferType<typeof choosePractice>;
export type ChooseMethod = InferType<typeof chooseMethod>;
export type ChangeAssumptions = { readonly changes: Readonly<Record<string, number | null>> };
export type AnchorForm = InferType<typeof anchorChoice>;
export type ChangeSeasons = InferType<typeof changeSeasons>;
export type ChangeUpkeepDay = InferType<typeof changeUpkeepDay>;
export type ChangePrices = {
  readonly staffHour: number;
  readonly hoursAMonth?: number | null;
  readonly door: number;
  readonly call?: number | null;
  readonly materials: Readonly<Record<string, number>>;
};
export type ChangeBudget = InferType<typeof changeBudget>;
export type Suppose = {
  readonly practice?: Practice;
  readonly anchor?: AnchorForm | null;
  readonly changes: Readonly<Record<string, number | null>>;
  readonly methods: readonly { method: MethodKey; option: string }[];
};

export interface PracticeAnswer {
  readonly practice: Practice;
  /** Every place where another practice was chosen. */
  readonly exceptions: readonly {
    readonly scope: Scope;
    readonly subjectId: string;
    readonly name: string;
    readonly practice: Practice;
  }[];
  readonly methods: readonly {
    readonly key: MethodKey;
    readonly name: string;
    readonly chosen: string;
    readonly options: readonly {
      readonly key: string;
      readonly name: string;
      readonly speaksFor: string;
      readonly speaksAgainst: string;
      readonly forTenants: boolean;
    }[];
    readonly exceptions: readonly {
      readonly scope: Scope;
      readonly subjectId: string;
      readonly name: string;
      readonly option: string;
    }[];
  }[];
  readonly seasons: {
    readonly coolingMonth: number;
    readonly coolingDate: number;
    readonly leadDays: number;
    readonly warmCelsius: number;
  };
  readonly upkeepDay: { readonly rule: string; readonly start: string; readonly says: string } | null;
  /** Parts that a calendar lets go far past what was learned there, with the rule that would fit. */
  readonly beyond: readonly {
    readonly number: number;
    readonly point: string;
    readonly place: string;
    readonly says: string;
  }[];
  readonly prices: ChangePrices | null;
  readonly budget: { readonly jobs: number; readonly minutes: number };
  readonly assumptions: readonly {
    readonly name: string;
    readonly says: string;
    readonly value: number;
    readonly usual: number;
    readonly low: number;
    readonly high: number;
  }[];
  readonly intervals: readonly {
    readonly procedure: string;
    readonly says: string;
    readonly assumed: boolean;
    readonly days: readonly { readonly name: string; readonly value: number; readonly usual: number }[];
  }[];
  readonly materials: readonly { readonly key: string; readonly name: string }[];
}

export interface PracticePreview {
  readonly points: number;
  /** Points among them that would follow; for the others something nearer is chosen. */
  readonly follow: number;
  readonly now: Practice;
  /** Hours that staff have in a month; null where nobody said. */
  readonly hoursAMonth: number | null;
  /** The day from which the months are counted. */
  readonly from: string;
  readonly currency: string | null;
  readonly options: readonly { readonly practice: Practice; readonly burden: Burden }[];
  /** What it took in so many days from a day on, a year at most; null where the register is too young to say. */
  readonly spent: (Spent & { readonly from: string; readonly days: number }) | null;
}
