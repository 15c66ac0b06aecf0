/** What a person has entered of a job, kept on the device until it is sent. */
import { reactive, watch } from 'vue';
import type { Finding } from '../../core/catalogue/types.ts';
import type { JobAnswer, JobStep, StepNeed, Submission } from '../../contract/jobs/jobs.ts';
import type { StepPlace } from '../../contract/jobs/steps.ts';
import { keptOf, numberIn } from '../../core/quantities/entered.ts';
import { newId } from '../api/api.ts';
import { say } from '../language/say.ts';

export interface TaskDraft {
  recordId: string;
  grade: string | null;
  cavityGrade: string | null;
  finds: string[];
  readings: Record<string, string>;
  confirmed: string[];
  agent: string | null;
  size: string;
  photos: Record<string, string>;
  /** The condition after cleaning, in one tap. */
  after: string | null;
  /** The photo of where the part is, where there was none yet. */
  where: string | null;
}

export interface Draft {
  /** −1: the stop points. One past the last step: the review. */
  step: number;
  startedAt: number | null;
  /** When it was first sent off; the same for every try, so that repeating acts once. */
  finishedAt: number | null;
  sendKey: string;
  /** It waits on the device to be sent; nothing is changed any more. */
  queued: boolean;
  note: string;
  tasks: Record<string, TaskDraft>;
  /** When a running timer ends, by step. */
  timers: Record<string, number>;
  waited: string[];
  /** How the machine was found where it was not as usual, and what was found on the way. */
  begin: NonNullable<Submission['plan']>['begin'];
  found: Finding[];
  /** Tasks whose part was looked for and is not there. */
  none: string[];
  /** No switch was found to isolate it by. */
  noSwitch: boolean;
  /**
   * The steps as they are gone through here, from the start on; null before, and where the job has to be planned again.
   */
  plan: StepPlace[] | null;
  /** Tasks that this sitting cannot do, with the reason. */
  left: Submission['left'];
  /** By what right one came in, where nobody was told in time. */
  entry: Submission['entry'];
}

/** Whether a word at the door is still to be written down before the job is begun. */
export const wantsEntry = ({ entry: { needed } }: Pick<JobAnswer, 'entry'>, { entry }: Pick<Draft, 'entry'>): boolean =>
  needed && entry === null;

const keyOf = (jobId: string) => `dewline.job.${jobId}`;

const emptyTask = (): TaskDraft => ({
  recordId: newId(),
  grade: null,
  cavityGrade: null,
  finds: [],
  readings: {},
  confirmed: [],
  agent: null,
  size: '',
  photos: {},
  after: null,
  where: null,
});

function emptyDraft(): Draft {
  return {
    step: -1,
    startedAt: null,
    finishedAt: null,
    sendKey: newId(),
    queued: false,
    note: '',
    tasks: {},
    timers: {},
    waited: [],
    begin: {},
    found: [],
    none: [],
    noSwitch: false,
    plan: null,
    left: [],
    entry: null,
  };
}

/** What stands on the device of a job; nothing where none was begun. */
const stored = (jobId: string): Partial<Draft> =>
  JSON.parse(localStorage.getItem(keyOf(jobId)) ?? '{}') as Partial<Draft>;

/** The draft of a job, as it was left; every change is kept at once. */
export function useDraft(job: JobAnswer): Draft {
  const draft = reactive<Draft>({ ...emptyDraft(), ...stored(job.id) });
  const outstanding = job.tasks.filter(({ state }) => state === 'outstanding').map(({ id }) => id);
  for (const id of outstanding) draft.tasks[id] ??= emptyTask();
  // What the office took out goes along where something was done of it: they decide.
  for (const [id, task] of Object.entries(draft.tasks))
    if (!outstanding.includes(id) && !isTouched(task)) delete draft.tasks[id];
  draft.step = Math.min(draft.step, draft.plan?.length ?? job.steps.length);
  watch(draft, (now) => localStorage.setItem(keyOf(job.id), JSON.stringify(now)), { deep: true });
  return draft;
}

const isTouched = ({ grade, photos, confirmed, readings, agent }: TaskDraft): boolean =>
  grade !== null ||
  agent !== null ||
  confirmed.length > 0 ||
  Object.keys(photos).length > 0 ||
  Object.keys(readings).length > 0;

/** Whether something of a job was begun on this device. */
export const hasDraft = (jobId: string): boolean => stored(jobId).startedAt != null;

