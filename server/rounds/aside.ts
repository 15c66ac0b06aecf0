/** Plans are searched for in a thread of their own, one at a time, while everybody else is answered. */
import Piscina from 'piscina';
import { MessageChannel } from 'node:worker_threads';
import type { Instance, PlanVisit } from '../../core/rounds/instance.ts';
import type { SearchTask } from './search.ts';

/** Begun with the first plan, and let go when none was asked for in a while. */
const pool = new Piscina<SearchTask, readonly PlanVisit[]>({
  filename: new URL('./search.ts', import.meta.url).href,
  minThreads: 0,
  maxThreads: 1,
  idleTimeout: 30_000,
});

/** Always the same: whoever asks twice of the same register gets the same plan. */
const SEED = 1;
/** Steps for each home, and in all. */
const [STEPS_A_HOME, STEPS_LEAST, STEPS_MOST] = [40, 1_500, 12_000];

/**
 * Searches for a plan aside.
 * @param from visits that stay
 * @throws AbortError: whoever asked has gone
 */
export async function planAside(
  instance: Instance,
  from: readonly PlanVisit[],
  { tell, signal }: { readonly tell: (share: number) => void; readonly signal: AbortSignal },
): Promise<readonly PlanVisit[]> {
  const { port1, port2 } = new MessageChannel();
  port1.on('message', tell);
  const steps = Math.min(STEPS_MOST, Math.max(STEPS_LEAST, STEPS_A_HOME * instance.homes.length));
  try {
    return await pool.run({ instance, from, seed: SEED, steps, port: port2 }, { transferList: [port2], signal });
  } finally {
    port1.close();
  }
}
