/** Short forms for the definitions that come with the program. */
import type { PartDefinition, StepDefinition } from '../definition.ts';

type Own = Pick<PartDefinition, 'key' | 'kind' | 'name' | 'task' | 'days' | 'risk' | 'level' | 'minutes'>;

/** A part with the usual values for what it does not say itself; its steps numbered in their order. */
export const part = (
  own: Own & Partial<PartDefinition>,
  steps: readonly Omit<StepDefinition, 'key'>[],
): PartDefinition => ({
  why: '',
  mistakes: '',
  safetyCritical: false,
  scheduled: true,
  kit: [],
  cautions: [],
  ...own,
  steps: steps.map((it, i) => ({ key: `s${i + 1}`, ...it })),
});

/** A step that wants and asks for nothing but what it says. */
export const step = (
  phase: StepDefinition['phase'],
  title: string,
  body: string,
  more: Partial<StepDefinition> = {},
): Omit<StepDefinition, 'key'> => ({
  phase,
  title,
  body,
  caution: '',
  wants: 'either',
  part: null,
  photo: '',
  confirm: '',
  grade: false,
  finds: false,
  agents: [],
  wait: 0,
  ...more,
});

export const FROM_MEMORY = 'From memory; look at the maker’s manual and the local code.';
