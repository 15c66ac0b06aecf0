/** Jobs: giving, doing, sending. */
import { array, lazy, mixed, number, object, string, type InferType } from 'yup';
import { FINDS } from '../../core/catalogue/catalogue.ts';
import type { IllustrationKey } from '../../core/catalogue/illustrations.ts';
import { SWITCHES } from '../../core/catalogue/systems.ts';
import { AGENTS, FINDINGS, type Need, type Phase, type State } from '../../core/catalogue/types.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import type { Sitting } from '../../core/jobs/sitting.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import { count, email, id, ids, instant, isoDay, line, note } from '../form/fields.ts';
import type { AlarmAnswer, EmergencyNumbers } from '../faults/alarms.ts';
import type { Contact } from '../notices/messages.ts';
import { enterHome, type EntryAnswer, type VisitToMe } from '../notices/visits.ts';
import type { HabitCard } from '../due/habits.ts';
import type { FaultSummary, GoneQuestion, ReportableMachine } from '../faults/faults.ts';
import type { MarkDates } from '../register/machines.ts';

const grade = () => string().oneOf(GRADES).nullable().default(null);
const readings = lazy((value: unknown) =>
  object(
    Object.fromEntries(
      Object.keys((value as object | undefined) ?? {})
        .slice(0, 12)
        .map((key) => [key, number().min(-1000).max(100000).required()]),
    ),
  ).default({}),
);

export const giveJob = object({ id: id().required(), pointIds: ids(12).required(), assigneeId: id().required() });
/** Beginning work that nobody asked for, at the machine: points by their numbers. */
export const begin = object({
  id: id().required(),
  numbers: array().of(count(1_000_000_000).required()).min(1).max(12).required(),
});
/** Giving to a contractor, who gets a link to this job alone. */
export const giveContracted = object({
  id: id().required(),
  pointIds: ids(12).required(),
  name: line().required(),
  /** Where the link is sent; empty: the office passes it on. */
  email: email().default(''),
});
/** Moves a person asks for by name; sending and judging have their own routes. */
export const ASKED_MOVES = ['start', 'workDone', 'notAble', 'cancel'] as const;
export const NOT_ABLE_REASONS = [
  'willNotMove',
  'notSafe',
  'partMissing',
  'away',
  'noSwitch',
  'noTime',
  'none',
  'other',
] as const;
/** Why a task of a sitting was left while the others were done. */
export const LEFT_REASONS = ['noSwitch', 'cannot', 'none'] as const;
export const moveJob = object({
  move: mixed<(typeof ASKED_MOVES)[number]>()
    .oneOf([...ASKED_MOVES])
    .required(),
  reason: mixed<(typeof NOT_ABLE_REASONS)[number]>()
    .oneOf([...NOT_ABLE_REASONS])
    .nullable()
    .default(null),
  note: note().default(''),
  /** What stands otherwise than usual: keys of changes that were made and not taken back. */
  still: array().of(line(60).required()).max(12).default([]),
  /** The revision of the job that the person was looking at. */
  revision: count(1_000_000).required(),
  /** With `start`, of a home where nobody was told in time: who let them in, or what burns. */
  entry: enterHome.nullable().default(null),
});

const observed = {
  grade: grade(),
  cavityGrade: grade(),
  finds: array().of(string().oneOf(FINDS).required()).max(FINDS.length).default([]),
  readings,
  confirmed: array().of(line(40).required()).max(20).default([]),
  agent: string().oneOf(AGENTS).nullable().default(null),
  size: line(40).nullable().default(null),
  note: note().default(''),
};

/** How a machine may be found otherwise than usual. */
export const BEGINNINGS = {
  power: ['off'],
  circuit: ['off'],
  outdoor: ['off'],
  tap: ['shut'],
  gas: ['shut'],
  place: ['out'],
  water: ['holds'],
} as const;

const foundAs = lazy((value: unknown) =>
  object(
    Object.fromEntries(
      Object.keys((value as object | undefined) ?? {})
        .slice(0, SWITCHES.length)
        .filter((key) => (SWITCHES as readonly string[]).includes(key))
        .map((key) => [
          key,
          string()
            .oneOf(BEGINNINGS[key as keyof typeof BEGINNINGS])
            .required(),
        ]),
    ),
  )
    .noUnknown()
    .default({}),
);
/** The sitting as it was gone through on the device: the server replays it. */
export const gonePlan = object({
  keys: array().of(line(80).required()).max(160).required(),
  found: array().of(string().oneOf(FINDINGS).required()).max(FINDINGS.length).default([]),
  begin: foundAs,
})
  .nullable()
  .default(null);

export const submission = object({
  /** As with `start`, where that did not come through. */
  entry: enterHome.nullable().default(null),
  startedAt: instant().required(),
  doneAt: instant().required(),
  deviceAt: instant().required(),
  plan: gonePlan,
  /** Tasks that could not be done in this sitting; they go back to the office, with the reason. */
  left: array()
    .of(object({ taskId: id().required(), reason: string().oneOf(LEFT_REASONS).required() }))
    .max(12)
    .default([]),
  records: array()
    .of(
      object({
        id: id().required(),
        taskId: id().required(),
        /** A photo of where the part is, taken once. */
        where: id().nullable().default(null),
        /** The condition after cleaning, where somebody tapped it. */
        after: grade(),
        photos: array()
          .of(object({ slot: line(40).required(), photoId: id().required() }))
          .max(8)
          .default([]),
        ...observed,
      }),
    )
    .min(1)
    .max(12)
    .required(),
});

export const logRecord = object({
  id: id().required(),
  pointId: id().required(),
  done: isoDay().required(),
  grade: grade(),
  finds: observed.finds,
  note: observed.note,
  /** What a contractor left on paper. */
  photoId: id().nullable().default(null),
});

