/** On the day of a round: what came between, the order of what is left, and when somebody comes again. */
import { array, boolean, number, object, string, type InferType } from 'yup';
import { count, id, instant, isoDay } from '../form/fields.ts';

/** `partWrong`: a part does not fit. `late`: it takes longer here. */
export const MISHAPS = ['nobodyHome', 'noKey', 'partWrong', 'late'] as const;
export type MishapKind = (typeof MISHAPS)[number];
/** How much longer it takes, in minutes. */
export const LATER = [15, 30, 60, 120] as const;

export const newMishap = object({
  id: id().required(),
  kind: string().oneOf(MISHAPS).required(),
  /** Of a part that does not fit: its number. */
  part: count(1_000_000_000)
    .nullable()
    .default(null)
    .when('kind', ([kind], schema) => (kind === 'partWrong' ? schema.required() : schema)),
  minutes: number()
    .oneOf([0, ...LATER])
    .default(0)
    .when('kind', ([kind], schema) => (kind === 'late' ? schema.min(LATER[0]) : schema)),
  /** When it was, and what the device showed as it was sent. */
  at: instant().required(),
  deviceAt: instant().required(),
});
export type NewMishap = InferType<typeof newMishap>;

/** Stops of a round that can be put in order at once. */
const MOST_STOPS = 60;

export const orderRound = object({
  day: isoDay().required(),
  /** Minutes past midnight from which on the next stop can be set out for. */
  begins: count(1439).required(),
  /** The property one is at. */
  at: id().nullable().default(null),
  stops: array()
    .of(object({ id: id().required(), back: boolean().default(false) }))
    .min(1)
    .max(MOST_STOPS)
    .required(),
});
export type OrderRound = InferType<typeof orderRound>;

const minute = () => count(1439).required();
export const comeAgain = object({ day: isoDay().required(), from: minute(), until: minute() });
export type ComeAgain = InferType<typeof comeAgain>;

export interface Mishap {
  readonly id: string;
  readonly kind: MishapKind;
  /** What it was and when, in words; how whoever lives there is told, and what comes of it. */
  readonly says: string;
  readonly settled: boolean;
  /** When somebody could come again; null where nobody need, or no day is free. */
  readonly again: { readonly day: string; readonly from: number; readonly until: number } | null;
  /** It may be taken back still: nobody has been told. */
  readonly mayUndo: boolean;
}

export interface MishapInList extends Mishap {
  readonly placeId: string;
  readonly place: string;
  readonly person: string;
  readonly parts: readonly { readonly number: number; readonly says: string }[];
}

export interface MishapsAnswer {
  /** Those that nobody has seen to, the oldest first. */
  readonly open: readonly MishapInList[];
}

export interface RoundOrdered {
  /** Homes whose household is told of another time. */
  readonly told: number;
}
