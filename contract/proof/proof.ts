/** The proof queue and its verdicts. */
import { mixed, number, object, string, type InferType } from 'yup';
import type { Check, Weight } from '../../core/proof/checks.ts';
import { id, ids, note } from '../form/fields.ts';
import { specification, type Specification } from '../register/machines.ts';

export const VERDICTS = ['accept', 'sendBack', 'registerWrong'] as const;
export type Verdict = (typeof VERDICTS)[number];

/** Whoever is sent something back reads why. */
const reason = () =>
  note()
    .default('')
    .when('verdict', ([verdict], schema) => (verdict === 'sendBack' ? schema.required('field.reason') : schema));

export const judge = object({
  verdict: mixed<Verdict>()
    .oneOf([...VERDICTS])
    .required(),
  reason: reason(),
  /** With `registerWrong`: the register as it ought to be. */
  specification: specification
    .default(undefined)
    .when('verdict', ([verdict], schema) => (verdict === 'registerWrong' ? schema.required() : schema)),
});
/** A specification goes with `registerWrong` alone. */
export type Judge = Omit<InferType<typeof judge>, 'specification'> & { readonly specification?: Specification };

/** Proofs that are judged by one write. */
export const MOST_JUDGED = 24;
export const judgeMany = object({
  ids: ids(MOST_JUDGED).required(),
  verdict: mixed<'accept' | 'sendBack'>().oneOf(['accept', 'sendBack']).required(),
  reason: reason(),
});
export type JudgeMany = InferType<typeof judgeMany>;
export interface ManyJudged {
  readonly done: readonly string[];
  /** What was not judged, each with its reason. */
  readonly left: readonly { readonly id: string; readonly says: string }[];
}

/** The first proofs of a person are looked at, then one in so many; 1 looks at all. */
export const changeLookRule = object({
  first: number().integer().min(0).max(100).required(),
  oneIn: number().integer().min(1).max(100).required(),
});
export type ChangeLookRule = InferType<typeof changeLookRule>;

export interface ProofQueue {
  readonly waiting: readonly ProofSummary[];
  /** Accepted by rule in the last thirty days, the latest first, not all of them; each may still be looked at. */
  readonly byRule: readonly ProofSummary[];
  /** How many they are in all. */
  readonly byRuleCount: number;
  readonly rule: ChangeLookRule;
}

export const PHOTO_SOURCES = ['camera', 'gallery', 'unknown'] as const;
export const photoFields = object({
  id: id().required(),
  source: string().oneOf(PHOTO_SOURCES).default('unknown'),
  /** What the device says of when it was taken, where the picture itself does not. */
  capturedAt: string()
    .matches(/^\d{1,15}$/)
    .nullable()
    .default(null),
});

export interface ProofSummary {
  readonly id: string;
  readonly title: string;
  readonly place: string;
  readonly property: string;
  readonly machine: string;
  readonly machineId: string;
  readonly by: string;
  readonly sentAt: number;
  readonly worst: string | null;
  readonly weight: Weight;
}

export interface ProofFinding {
  readonly check: Check;
  readonly weight: Weight;
  readonly says: string;
  readonly tells: string;
  readonly slot: string | null;
  readonly otherPhotoId: string | null;
  readonly otherDay: string | null;
}

export interface ProofAnswer extends ProofSummary {
  readonly zone: string;
  readonly point: { id: string; number: number; name: string; kind: string; procedure: string };
  readonly state: 'waiting' | 'accepted' | 'sentBack' | 'registerWrong' | 'corrected';
  /** The verdict and whose it is, in words. */
  readonly judged: string | null;
  /** The caller did it: accepting it certifies oneself. */
  readonly own: boolean;
  readonly doneAt: number;
  readonly minutes: number | null;
  readonly grade: string | null;
  readonly gradeSays: string | null;
  readonly cavitySays: string | null;
  /** The condition after cleaning, where it was said. */
  readonly afterSays: string | null;
  readonly finds: readonly string[];
  readonly note: string | null;
  readonly readings: readonly { name: string; value: string; passes: boolean }[];
  readonly photos: readonly {
    id: string;
    slot: string;
    label: string;
    capturedAt: number | null;
    source: string;
    kept: boolean;
  }[];
  readonly findings: readonly ProofFinding[];
  readonly specification: Specification;
  /** What accepting does, in a sentence. */
  readonly effect: string;
  readonly hash: string;
}