export type GiveJob = InferType<typeof giveJob>;
export type Begin = InferType<typeof begin>;
export type GiveContracted = InferType<typeof giveContracted>;
export type MoveJob = InferType<typeof moveJob>;
export type Submission = InferType<typeof submission>;
export type SubmittedRecord = Submission['records'][number];
/** A logged record was wrong: the day and condition that are right, or no day where it was not done at all. */
export const correctRecord = object({
  id: id().required(),
  done: isoDay().nullable().defined(),
  grade: grade(),
  note: observed.note,
  reason: line(200).required(),
});
export type CorrectRecord = InferType<typeof correctRecord>;
export type LogRecord = InferType<typeof logRecord>;

export interface JobSummary {
  readonly id: string;
  readonly title: string;
  readonly machine: string;
  readonly placeId: string;
  readonly place: string;
  readonly property: string;
  readonly state: JobState;
  readonly stateSays: string;
  readonly revision: number;
  readonly minutes: number;
  readonly waitMinutes: number;
  readonly why: string;
  readonly due: string;
  readonly today: number;
  readonly marks: readonly (MarkDates & { kind: string; safetyCritical: boolean; name: string })[];
  /** The request that it came with, where several sittings did. */
  readonly listId: string | null;
  readonly sentBack: string | null;
  readonly doneDay: string | null;
}

/** A step with its words, as a person meets it. */
export interface JobStep {
  readonly key: string;
  readonly phase: Phase;
  readonly title: string;
  readonly body: string;
  readonly caution: string | null;
  readonly button: string | null;
  /** A drawing that helps, by its key, and what it shows in words. */
  readonly illustration: { readonly key: IllustrationKey; readonly says: string } | null;
  /** Task ids that what is entered here belongs to. */
  readonly taskIds: readonly string[];
  /** The state that the machine must be in now, in words: `unplugged, tap shut`. */
  readonly stateSays: string;
  readonly state: State;
  readonly taskName: string | null;
  readonly needs: readonly StepNeed[];
  readonly shutoffPhotoId: string | null;
}

export interface StepNeed {
  readonly need: Need;
  /** Tasks that it is of; a step may serve others besides. */
  readonly taskIds: readonly string[];
  readonly label: string;
  readonly help: string | null;
  /**
   * Of a reading: its unit in the caller's system, how it is kept, what passes, in words, and above what something must
   * be done now.
   */
  readonly reading: {
    readonly unit: string;
    readonly factor: number;
    readonly offset: number;
    readonly wanted: string;
    readonly likely: string;
    readonly urgent: { readonly beyond: number; readonly says: string } | null;
  } | null;
  readonly choices: readonly { value: string; label: string }[];
}

export interface JobAnswer extends JobSummary {
  readonly assigneeId: string | null;
  readonly mine: boolean;
  readonly zone: string;
  readonly stops: readonly string[];
  readonly kit: readonly string[];
  /** What goes wrong most often. */
  readonly mistakes: readonly string[];
  /** What stands on the label of its machine. */
  readonly machineNumber: number;
  readonly tasks: readonly {
    id: string;
    pointId: string;
    pointNumber: number;
    name: string;
    kind: string;
    procedure: string;
    state: string;
    sentBack: string | null;
    findings: readonly string[];
    expected: string | null;
    /** The photo of where it is; null where nobody has taken one. */ where: string | null;
  }[];
  readonly steps: readonly JobStep[];
  /** Steps that only come when something is found, and all that may be switched. */
  readonly others: readonly Omit<JobStep, 'stateSays' | 'state'>[];
  /** What the device plans from, when something is found. */
  readonly sitting: Sitting;
  /** Words for `<variable>.<value>` of the state. */
  readonly stateWords: Readonly<Record<string, string>>;
  /** How it may be found otherwise than usual. */
  readonly beginnings: readonly {
    readonly variable: string;
    readonly value: (typeof BEGINNINGS)[keyof typeof BEGINNINGS][number];
    readonly says: string;
  }[];
  readonly reportable: ReportableMachine;
  /** Whom to call when it is not safe. */
  readonly numbers: EmergencyNumbers;
  /** By what right its home may be entered. */
  readonly entry: EntryAnswer;
  /** Somebody has called its machine unsafe: nothing is done at it. */
  readonly stopped: AlarmAnswer | null;
}

export interface TodayAnswer {
  readonly jobs: readonly JobSummary[];
  /** Agents in the kit of these jobs that must not meet, a sentence a pair. */
  readonly apart: readonly string[];
  /** Visits that were announced as theirs, the next first. */
  readonly visits: readonly VisitToMe[];
}

export interface HomeAnswer {
  readonly name: string;
  /** A home of one's own, or a contractor's work. */
  readonly kind: 'home' | 'work';
  /** The day from which the home is theirs, in words, where it has not come yet. */
  readonly opens: string | null;
  readonly place: { id: string; name: string; property: string; today: number } | null;
  readonly jobs: readonly JobSummary[];
  readonly done: readonly { id: string; says: string; day: string; verdict: string }[];
  /** Habits that it is time to ask about. */
  readonly habits: readonly HabitCard[];
  readonly signals: readonly { readonly id: string; readonly says: string; readonly machine: string }[];
  readonly faults: readonly FaultSummary[];
  /** What was closed a week ago: gone, or not? */
  readonly gone: readonly GoneQuestion[];
  readonly machines: readonly ReportableMachine[];
  /** Who of the office comes, and when. */
  readonly visits: readonly VisitToMe[];
  /** How their household is reached; null where it is not. */
  readonly contact: Contact | null;
  /** ISO day of the month's list that was given; null where there is none. */
  readonly monthList: string | null;
}
