/** What is learned at the machine changes what is left to do; what was done stays done. */
import type { Ref, ShallowRef } from 'vue';
import type { Finding } from '../../core/catalogue/types.ts';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import type { Draft } from '../outbox/draft.ts';
import { replan } from './plan.ts';
import type { StuckReason } from './stuck.ts';

export function replanning(
  job: ShallowRef<JobAnswer | null>,
  draft: ShallowRef<Draft | null>,
  stuck: Ref<StuckReason | null>,
) {
  /** Something was found that changes what is needed: the rest is planned again, what was done stays done. */
  async function found(key: Finding): Promise<void> {
    const here = draft.value!;
    here.found = here.found.includes(key) ? here.found.filter((it) => it !== key) : [...here.found, key];
    await replan(job.value!, here, here.step + 1);
  }

  /** How the machine was found: the plan begins from there, and ends there. */
  async function begins({ variable, value }: JobAnswer['beginnings'][number]): Promise<void> {
    const here = draft.value!;
    if (here.begin[variable] === value) delete here.begin[variable];
    else here.begin[variable] = value;
    await replan(job.value!, here, 0);
  }

  /** Without a switch only what needs none is done; the rest goes back, and all of it where nothing is left. */
  async function noSwitch(): Promise<void> {
    const here = draft.value!;
    here.noSwitch = true;
    await replan(job.value!, here, here.step);
    if (here.left.length < Object.keys(here.tasks).length) return;
    here.noSwitch = false;
    await replan(job.value!, here, here.step);
    stuck.value = 'noSwitch';
  }

  /** Looked for, and not there: the rest goes on without it. */
  async function thereIsNone(taskId: string): Promise<void> {
    const here = draft.value!;
    if (Object.keys(here.tasks).filter((id) => !here.none.includes(id)).length === 1) {
      stuck.value = 'none';
      return;
    }
    here.none = [...here.none, taskId];
    await replan(job.value!, here, here.step);
  }
  return { found, begins, noSwitch, thereIsNone };
}