/** When the last wait that runs in a job on this device is over, in milliseconds since 1970; null where none runs. */
export function waitOf(jobId: string): number | null {
  const { timers = {}, waited = [] } = stored(jobId);
  const ends = Object.entries(timers)
    .filter(([step]) => !waited.includes(step))
    .map(([, end]) => end);
  return ends.length > 0 ? Math.max(...ends) : null;
}

/** Forgets a draft once it is sent, so that work sent back begins afresh. */
export function dropDraft(jobId: string): void {
  localStorage.removeItem(keyOf(jobId));
}

/**
 * Puts what was sent back as a draft of its own, at its last step: everything is there, and any of it may be mended.
 */
export function keepAgain(jobId: string, sent: Draft): void {
  const tasks = Object.fromEntries(
    Object.entries(sent.tasks).map(([id, task]) => [id, { ...task, recordId: newId() }]),
  );
  localStorage.setItem(
    keyOf(jobId),
    JSON.stringify({ ...sent, tasks, sendKey: newId(), finishedAt: null, queued: false } satisfies Draft),
  );
}

/** Gives or takes back assurances, for every task that each is of. */
export function confirm(draft: Draft, needs: readonly StepNeed[], given: boolean): void {
  for (const {
    need: { key },
    taskIds,
  } of needs) {
    for (const task of taskIds.map((id) => draft.tasks[id])) {
      if (task) task.confirmed = [...task.confirmed.filter((it) => it !== key), ...(given ? [key] : [])];
    }
  }
}

/** Whether a need is answered for every task that it is of. */
export function isAnswered(draft: Draft, step: JobStep, { need, taskIds }: StepNeed): boolean {
  return taskIds.every((id) => {
    const task = draft.tasks[id];
    if (!task) return true;
    switch (need.kind) {
      case 'confirm':
        return task.confirmed.includes(need.key);
      case 'photo':
        return need.optional === true || Boolean(task.photos[need.key]);
      case 'grade':
        return (need.key === 'part' ? task.grade : task.cavityGrade) !== null;
      case 'agent':
        return task.agent !== null;
      case 'size':
        return task.size.trim() !== '';
      case 'reading':
        return need.optional === true ? isNumberOrEmpty(task.readings[need.key]) : isNumber(task.readings[need.key]);
      case 'timer':
        return draft.waited.includes(step.key);
      case 'finds':
      case 'finding':
        return true;
    }
  });
}

const isNumber = (text: string | undefined) => text !== undefined && Number.isFinite(numberIn(text));
const isNumberOrEmpty = (text: string | undefined) => !text?.trim() || isNumber(text);

/** What is still open on a step, in words. */
export function openOn(draft: Draft, step: JobStep): string[] {
  return step.needs
    .filter((need) => !isAnswered(draft, step, need))
    .map(({ need, label }) => {
      if (need.kind === 'timer') return say('job.timer.start', { minutes: need.minutes });
      if (need.kind === 'size') return say('job.size');
      return need.kind === 'agent' ? say('job.agent') : label;
    });
}

/** What was read for a task, in the units in which readings are kept. */
export function readingsOf(steps: readonly Pick<JobStep, 'needs'>[], task: TaskDraft): Record<string, number> {
  const entered = new Map(
    steps.flatMap(({ needs }) => needs.flatMap(({ need, reading }) => (reading ? [[need.key, reading] as const] : []))),
  );
  return Object.fromEntries(
    Object.entries(task.readings)
      .filter(([, text]) => isNumber(text))
      .map(([key, text]) => [key, keptOf(numberIn(text), entered.get(key) ?? { factor: 1, offset: 0 })]),
  );
}

/** The draft as it is sent. */
export function submissionOf(draft: Draft, steps: readonly JobStep[], now: number): Submission {
  return {
    startedAt: draft.startedAt ?? now,
    doneAt: draft.finishedAt ?? now,
    deviceAt: now,
    entry: draft.entry,
    plan: { keys: steps.map(({ key }) => key), found: draft.found, begin: draft.begin },
    left: draft.left,
    records: Object.entries(draft.tasks)
      .filter(([taskId]) => !draft.left.some((it) => it.taskId === taskId))
      .map(([taskId, task]) => ({
        id: task.recordId,
        taskId,
        photos: Object.entries(task.photos).map(([slot, photoId]) => ({ slot, photoId })),
        grade: task.grade,
        cavityGrade: task.cavityGrade,
        finds: task.finds,
        confirmed: task.confirmed,
        agent: task.agent,
        readings: readingsOf(steps, task),
        size: task.size.trim() || null,
        note: draft.note,
        after: task.after ?? null,
        where: task.where ?? null,
      })) as Submission['records'],
  };
}
