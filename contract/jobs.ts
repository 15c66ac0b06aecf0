/** Jobs: giving, doing, sending. */
import { array, lazy, mixed, number, object, string, type InferType } from 'yup';
import { FINDS } from '../core/catalogue/catalogue.ts';
import type { IllustrationKey } from '../core/catalogue/illustrations.ts';
import { AGENTS, type Need, type Phase } from '../core/catalogue/types.ts';
import { GRADES } from '../core/due/grades.ts';
import type { JobState } from '../core/jobs/transitions.ts';
import { count, id, ids, instant, isoDay, line, note } from './fields.ts';
import type { ReportableMachine } from './faults.ts';
import type { HabitCard } from './habits.ts';
import type { FaultSummary, MarkDates } from './register.ts';

const grade = () => string().oneOf(GRADES).nullable().default(null);
const readings = lazy((value: unknown) => object(Object.fromEntries(
  Object.keys((value as object | undefined) ?? {}).slice(0, 12).map((key) => [key, number().min(-1000).max(100000).required()]),
)).default({}));

export const giveJob = object({ id: id().required(), pointIds: ids(12).required(), assigneeId: id().required() });
/** Beginning work that nobody asked for, at the machine: points by their numbers. */
export const begin = object({ id: id().required(), numbers: array().of(count(1_000_000_000).required()).min(1).max(12).required() });
/** Giving to a contractor, who gets a link to this job alone. */
export const giveContracted = object({ id: id().required(), pointIds: ids(12).required(), name: line().required() });
/** Moves a person asks for by name; sending and judging have their own routes. */
export const ASKED_MOVES = ['start', 'workDone', 'notAble', 'cancel'] as const;
export const NOT_ABLE_REASONS = ['willNotMove', 'notSafe', 'partMissing', 'away', 'noTime', 'other'] as const;
export const moveJob = object({
  move: mixed<(typeof ASKED_MOVES)[number]>().oneOf([...ASKED_MOVES]).required(),
  reason: mixed<(typeof NOT_ABLE_REASONS)[number]>().oneOf([...NOT_ABLE_REASONS]).nullable().default(null),
  note: note().default(''),
  /** The revision of the job that the person was looking at. */
  revision: count(1_000_000).required(),
});

const observed = {
  grade: grade(), cavityGrade: grade(),
  finds: array().of(string().oneOf(FINDS).required()).max(FINDS.length).default([]),
  readings,
  confirmed: array().of(line(40).required()).max(20).default([]),
  agent: string().oneOf(AGENTS).nullable().default(null),
  size: line(40).nullable().default(null),
  note: note().default(''),
};

export const submission = object({
  startedAt: instant().required(), doneAt: instant().required(), deviceAt: instant().required(),
  records: array().of(object({
    id: id().required(), taskId: id().required(),
    photos: array().of(object({ slot: line(40).required(), photoId: id().required() })).max(8).default([]),
    ...observed,
  })).min(1).max(12).required(),
});

export const logRecord = object({
  id: id().required(), pointId: id().required(), done: isoDay().required(),
  grade: grade(), finds: observed.finds, note: observed.note,
});

export type GiveJob = InferType<typeof giveJob>;
export type Begin = InferType<typeof begin>;
export type GiveContracted = InferType<typeof giveContracted>;
export type MoveJob = InferType<typeof moveJob>;
export type Submission = InferType<typeof submission>;
export type SubmittedRecord = Submission['records'][number];
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
  readonly taskName: string | null;
  readonly needs: readonly StepNeed[];
  readonly shutoffPhotoId: string | null;
}

export interface StepNeed {
  readonly need: Need;
  readonly label: string;
  readonly help: string | null;
  /** Of a reading: its unit in the caller's system, how it is kept, and what passes, in words. */
  readonly reading: { readonly unit: string; readonly factor: number; readonly offset: number; readonly wanted: string; readonly likely: string } | null;
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
  readonly tasks: readonly { id: string; pointId: string; pointNumber: number; name: string; kind: string; procedure: string; state: string; sentBack: string | null; findings: readonly string[]; expected: string | null }[];
  readonly steps: readonly JobStep[];
  readonly reportable: ReportableMachine;
}

export interface TodayAnswer {
  readonly jobs: readonly JobSummary[];
  /** Agents in the kit of these jobs that must not meet, a sentence a pair. */
  readonly apart: readonly string[];
}

export interface HomeAnswer {
  readonly name: string;
  /** A home of one's own, or a contractor's work. */
  readonly kind: 'home' | 'work';
  readonly place: { id: string; name: string; property: string; today: number } | null;
  readonly jobs: readonly JobSummary[];
  readonly done: readonly { id: string; says: string; day: string; verdict: string }[];
  /** Habits that it is time to ask about. */
  readonly habits: readonly HabitCard[];
  readonly signals: readonly { readonly id: string; readonly says: string; readonly machine: string }[];
  readonly faults: readonly FaultSummary[];
  readonly machines: readonly ReportableMachine[];
}
