/** A definition while it is written. */
import type { MachineDefinition, PartDefinition, StepDefinition } from '../../core/catalogue/definition.ts';
import { part, step } from '../../core/catalogue/ready/short.ts';

type Writable<T> = T extends readonly (infer Item)[]
  ? Writable<Item>[]
  : T extends object
    ? { -readonly [K in keyof T]: Writable<T[K]> }
    : T;
export type Draft = Writable<MachineDefinition>;
export type PartDraft = Writable<PartDefinition>;

const blank = (phase: StepDefinition['phase'], more: Partial<StepDefinition> = {}) =>
  step(phase, '', '', { wants: 'off', ...more });

export const emptyStep = (key: string, phase: StepDefinition['phase']): PartDraft['steps'][number] =>
  ({ key, ...blank(phase) }) as PartDraft['steps'][number];

/** A part as most are: taken out, graded, cleaned, put back, tried. */
export const emptyPart = (): PartDraft =>
  part(
    {
      key: 'filter',
      kind: 'filter',
      name: '',
      task: '',
      days: { watchful: 30, steady: 90, light: 180 },
      risk: 'health',
      level: 'staff',
      minutes: 15,
    },
    [
      blank('open', { part: 'out' }),
      blank('look', { grade: true }),
      blank('clean'),
      blank('refit', { part: 'in' }),
      blank('test', { wants: 'runs' }),
    ],
  ) as PartDraft;

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
