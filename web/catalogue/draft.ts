/** A definition while it is written. */
import type { MachineDefinition, PartDefinition, StepDefinition } from '../../core/catalogue/definition.ts';

type Writable<T> = T extends readonly (infer Item)[]
  ? Writable<Item>[]
  : T extends object
    ? { -readonly [K in keyof T]: Writable<T[K]> }
    : T;
export type Draft = Writable<MachineDefinition>;
export type PartDraft = Writable<PartDefinition>;

export const emptyStep = (key: string, phase: StepDefinition['phase']): Writable<StepDefinition> => ({
  key,
  phase,
  title: '',
  body: '',
  caution: '',
  wants: 'off',
  part: null,
  photo: '',
  confirm: '',
  grade: false,
  finds: false,
  agents: [],
  wait: 0,
});

/** A part as most are: taken out, graded, cleaned, put back, tried. */
export const emptyPart = (): PartDraft => ({
  key: 'filter',
  kind: 'filter',
  name: '',
  task: '',
  why: '',
  mistakes: '',
  days: { watchful: 30, steady: 90, light: 180 },
  risk: 'health',
  safetyCritical: false,
  level: 'staff',
  minutes: 15,
  scheduled: true,
  kit: [],
  cautions: [],
  steps: [
    { ...emptyStep('s1', 'open'), part: 'out' },
    { ...emptyStep('s2', 'look'), grade: true },
    emptyStep('s3', 'clean'),
    { ...emptyStep('s4', 'refit'), part: 'in' },
    { ...emptyStep('s5', 'test'), wants: 'runs' },
  ],
});

export const emptyDefinition = (): Draft => ({
  name: '',
  fuels: ['electric'],
  isolation: 'plug',
  drains: false,
  source: '',
  parts: [],
});

/** The next key that no step of a part has. */
export const nextStepKey = (steps: readonly { readonly key: string }[]): string =>
  `s${Math.max(0, ...steps.map(({ key }) => Number(key.slice(1)))) + 1}`;
