/** The sitting as a device says that it was gone through, replayed by what the server knows. */
import type { Proof } from '../../core/proof/checks.ts';
import { replaySitting, stepsOfAct } from '../../core/jobs/gone.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import type { SittingTask } from '../../core/jobs/sitting.ts';
import type { Submission } from '../../contract/jobs/jobs.ts';
import type { GoneSitting } from './records.ts';
import type { Row } from '../store/tables.ts';
import { sittingOn, sittingTask } from '../jobs/jobSitting.ts';
import type { PlannedStep } from '../../core/jobs/plannedStep.ts';
import type { PointHistory } from '../due/pointHistory.ts';

/** The sitting as the device says that it was gone through, replayed; without a word from it, as it was planned. */
export interface JobPassage {
  readonly machine: Row<'machine'>;
  readonly tasks: readonly SittingTask[];
  readonly steps: readonly PlannedStep[];
  readonly wrong: readonly string[];
  readonly work: Omit<Proof['work'], 'waitMinutes'>;
  readonly kept: GoneSitting;
}

/** How the sent steps were gone through: whether each was in its state, and how long hands were on. */
export function goneThrough(
  machine: Row<'machine'>,
  of: readonly { readonly task: Row<'task'>; readonly history: PointHistory; readonly runMinutes: number | null }[],
  { plan, left }: Submission,
  pace: number,
  tenant: boolean,
): JobPassage {
  const tasks = of.map(({ task, history: { procedure, turn }, runMinutes }) =>
    sittingTask(task.id, procedure, { turn, blocked: [], beside: [], runMinutes, tenant }),
  );
  const sitting = sittingOn(machine, tasks);
  const situation = {
    begin: plan?.begin ?? {},
    found: plan?.found ?? [],
    done: plan?.keys ?? planSitting(sitting).steps.map(({ key }) => key),
  };
  const { steps, wrong } = replaySitting(
    sitting,
    situation,
    left.map(({ taskId }) => taskId),
  );
  const done = tasks.filter(({ id }) => !left.some(({ taskId }) => taskId === id));
  const work = { handsMinutes: done.reduce((sum, { minutes }) => sum + minutes, 0), pace };
  return {
    machine,
    tasks,
    steps,
    wrong,
    work,
    kept: {
      plan: steps.map(({ key, state }) => ({ step: key, state })),
      found: situation.found,
      begin: situation.begin,
    },
  };
}

/** The act that a photo slot of a task belongs to. */
export function actOfSlot({ tasks, steps }: JobPassage, taskId: string, slot: string): string | null {
  const found = steps.find((planned) =>
    stepsOfAct(tasks, planned).some(
      ({ task, step }) => task === taskId && step.needs.some(({ kind, key }) => kind === 'photo' && key === slot),
    ),
  );
  return found?.key ?? null;
}
