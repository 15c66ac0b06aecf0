/**
 * The steps of a job as they are gone through on this device; planned again, without a connection too, when something
 * is found.
 */
import type { JobAnswer, JobStep } from '../../contract/jobs/jobs.ts';
import { placedStep, type StepWords } from '../../contract/jobs/steps.ts';
import { baseKey } from '../../core/jobs/stepKeys.ts';
import { shownVariables, standsOtherwise, stateLine } from '../../core/jobs/stateLine.ts';
import type { Sitting } from '../../core/jobs/sitting.ts';
import type { Draft } from '../outbox/draft.ts';

/** Steps that switch the machine, before the work and after it. */
export const isSwitching = ({ phase }: Pick<JobStep, 'phase'>): boolean => phase === 'isolate' || phase === 'restore';

/** What its words stand under: a change without its number, an act of a second stretch as the first. */
const baseOf = (key: string) => baseKey(key).replace(/\+$/, '');

/** The steps as they stand: as planned here, else as they came. */
export function stepsOn(job: JobAnswer, { plan }: Draft): readonly JobStep[] {
  if (!plan) return job.steps;
  const words = new Map<string, StepWords>([...job.others, ...job.steps].map((step) => [baseOf(step.key), step]));
  // What came placed under another key and for other tasks is placed anew.
  const unplaced = (step: StepWords): StepWords =>
    isSwitching(step) ? { ...step, needs: step.needs.map((need) => ({ ...need, taskIds: [] })) } : step;
  return plan.flatMap((place) => {
    const step = words.get(baseOf(place.key));
    return step ? [placedStep(unplaced(step), place)] : [];
  });
}

/** Keeps the steps as they came, so that they are gone through in this order whatever comes meanwhile. */
export function freeze(job: JobAnswer, draft: Draft): void {
  draft.plan ??= job.steps.map(({ key, taskIds, state, stateSays }) => ({ key, taskIds, state, stateSays }));
}

/** The sitting without some of its tasks. */
function without(sitting: Sitting, tasks: readonly string[]): Sitting {
  if (tasks.length === 0) return sitting;
  const acts = sitting.acts
    .map((act) => ({ ...act, of: act.of.filter(({ task }) => !tasks.includes(task)) }))
    .filter(({ of }) => of.length > 0);
  const keys = new Set(acts.map(({ key }) => key));
  return { ...sitting, acts: acts.map((act) => ({ ...act, after: act.after.filter((key) => keys.has(key)) })) };
}

/**
 * Plans the rest of the sitting again; what was done stays done.
 * @param done how many of the steps are done
 */
export async function replan(job: JobAnswer, draft: Draft, done: number): Promise<void> {
  const { planSitting } = await import('../../core/jobs/plan.ts');
  const there = without(job.sitting, draft.none);
  const sitting = draft.noSwitch ? { ...there, changes: there.changes.filter(({ to }) => to !== 'off') } : there;
  const keys = stepsOn(job, draft)
    .slice(0, done)
    .map(({ key }) => key)
    .filter(
      (key) =>
        job.sitting.acts.some((act) => act.key === key) ||
        job.sitting.changes.some(({ words }) => words === baseOf(key)),
    );
  const plan = planSitting(sitting, { begin: draft.begin, found: draft.found, done: keys });
  const variables = shownVariables(job.sitting, plan.steps, draft.begin);
  draft.plan = plan.steps.map(({ key, tasks, state }) => ({
    key,
    taskIds: tasks,
    state,
    stateSays: stateLine(job.stateWords, variables, state),
  }));
  draft.left = [
    ...draft.none.map((taskId) => ({ taskId, reason: 'none' as const })),
    ...plan.left.map((taskId) => ({ taskId, reason: draft.noSwitch ? ('noSwitch' as const) : ('cannot' as const) })),
  ];
}

/** What stands otherwise than it was found, before a step: keys, and in words. */
export function stillBefore(
  job: JobAnswer,
  draft: Draft,
  index: number,
): { readonly keys: string[]; readonly says: string } {
  const last = stepsOn(job, draft)[index - 1];
  const keys = last ? standsOtherwise(job.sitting, last.state, draft.begin) : [];
  return {
    keys,
    says: keys
      .map((key) => job.stateWords[key] ?? '')
      .filter(Boolean)
      .join(', '),
  };
}
