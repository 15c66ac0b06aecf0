/** Sending what was done: now, or as soon as there is a connection; and mending what was noticed of it. */
import { ref, watch, type Ref, type ShallowRef } from 'vue';
import type { JobStep } from '../../contract/jobs/jobs.ts';
import { api, Problem } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { keepAgain, submissionOf, type Draft } from '../outbox/draft.ts';
import { sendOrKeep, submissionPath, submissionState, waiting } from '../outbox/outbox.ts';

export interface SubmissionUse {
  /** What the office noticed of the work it took; null until it was taken. */
  readonly sent: Ref<readonly string[] | null>;
  readonly sending: Ref<boolean>;
  readonly problem: Ref<string>;
  send(): Promise<void>;
  mend(): Promise<void>;
  follow(): void;
}

/**
 * @param id of the job
 * @param draft what was entered; null once it was taken
 * @param with the steps as they stand, and reading the job again
 */
export function useSubmission(
  id: string,
  draft: ShallowRef<Draft | null>,
  { steps, read }: { steps: () => readonly JobStep[]; read: () => Promise<void> },
): SubmissionUse {
  const { busy: sending, failure: problem, run } = useSending();
  const sent = ref<readonly string[] | null>(null);

  /** What was kept goes by itself; this follows it. */
  function follow(): void {
    if (!draft.value?.queued) return;
    const { state, says } = submissionState(id);
    if (state === 'gone') {
      draft.value = null;
      sent.value ??= [];
    } else if (state === 'refused') {
      draft.value.queued = false;
      problem.value = says;
      void read();
    }
  }
  watch(waiting, follow);

  /** What was just sent, so that what was noticed of it can be mended without doing it all again. */
  let mended: Draft | null = null;
  async function mend(): Promise<void> {
    await run(async () => {
      await api('jobs.withdraw', { id });
      keepAgain(id, mended!);
      sent.value = null;
      await read();
    });
  }

  async function send(): Promise<void> {
    const finished = draft.value!;
    finished.finishedAt ??= Date.now();
    await run(async () => {
      const form = submissionOf(finished, steps(), Date.now());
      const outcome = await sendOrKeep(
        id,
        { kind: 'form', path: submissionPath(id), form, stamped: true },
        finished.sendKey,
      ).catch(async (error: unknown) => {
        if (error instanceof Problem && error.status === 409) await read();
        throw error;
      });
      if (outcome.ended === 'kept') {
        finished.queued = true;
        return;
      }
      mended = JSON.parse(JSON.stringify(finished)) as Draft;
      draft.value = null;
      sent.value = (outcome.answer as { notes?: string[] }).notes ?? [];
    });
  }
  return { sent, sending, problem, send, mend, follow };
}
