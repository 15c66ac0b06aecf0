/** What households are told, how they are reached, and who is to be reminded. */
import { array, number, object, string, type InferType } from 'yup';
import { count, email, line, yes } from '../form/fields.ts';

/**
 * `entry`, `entryLate` and `entryOff`: somebody comes, later than told, or not; `entryMissed`: they came and found no way in. `asked`: work was given; `again`: it was sent back; `reminder`; `passed`: it went to staff; `stopped` and `lifted`: a
 * machine is out of use, or in use again. `contracted`: a contractor is asked to come.
 */
export const MESSAGE_KINDS = [
  'asked',
  'again',
  'reminder',
  'passed',
  'stopped',
  'lifted',
  'entry',
  'entryOff',
  'entryLate',
  'entryMissed',
  'contracted',
] as const;
export type MessageKind = (typeof MESSAGE_KINDS)[number];
/** What says when somebody comes: it is notice of a visit. */
export const ANNOUNCING: readonly MessageKind[] = ['entry', 'entryLate'];
/** `unsure`: the server was stopped while it went out; `over`: it was no longer so when its time came. */
export type MessageState = 'planned' | 'claimed' | 'sent' | 'failed' | 'unsure' | 'over';
export const MESSAGE_WAYS = ['mail', 'text', 'word'] as const;
/** `word`: somebody of the office said it. */
export type MessageWay = (typeof MESSAGE_WAYS)[number];

export const CONTACT_WAYS = ['none', 'mail', 'text'] as const;
export const RHYTHMS = ['each', 'monthly'] as const;

const phone = () =>
  string()
    .trim()
    .max(24)
    .matches(/^\+?[0-9 ]{5,24}$/, { message: 'field.phone', excludeEmptyString: true });

/** How a household is reached. */
export const contact = object({
  way: string().oneOf(CONTACT_WAYS).required(),
  email: email()
    .default('')
    .when('way', ([way], schema) => (way === 'mail' ? schema.required() : schema)),
  phone: phone()
    .default('')
    .when('way', ([way], schema) => (way === 'text' ? schema.required() : schema)),
  /** What is about safety, and what is newly asked for, comes all the same. */
  reminders: yes().default(true),
  rhythm: string().oneOf(RHYTHMS).default('each'),
});
export type Contact = InferType<typeof contact>;
export const NO_CONTACT: Contact = { way: 'none', email: '', phone: '', reminders: true, rhythm: 'each' };

/** What a household itself may say of it. */
export const ownContact = object({ reminders: yes().required(), rhythm: string().oneOf(RHYTHMS).required() });
export type OwnContact = InferType<typeof ownContact>;

/** What a household has said that it does not do, by procedures; all else of a tenant's it does. */
export const agreement = object({ declined: array().of(line(60).required()).max(200).default([]) });
export type Agreement = InferType<typeof agreement>;

export interface AgreementAnswer {
  /** What a tenant may do of the machines of this home. */
  readonly tasks: readonly { readonly procedure: string; readonly says: string; readonly agreed: boolean }[];
}

const minute = () => number().integer().min(0).max(1439);
export const askingRule = object({
  quietFrom: minute().required(),
  quietUntil: minute().required(),
  graceDays: count(30).required(),
  passes: yes().required(),
  gives: yes().default(false),
});
export type ChangeAskingRule = InferType<typeof askingRule>;

/** A word with a tenant, on the phone or at the door. */
export const saidInPerson = object({ note: line(200).default('') });
export type SaidInPerson = InferType<typeof saidInPerson>;

export interface MessageSummary {
  readonly id: string;
  readonly kind: MessageKind;
  readonly state: MessageState;
  /** In words: what kind, how, when, or why not. */
  readonly says: string;
  readonly heading: string | null;
  readonly body: string | null;
}

/** Work that was asked for at once and is not sent yet. */
export interface OpenAsking {
  readonly id: string;
  readonly machines: readonly { readonly jobId: string; readonly says: string; readonly begun: boolean }[];
  /** Days; told: null while nobody has heard of it. */
  readonly given: number;
  readonly told: number | null;
  readonly doBy: number;
  /** The day on which it passes to staff by rule; null where it does not, or nobody has been told. */
  readonly passes: number | null;
  readonly safetyCritical: boolean;
  readonly messages: readonly MessageSummary[];
}

export interface AskedPerson {
  readonly id: string;
  readonly name: string;
  readonly placeId: string;
  readonly place: string;
  readonly today: number;
  readonly way: Contact['way'];
  /** Why they cannot be written to, in words; null where they can. */
  readonly unreached: string | null;
  /** Somebody reminded them today. */
  readonly remindedToday: boolean;
  readonly askings: readonly OpenAsking[];
}

/** A home and what of it is to be asked for next. */
export interface AheadHome {
  readonly placeId: string;
  readonly place: string;
  readonly person: string;
  /** Parts that are asked for at once, the first line among them, and the day on which they are to be asked for. */
  readonly parts: number;
  readonly lineDay: number;
  readonly askDay: number;
  readonly today: number;
  /** Asked before the window opens, since within it would be too late for this household. */
  readonly earlier: boolean;
  /** Why it is not asked by itself, in words; null where it is. */
  readonly why: string | null;
}

export interface AheadAnswer {
  /** Whether tenants are asked by itself. */
  readonly gives: boolean;
  readonly days: number;
  /** The first to be asked first; how many more there are than are named. */
  readonly homes: readonly AheadHome[];
  readonly more: number;
  /** Parts near their line that are better with staff, since their household hardly answers in time; and those that somebody took back. */
  readonly withStaff: number;
  readonly takenBack: number;
}

export interface AskingsAnswer {
  /** The most pressing first. */
  readonly people: readonly AskedPerson[];
  readonly rule: ChangeAskingRule;
}

/** What was told about one job, and by when it is to be done. */
export interface JobTold {
  readonly given: number | null;
  readonly doBy: number | null;
  readonly passes: number | null;
  readonly messages: readonly MessageSummary[];
}
