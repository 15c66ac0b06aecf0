/** While a job is in hand the office is listened to: an alarm stops it, parts may be taken out of it. */
import { onBeforeUnmount, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import type { AlarmAnswer } from '../../contract/faults/alarms.ts';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import { api, Problem } from '../api/api.ts';
import { isDoable } from './jobAsTheirs.ts';

const LISTEN_MS = 20_000;

export interface Listening {
  /** Somebody has called this machine unsafe: the work stands still here as soon as this device hears of it. */
  readonly stopped: ShallowRef<AlarmAnswer | null>;
  /** Parts that the office took out while they were in hand. */
  readonly takenOut: Ref<readonly string[]>;
  listen(): Promise<void>;
}

/**
 * @param id of the job
 * @param job as it is known here
 * @param now `idle` says whether nothing is in hand to listen for; `read` reads the job again
 */
export function useListening(
  id: string,
  job: ShallowRef<JobAnswer | null>,
  { idle, read }: { idle: () => boolean; read: () => Promise<void> },
): Listening {
  const stopped = shallowRef<AlarmAnswer | null>(null);
  const takenOut = ref<readonly string[]>([]);
  const inHand = (answer: JobAnswer) => answer.tasks.filter(({ state }) => state === 'outstanding');
  function tookOut(heard: JobAnswer): string[] {
    const now = inHand(heard).map((task) => task.id);
    return inHand(job.value!)
      .filter((task) => !now.includes(task.id))
      .map(({ name }) => name);
  }
  async function listen(): Promise<void> {
    if (document.hidden || idle()) return;
    try {
      const heard = await api('jobs.read', { id });
      stopped.value = heard.stopped;
      const out = tookOut(heard);
      if (isDoable(heard) && out.length === 0) return;
      takenOut.value = [...takenOut.value, ...out];
      await read();
    } catch (error) {
      // Not theirs any more; without a connection nothing is known.
      if (error instanceof Problem && error.status === 404) await read();
    }
  }
  const listening = setInterval(() => void listen(), LISTEN_MS);
  window.addEventListener('online', listen);
  onBeforeUnmount(() => {
    clearInterval(listening);
    window.removeEventListener('online', listen);
  });
  return { stopped, takenOut, listen };
}
