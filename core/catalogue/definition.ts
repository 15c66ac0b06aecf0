/** A machine that the catalogue lacks, as an office defines it: its parts, their intervals, steps and proof. */
import type { PracticeDays } from './practice.ts';
import type { Agent, Level, PartKind, Phase, Risk, SpecificationField } from './types.ts';

/** How it is made dead before a hand goes in: by its plug, at its circuit, or not at all: nothing moves or heats. */
export const ISOLATIONS = ['plug', 'circuit', 'none'] as const;
export type Isolation = (typeof ISOLATIONS)[number];

/** What a step wants of the machine: made dead, switched off where it is used, running, or any of these. */
export const STEP_STATES = ['off', 'still', 'runs', 'either'] as const;
export type StepWants = (typeof STEP_STATES)[number];

export interface StepDefinition {
  /** Unique in its part; kept when words change. */
  readonly key: string;
  readonly phase: Phase;
  readonly title: string;
  readonly body: string;
  /** Empty where there is none. */
  readonly caution: string;
  readonly wants: StepWants;
  /** Takes the part out, or puts it back. */
  readonly part: 'out' | 'in' | null;
  /** What is to be seen on a photo; empty asks for none. */
  readonly photo: string;
  /** What is confirmed; empty asks for nothing. */
  readonly confirm: string;
  readonly grade: boolean;
  readonly finds: boolean;
  /** One of these is used; none asks for none. */
  readonly agents: readonly Agent[];
  /** Minutes that nobody stands beside; 0 is none. */
  readonly wait: number;
}

export interface PartDefinition {
  /** Its kind and, from the second of a kind, a number: `filter`, `filter2`. */
  readonly key: string;
  readonly kind: PartKind;
  readonly name: string;
  /** What is done, as a heading of a job. */
  readonly task: string;
  readonly why: string;
  readonly mistakes: string;
  readonly days: PracticeDays;
  readonly risk: Risk;
  readonly safetyCritical: boolean;
  readonly level: Level;
  /** Hands-on, for a newcomer. */
  readonly minutes: number;
  /** From the start; others ride along when the machine is opened anyway. */
  readonly scheduled: boolean;
  readonly kit: readonly string[];
  /** Read before anything is begun. */
  readonly cautions: readonly string[];
  readonly steps: readonly StepDefinition[];
}

export interface MachineDefinition {
  readonly name: string;
  readonly fuels: readonly ('electric' | 'gas')[];
  readonly isolation: Isolation;
  /** Whether it empties into a drain branch that it may share. */
  readonly drains: boolean;
  /** Where its intervals and steps are from, as whoever defined it says. */
  readonly source: string;
  readonly parts: readonly PartDefinition[];
}

/** Whether a machine, or a part of one, is an office's own: `own` and eight hexadecimal digits. */
export const isDefined = (key: string): boolean => /^own[0-9a-f]{8}(\.|$)/.test(key);

/** The kind that the key of a defined part begins with. */
export const kindOfPart = (procedure: string): PartKind => /\.([a-z]+)/.exec(procedure)?.[1] as PartKind;

/** What may be specified of a defined part. */
export const specificationOf = (kind: PartKind): readonly SpecificationField[] => [
  ...(kind === 'filter' ? (['filterSize'] as const) : []),
  'position',
  'access',
  'makerLimitDays',
  'localLimitDays',
  'note',
];

/** Most parts of a machine; each has a number of its own among all parts. */
export const MOST_PARTS = 12;

/** What the parts of a kind are called within their machine: `filter`, `filter2`, … */
export function partKey(kind: PartKind, taken: readonly string[]): string {
  for (let n = 1; ; n += 1) {
    const key = n === 1 ? kind : `${kind}${n}`;
    if (!taken.includes(key)) return key;
  }
}
