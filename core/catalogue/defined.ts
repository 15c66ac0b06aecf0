/**
 * Machines that offices have defined, beside ours: made into the same types and procedures, and asked by the same
 * functions. Whoever opens a store teaches them; a key is unique among all offices, so none meets another's.
 */
import { forget, write } from '../language/written.ts';
import {
  MOST_PARTS,
  specificationOf,
  type Isolation,
  type MachineDefinition,
  type PartDefinition,
  type StepDefinition,
} from './definition.ts';
import { procedure } from './define.ts';
import { agent, confirm, finds, grade, photo, puts, runs, stepsOf, takes, timer, wants, type How } from './steps.ts';
import type { MachineType, Need, Procedure, Step } from './types.ts';

export interface DefinedMachine {
  /** `own` and eight hexadecimal digits. */
  readonly key: string;
  /** Whose it is. */
  readonly owner: string;
  /** Unique on this install, from 1. */
  readonly number: number;
  readonly version: number;
  readonly definition: MachineDefinition;
}

export interface BuiltMachine extends DefinedMachine {
  readonly type: MachineType;
  readonly procedures: readonly Procedure[];
}

const machines = new Map<string, BuiltMachine>();
const procedures = new Map<string, { readonly procedure: Procedure; readonly number: number }>();

/** The first number of a defined part, above all of ours. */
const FIRST = 1000;

export const procedureKey = (machine: string, part: Pick<PartDefinition, 'key'>): string => `${machine}.${part.key}`;

/** Takes a machine in, or its newer version. */
export function teachMachine(machine: DefinedMachine): BuiltMachine {
  const built = buildMachine(machine);
  forgetMachine(machine.key);
  machines.set(machine.key, built);
  built.procedures.forEach((it, i) =>
    procedures.set(it.key, { procedure: it, number: FIRST + (machine.number - 1) * MOST_PARTS + i }),
  );
  write(wordsOf(machine.key, machine.definition));
  return built;
}

/** Forgets a machine that nobody has. */
export function forgetMachine(key: string): void {
  machines.delete(key);
  for (const it of procedures.keys()) if (it.startsWith(`${key}.`)) procedures.delete(it);
  forget(key);
}

export const definedMachine = (key: string): BuiltMachine | undefined => machines.get(key);
export const definedProcedure = (key: string): Procedure | undefined => procedures.get(key)?.procedure;
/** The number by which marks name a defined part; undefined for ours. */
export const definedNumber = (key: string): number | undefined => procedures.get(key)?.number;
/** Every defined part with its number. */
export const definedNumbers = (): [string, number][] => [...procedures].map(([key, { number }]) => [key, number]);
/** The machines that an office has defined, by name. */
export const machinesDefinedBy = (owner: string): BuiltMachine[] =>
  [...machines.values()]
    .filter((it) => it.owner === owner)
    .sort((a, b) => a.definition.name.localeCompare(b.definition.name));

/** A definition as the catalogue's own shapes. */
export function buildMachine(machine: DefinedMachine): BuiltMachine {
  const { key, definition } = machine;
  const built = definition.parts.map((part) => buildPart(machine, part));
  return {
    ...machine,
    type: { key, family: key, fuels: definition.fuels, points: built.map((it) => it.key), drains: definition.drains },
    procedures: built,
  };
}

function buildPart({ key, version, definition }: DefinedMachine, part: PartDefinition): Procedure {
  const name = procedureKey(key, part);
  return procedure(name, {
    version,
    kind: part.kind,
    days: part.days,
    // Nobody but the office stands for them.
    assumed: ['watchful', 'steady', 'light'],
    core: part.scheduled,
    risk: part.risk,
    safetyCritical: part.safetyCritical,
    level: part.level,
    minutes: part.minutes,
    kit: part.kit.map((_, i) => `${name}.${i}`),
    stops: part.cautions.map((_, i) => `${name}.${i}`),
    steps: part.steps.map((step) => buildStep(name, step, definition.isolation)),
    specification: specificationOf(part.kind),
  });
}

/** The need that asks for a photo of the part taken out is called so everywhere. */
export const photoKey = ({ key, part }: Pick<StepDefinition, 'key' | 'part'>): string => (part === 'out' ? 'out' : key);

function buildStep(name: string, step: StepDefinition, isolation: Isolation): Step {
  const needs: Need[] = [
    ...(step.photo === '' ? [] : [photo(photoKey(step))]),
    ...(step.grade ? [grade()] : []),
    ...(step.finds ? [finds] : []),
    ...(step.agents.length === 0 ? [] : [agent(...step.agents)]),
    ...(step.wait === 0 ? [] : [timer(step.key, step.wait)]),
    ...(step.confirm === '' ? [] : [confirm(step.key)]),
  ];
  const hows: How[] = [
    ...(step.wants === 'off' && isolation !== 'none' ? [wants({ power: 'off' })] : []),
    ...(step.wants === 'still' && isolation !== 'none' ? [wants({ power: 'idle' })] : []),
    ...(step.wants === 'runs' ? [runs('fan')] : []),
    ...(step.part === 'out' ? [takes('own')] : []),
    ...(step.part === 'in' ? [puts('own')] : []),
  ];
  return stepsOf(name)(step.key, step.phase, ...needs, ...hows);
}

/** The words of a definition, under the keys that ours have theirs. */
function wordsOf(key: string, { name, parts }: MachineDefinition): Record<string, string> {
  const words: Record<string, string> = { [`machine.${key}`]: name };
  for (const part of parts) {
    const at = procedureKey(key, part);
    Object.assign(words, {
      [`point.${at}`]: part.name,
      [`task.${at}`]: part.task,
      [`why.${at}`]: part.why,
      [`mistakes.${at}`]: part.mistakes,
    });
    part.kit.forEach((item, i) => (words[`kit.${at}.${i}`] = item));
    part.cautions.forEach((caution, i) => (words[`stop.${at}.${i}`] = caution));
    for (const step of part.steps) {
      words[`${at}.${step.key}.title`] = step.title;
      words[`${at}.${step.key}.body`] = step.body;
      if (step.caution) words[`${at}.${step.key}.caution`] = step.caution;
      if (step.photo) words[`photo.${at}.${photoKey(step)}`] = step.photo;
      if (step.confirm) words[`confirm.${at}.${step.key}`] = step.confirm;
    }
  }
  return words;
}
