/** Procedures as they are read and edited. */
import { array, number, object, string, type InferType } from 'yup';
import type { Edition } from '../../core/catalogue/edition.ts';
import { AGENTS, LEVELS, type Agent, type Level, type Phase, type PointKind } from '../../core/catalogue/types.ts';
import type { IllustrationKey } from '../../core/catalogue/illustrations.ts';
import type { PracticeDays, School } from '../../core/catalogue/practice.ts';
import { count, line, note } from '../form/fields.ts';

const PHASE_KEYS: Phase[] = ['isolate', 'open', 'look', 'clean', 'refit', 'restore', 'test'];

export const edition = object({
  minutes: number().integer().min(1).max(480).required(),
  level: string().oneOf(LEVELS).required(),
  kit: array().of(line(80).required()).max(20).default([]),
  cautions: array().of(line(300).required()).max(10).default([]),
  agents: array().of(string().oneOf(AGENTS).required()).max(4).default([]),
  steps: array()
    .of(
      object({
        ours: string().max(80).nullable().defined(),
        phase: string().oneOf(PHASE_KEYS).required(),
        title: line(120).default(''),
        body: string().trim().max(1200).default(''),
        caution: line(400).default(''),
      }),
    )
    .min(1)
    .max(40)
    .required(),
});
export const saveEdition = object({
  content: edition.required(),
  note: note().default(''),
  /** The number that the form was opened on; 0 is ours alone. */ basedOn: count(100_000).required(),
});
export const takeOurs = object({ note: note().default(''), basedOn: count(100_000).required() });
export type SaveEdition = Omit<InferType<typeof saveEdition>, 'content'> & { readonly content: Edition };
export type TakeOurs = InferType<typeof takeOurs>;

export interface ProcedureStep {
  readonly key: string;
  readonly phase: Phase;
  /** What the machine must be like, in words; empty where nothing is switched. */
  readonly stateSays: string;
  readonly title: string;
  readonly body: string;
  readonly caution: string | null;
  /** What it asks for, in words. */
  readonly asks: readonly string[];
  readonly waitMinutes: number;
  readonly illustration: { readonly key: IllustrationKey; readonly says: string } | null;
  /** No edition may leave it out. */
  readonly stays: boolean;
  /** A step of the manager's own. */
  readonly own: boolean;
}

export interface EditionSummary {
  /** 0 is ours. */
  readonly number: number;
  readonly at: number | null;
  readonly by: string | null;
  readonly note: string;
  readonly changes: readonly string[];
  readonly inForce: boolean;
  readonly ours: boolean;
}

export interface ProcedureAnswer {
  readonly key: string;
  readonly name: string;
  readonly task: string;
  readonly why: string;
  readonly mistakes: string;
  readonly kind: PointKind;
  readonly machines: readonly string[];
  readonly level: Level;
  readonly levelSays: string;
  readonly ourLevel: Level;
  readonly minutes: number;
  readonly waitMinutes: number;
  readonly days: PracticeDays;
  readonly assumed: readonly School[];
  readonly signalled: readonly School[];
  readonly stops: readonly string[];
  readonly kit: readonly string[];
  readonly agents: readonly Agent[];
  /** As it is done now: the edition in force, or ours. */
  readonly steps: readonly ProcedureStep[];
  readonly ourSteps: readonly ProcedureStep[];
  readonly version: number;
  readonly number: number;
  readonly content: Edition;
  readonly editions: readonly EditionSummary[];
  /** Ours was improved since the edition in force was made. */
  readonly improved: boolean;
}
