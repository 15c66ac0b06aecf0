/** A step of a plan, from its words. */
import type { State } from '../../core/catalogue/types.ts';
import type { JobStep } from './jobs.ts';

export type StepWords = Omit<JobStep, 'stateSays' | 'state'>;

/** Where a step stands in a plan. */
export interface StepPlace {
  readonly key: string;
  readonly taskIds: readonly string[];
  readonly state: State;
  readonly stateSays: string;
}

/**
 * The step under its key in the plan, with the tasks that it serves there; what it asks for of no task by name is of
 * all of these.
 */
export function placedStep(words: StepWords, { key, taskIds, state, stateSays }: StepPlace): JobStep {
  const needs = words.needs.map((need) =>
    need.taskIds.length > 0
      ? need
      : { ...need, taskIds, need: need.need.kind === 'confirm' ? { ...need.need, key } : need.need },
  );
  return { ...words, key, taskIds, state, stateSays, needs };
}
