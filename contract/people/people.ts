/** Signing in, the first run, people. */
import { array, number, object, string, type InferType } from 'yup';
import { LANGUAGES, type Language } from '../../core/language/languages.ts';
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';
import { count, id, line, yes } from '../form/fields.ts';

export const ROLES = ['manager', 'staff', 'tenant', 'contractor', 'owner'] as const;
export type Role = (typeof ROLES)[number];

const email = () => string().trim().lowercase().email().max(200);
const newPassword = () => string().min(10, 'field.password').max(200);

/** `code`: of the authenticator, or one of the recovery codes, where somebody has a second factor. */
export const signIn = object({
  email: email().required(),
  password: string().max(200).required(),
  code: line(20).default(''),
});
const language = () => string().oneOf(LANGUAGES);
const units = () => string().oneOf(UNIT_SYSTEMS);
/** What one reads in; null: as the office does, left out: as it was. */
export const preferences = object({
  language: language().nullable().default(undefined),
  units: units().nullable().default(undefined),
});
/** What an office reads in and reckons in. */
export const changeOffice = object({
  language: language().required(),
  units: units().required(),
  currency: string()
    .trim()
    .matches(/^[A-Z]{3}$/, 'field.currency')
    .required(),
});
export const firstRun = object({
  organisation: line().required(),
  name: line().required(),
  email: email().required(),
  password: newPassword().required(),
  language: language().default('en'),
  units: units().default('metric'),
  /** Tenants are asked by itself from the start. */
  gives: yes().default(false),
});
export const exchangeLink = object({ token: string().max(100).required() });
const officeRoles = () =>
  array()
    .of(
      string()
        .oneOf(['manager', 'staff'] as const)
        .required(),
    )
    .min(1)
    .max(2)
    .required();
/** More than one person looks after. */
export const MOST_PROPERTIES = 200;
/** The properties that somebody is limited to; null: all. */
const limits = () => array().of(id().required()).max(MOST_PROPERTIES).nullable().default(null);
/** Without a password they choose it themselves, by a link. */
/** What somebody of the office may do: all that needs no licence, or what a licensed trade does, too. */
export const OFFICE_LEVELS = ['staff', 'licensed'] as const;
const hours = () => number().min(0).max(80).nullable().default(null);
export const newPerson = object({
  id: id().required(),
  name: line().required(),
  email: email().required(),
  password: newPassword().nullable().default(null),
  roles: officeRoles(),
  properties: limits(),
  level: string().oneOf(OFFICE_LEVELS).default('staff'),
  hoursAWeek: hours(),
});
export const personChange = object({
  name: line().required(),
  email: email().required(),
  roles: officeRoles(),
  properties: limits(),
  level: string().oneOf(OFFICE_LEVELS).default('staff'),
  hoursAWeek: hours(),
});
/** Everybody is in exactly one of these. `outside`: contractors and owners, by a link. */
export const PEOPLE_KINDS = ['office', 'tenants', 'outside', 'former'] as const;
export type PeopleKind = (typeof PEOPLE_KINDS)[number];
export const PEOPLE_ORDERS = ['name', 'jobs', 'onTime'] as const;
/** People of one answer. */
export const PEOPLE_PAGE = 50;
export const findPeople = object({
  kind: string().oneOf(PEOPLE_KINDS).default('office'),
  /** A part of a name, an email or a home. */
  find: line(80).default(''),
  order: string().oneOf(PEOPLE_ORDERS).default('name'),
  /** How many come before. */
  skip: count(100_000).default(0),
});
export type FindPeople = InferType<typeof findPeople>;

