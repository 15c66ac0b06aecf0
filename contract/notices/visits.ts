/** Visits: announced, answered, and by what right a home is entered. */
import { number, object, string, type InferType } from 'yup';
import { GROUNDS, MOST_NOTICE_HOURS, type Ground } from '../../core/notices/entry.ts';
import { count, id, isoDay, line, note, yes } from '../form/fields.ts';

const minute = () => number().integer().min(0).max(1439);
/** When: a day and two times of it, the second after the first. */
const window = {
  day: isoDay().required(),
  from: minute().required(),
  until: minute()
    .required()
    .when('from', ([from], schema) =>
      Number.isInteger(from) ? schema.moreThan(from as number, 'field.afterFrom') : schema,
    ),
};

export const entryRule = object({ hours: count(MOST_NOTICE_HOURS).required() });
export type ChangeEntryRule = InferType<typeof entryRule>;

/** `agreed`: whoever lives there has said yes already, to whoever writes this down. */
export const newVisit = object({
  id: id().required(),
  placeId: id().required(),
  personId: id().required(),
  ...window,
  purpose: line(200).required(),
  agreed: yes().default(false),
});
export type NewVisit = InferType<typeof newVisit>;

export const moveVisit = object({
  ...window,
  agreed: yes().default(false),
  /** Who comes instead; null: who was announced. */
  personId: id().nullable().default(null),
});
export type MoveVisit = InferType<typeof moveVisit>;

/** What the office says to another time that was asked for. */
export const settleVisit = object({ settles: string().oneOf(['accept', 'keep']).required() });
export type SettleVisit = InferType<typeof settleVisit>;

export const VISIT_ANSWERS = ['agreed', 'another'] as const;
export const answerVisit = object({
  answer: string().oneOf(VISIT_ANSWERS).required(),
  day: isoDay()
    .nullable()
    .default(null)
    .when('answer', ([answer], schema) => (answer === 'another' ? schema.required() : schema)),
  from: minute()
    .nullable()
    .default(null)
    .when('answer', ([answer], schema) => (answer === 'another' ? schema.required() : schema)),
  until: minute()
    .nullable()
    .default(null)
    .when(['answer', 'from'], ([answer, from], schema) =>
      answer === 'another' && Number.isInteger(from)
        ? schema.required().moreThan(from as number, 'field.afterFrom')
        : schema,
    ),
  note: line(300).default(''),
});
export type AnswerVisit = InferType<typeof answerVisit>;

/** A word at the door, by name; or fire, flood, gas. */
export const enterHome = object({
  ground: string().oneOf(GROUNDS).required(),
  name: line(80)
    .default('')
    .when('ground', ([ground], schema) => (ground === 'word' ? schema.required() : schema)),
  note: note().default(''),
});
export type EnterHome = InferType<typeof enterHome>;

export const entryNote = object({ note: note().required() });
export type EntryNote = InferType<typeof entryNote>;

export interface VisitSummary {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly zone: string;
  readonly today: number;
  readonly personId: string;
  /** Who comes. */
  readonly person: string;
  /** Whoever was to come is of this office no more: somebody else does, or nobody. */
  readonly gone: boolean;
  readonly tenant: string;
  readonly day: number;
  readonly from: number;
  readonly until: number;
  readonly purpose: string;
  /** `missed`: whoever came found nobody, or no way in. */
  readonly state: 'announced' | 'off' | 'missed';
  readonly answer: 'none' | 'agreed' | 'another' | 'kept';
  readonly other: { readonly day: number; readonly from: number; readonly until: number } | null;
  readonly note: string;
  /** In words: delivered, answered, lawful or not yet. */
  readonly says: string;
  /** By its notice, or agreed to. */
  readonly lawful: boolean;
  readonly delivered: boolean;
}

export interface EntrySummary {
  readonly id: string;
  readonly at: number;
  readonly zone: string;
  readonly ground: Ground | 'visit' | 'none';
  readonly says: string;
  readonly note: string;
  /** An emergency that nobody has said more of. */
  readonly wantsNote: boolean;
}

export interface VisitsAnswer {
  readonly visits: readonly VisitSummary[];
  /** How homes were entered of late; of one home, where one was asked for. */
  readonly entries: readonly EntrySummary[];
  readonly hours: number;
  /** Who may come there; none where all homes were asked for. */
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** What staff have in hand there, for the purpose. */
  readonly purpose: string;
}

export const visitsOf = object({ placeId: id().nullable().default(null) });
export type VisitsOf = InferType<typeof visitsOf>;

/** What a tenant reads of a visit to come, and whoever is to make it. */
export interface VisitToMe {
  readonly id: string;
  readonly placeId: string;
  readonly place: string;
  readonly day: number;
  readonly from: number;
  readonly until: number;
  readonly person: string;
  readonly purpose: string;
  readonly answer: VisitSummary['answer'];
  readonly other: VisitSummary['other'];
}

/** Whether a home may be entered for a job just now. */
export interface EntryAnswer {
  /** Nobody was told in time, and nobody has said yes: a word at the door is needed. */
  readonly needed: boolean;
  readonly says: string;
  /** Whoever lives there, where a word is needed. */
  readonly tenant: string;
}
