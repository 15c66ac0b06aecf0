/** Machines that an office defines, and the file in which they are shared. */
import { array, boolean, number, object, string, type InferType } from 'yup';
import { ISOLATIONS, MOST_PARTS, STEP_STATES, type MachineDefinition } from '../../core/catalogue/definition.ts';
import { AGENTS, LEVELS, PART_KINDS, type PartKind, type Phase, type Risk } from '../../core/catalogue/types.ts';
import { id, line } from '../form/fields.ts';
import { FUELS } from '../register/machines.ts';

export const RISKS: readonly Risk[] = ['fire', 'flood', 'health', 'breakage', 'comfort'];
/** Phases of steps that an office writes: making dead and putting back comes by itself. */
export const DEFINED_PHASES: readonly Phase[] = ['open', 'look', 'clean', 'refit', 'test'];
const PART_KEY = new RegExp(`^(?:${PART_KINDS.join('|')})(?:[2-9]|1[0-2])?$`);

const days = () =>
  number().integer('field.wholeDays').min(1, 'field.wholeDays').max(3650, 'field.wholeDays').required();
const flag = () => boolean().strict().default(false);

const step = object({
  key: string()
    .matches(/^s[0-9]{1,3}$/)
    .required(),
  phase: string<Phase>()
    .oneOf([...DEFINED_PHASES])
    .required(),
  title: line(120).required(),
  body: string().trim().max(1200).default(''),
  caution: line(400).default(''),
  wants: string().oneOf(STEP_STATES).required(),
  part: string<'out' | 'in'>().oneOf(['out', 'in']).nullable().default(null),
  photo: line(200).default(''),
  confirm: line(200).default(''),
  grade: flag(),
  finds: flag(),
  agents: array().of(string().oneOf(AGENTS).required()).max(4).default([]),
  wait: number().integer().min(0).max(480).default(0),
});

const part = object({
  key: string().matches(PART_KEY).required(),
  kind: string<PartKind>()
    .oneOf([...PART_KINDS])
    .required(),
  name: line(80).required(),
  task: line(80).required(),
  why: line(400).default(''),
  mistakes: line(600).default(''),
  days: object({ watchful: days(), steady: days(), light: days() }).required(),
  risk: string<Risk>()
    .oneOf([...RISKS])
    .required(),
  safetyCritical: flag(),
  level: string().oneOf(LEVELS).required(),
  minutes: number().integer('field.wholeNumber').min(1, 'field.wholeNumber').max(480, 'field.wholeNumber').required(),
  scheduled: boolean().strict().default(true),
  kit: array().of(line(80).required()).max(20).default([]),
  cautions: array().of(line(300).required()).max(10).default([]),
  steps: array().of(step).min(1, 'field.required').max(30).required(),
});

export const definition = object({
  name: line(80).required(),
  fuels: array().of(string().oneOf(FUELS).required()).min(1).max(2).required(),
  isolation: string().oneOf(ISOLATIONS).required(),
  drains: flag(),
  source: line(300).required(),
  parts: array().of(part).min(1, 'field.required').max(MOST_PARTS).required(),
});

/** The word by which a file says what it is. */
export const FILE_FORMAT = 'dewline-machine';

export const saveDefined = object({
  id: id().required(),
  content: definition.required(),
  /** The version that the form was opened on; 0 for a new one. */
  basedOn: number().integer().min(0).required(),
});
/** A file as it was given out, or one of those that come with the program, by its name. */
export const takeDefined = object({
  id: id().required(),
  file: object({
    format: string().oneOf([FILE_FORMAT]).required(),
    version: number().oneOf([1]).required(),
    machine: definition.required(),
  })
    .nullable()
    .default(null),
  ready: string().max(40).nullable().default(null),
});
export type SaveDefined = Omit<InferType<typeof saveDefined>, 'content'> & { readonly content: MachineDefinition };
export type TakeDefined = { readonly id: string; readonly file: DefinitionFile | null; readonly ready: string | null };

/** A definition as a file. */
export interface DefinitionFile {
  readonly format: typeof FILE_FORMAT;
  readonly version: 1;
  readonly machine: MachineDefinition;
}

export interface DefinedSummary {
  readonly id: string;
  readonly key: string;
  readonly version: number;
  readonly by: string;
  /** Milliseconds. */
  readonly at: number;
  /** How many stand in homes. */
  readonly machines: number;
  readonly content: MachineDefinition;
}

export interface DefinedAnswer {
  readonly machines: readonly DefinedSummary[];
  /** Those that come with the program, to be taken as one's own. */
  readonly ready: readonly { readonly key: string; readonly content: MachineDefinition }[];
}

/** What the file of a definition is called. */
export const fileNameOf = ({ name }: Pick<MachineDefinition, 'name'>): string =>
  `${FILE_FORMAT}-${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.json`;