export const changePassword = object({ current: string().max(200).required(), password: newPassword().required() });
/** One's own password once more, where something grave is changed. */
export const confirmed = object({ password: string().max(200).required() });
export const secondFactor = object({
  secret: string()
    .max(64)
    .matches(/^[A-Z2-7]{32}$/)
    .required(),
  code: line(10).required(),
  password: string().max(200).required(),
});
/** A session by its id; all others but this one where it is null. */
export const endSession = object({ id: string().max(64).nullable().default(null) });
/** `code`: the second factor's, of whoever has one; a link alone does not stand in for it. */
export const openAccess = object({
  token: string().max(100).required(),
  password: newPassword().required(),
  code: line(20).default(''),
});
export const askAccess = object({ email: email().required() });
export type SignIn = InferType<typeof signIn>;
export type FirstRun = InferType<typeof firstRun>;
export type Preferences = InferType<typeof preferences>;
export type ChangeOffice = InferType<typeof changeOffice>;
export type NewPerson = InferType<typeof newPerson>;
export type PersonChange = InferType<typeof personChange>;
export type ChangePassword = InferType<typeof changePassword>;
export type Confirmed = InferType<typeof confirmed>;
export type SecondFactor = InferType<typeof secondFactor>;
export type EndSession = InferType<typeof endSession>;
export type OpenAccess = InferType<typeof openAccess>;

/** Who is signed in, as the web sees it. */
export interface Me {
  readonly id: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly organisation: string;
  /** Looks after some of the properties only. */
  readonly limited: boolean;
  /** What they read in. */
  readonly language: Language;
  readonly units: UnitSystem;
  /** ISO 4217. */
  readonly currency: string;
}

export interface SessionAnswer {
  readonly me: Me | null;
  /** To be sent back in `X-CSRF-Token` with every write. */
  readonly csrf: string | null;
  /** Where everybody reaches this server, where an installer named it; else whoever asks knows it from their own. */
  readonly address: string | null;
  /** Nobody has an account yet: show the first-run page. */
  readonly firstRun: boolean;
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly email: string | null;
  readonly roles: readonly Role[];
  /** The properties that they are limited to; null where they look after all. */
  readonly properties: readonly NamedProperty[] | null;
  /** Since when they are here no longer, milliseconds; null while they are. */
  readonly disabledAt: number | null;
  /** Whether they can sign in: a password was chosen. */
  readonly opened: boolean;
  readonly secondFactor: boolean;
  /** Services of the last twelve months that count, how many were on time, and between what their share lies (95 %). */
  readonly onTime: { readonly of: number; readonly on: number; readonly low: number; readonly high: number } | null;
  /** Procedures walked through without a machine. */
  readonly rehearsed: number;
  /** Jobs in their hands, and a practised person's hands-on minutes of them. */
  readonly openJobs: number;
  readonly openMinutes: number;
  readonly level: (typeof OFFICE_LEVELS)[number];
  /** What they work in a week; null where nobody said. */
  readonly hoursAWeek: number | null;
  /** Where they live, come to live or lived last, the latest first. */
  readonly homes: readonly {
    readonly id: string;
    readonly name: string;
    readonly property: string;
    readonly from: string;
    /** The last day; null while no end is known. */
    readonly to: string | null;
  }[];
}

export interface NamedProperty {
  readonly id: string;
  readonly name: string;
}

export interface PeopleAnswer {
  /** Some of those that were asked for, in their order. */
  readonly people: readonly Person[];
  /** How many match what was asked for. */
  readonly matching: number;
  /** How many there are of each kind, whatever was looked for. */
  readonly counts: Readonly<Record<PeopleKind, number>>;
  /** What somebody may be limited to. */
  readonly properties: readonly NamedProperty[];
}

export interface PersonChanged {
  /** Jobs in their hands in homes that they do not look after any more. */
  readonly elsewhere: number;
}

/** A way in, told once: the path that opens it. */
export interface ToldLink {
  readonly path: string;
}

export interface SessionSummary {
  readonly id: string;
  /** The browser and the system that it was opened on, as they call themselves; empty where unknown. */
  readonly device: string;
  readonly openedAt: number;
  readonly expiresAt: number;
  /** The one that asks. */
  readonly here: boolean;
}

/** One's own account. */
export interface AccountAnswer {
  readonly name: string;
  readonly email: string | null;
  readonly secondFactor: boolean;
  /** Recovery codes that were not used. */
  readonly codesLeft: number;
  /** What they chose; null: as the office reads. */
  readonly language: Language | null;
  readonly units: UnitSystem | null;
  readonly sessions: readonly SessionSummary[];
}
