/** A sitting as it was gone through: what a device says of it, replayed against what can be so. */
import type { Need, Step } from '../catalogue/types.ts';
import { activeActs, replay, REST } from './plan.ts';
import { baseKey } from './stepKeys.ts';
import type { Sitting, SittingTask } from './sitting.ts';
import { contradictionsIn } from '../catalogue/state.ts';
import { standsOtherwise } from './stateLine.ts';
import type { PlannedStep, Situation } from './plannedStep.ts';

export interface Passage {
  readonly steps: readonly PlannedStep[];
  /**
   * Keys of steps that contradict the state they were done in, came before what goes first, or are missing; empty where
   * all is in order.
   */
  readonly wrong: readonly string[];
}

/**
 * Replays a sitting from its first step.
 * @param left tasks that were not done; nothing of theirs is missing
 */
export function replaySitting(sitting: Sitting, situation: Situation, left: readonly string[] = []): Passage {
  const acts = activeActs(sitting, situation.found ?? []);
  const { steps, state: end } = replay(sitting, acts, situation);
  const seen = new Set<string>();
  const wrong: string[] = [];
  for (const { key, act, change, state } of steps) {
    const known = act !== null || change !== null || baseKey(key) === REST;
    const early =
      act?.after.some((before) => acts.some((it) => it.key === before && isWanted(it.of, left)) && !seen.has(before)) ??
      false;
    if (!known || seen.has(key) || early || (act && contradictionsIn(act, state).length > 0)) wrong.push(key);
    seen.add(key);
  }
  for (const { key, of } of acts) if (isWanted(of, left) && !seen.has(key)) wrong.push(key);
  if (standsOtherwise(sitting, end, situation.begin).length > 0) wrong.push('end');
  return { steps, wrong };
}

const isWanted = (of: readonly { readonly task: string }[], left: readonly string[]) =>
  of.some(({ task }) => !left.includes(task));

/** What is asked of a task in a plan: by its own steps in it, and the confirmation of each change that is for it. */
export function needsInPlan(task: SittingTask, steps: readonly PlannedStep[]): Need[] {
  const texts = new Set(
    steps.flatMap(({ act }) => act?.of.filter((it) => it.task === task.id).map(({ text }) => text) ?? []),
  );
  const own = task.steps.filter(({ text }) => texts.has(text)).flatMap(({ needs }) => needs);
  const changes = steps
    .filter(({ change, tasks }) => change !== null && tasks.includes(task.id))
    .map(({ key }): Need => ({ kind: 'confirm', key }));
  return [...own, ...changes];
}

/** Steps whose words and needs belong to an act, one a task, in the order of the tasks. */
export function stepsOfAct(
  tasks: readonly SittingTask[],
  { act }: Pick<PlannedStep, 'act'>,
): { readonly task: string; readonly step: Step }[] {
  return (
    act?.of.flatMap(({ task, text }) => {
      const step = tasks.find(({ id }) => id === task)?.steps.find((it) => it.text === text);
      return step ? [{ task, step }] : [];
    }) ?? []
  );
}
