/** What the planning thread does: a plan from an instance, telling how far it is. */
import type { MessagePort } from 'node:worker_threads';
import type { Instance, PlanVisit } from '../../core/rounds/instance.ts';
import { findPlan } from '../../core/rounds/search.ts';

export interface SearchTask {
  readonly instance: Instance;
  readonly from: readonly PlanVisit[];
  readonly seed: number;
  readonly steps: number;
  readonly port: MessagePort;
}

/** The visits of the best plan found. */
export default function search({ port, instance, ...terms }: SearchTask): readonly PlanVisit[] {
  try {
    return findPlan(instance, {
      ...terms,
      tell: (share) => {
        port.postMessage(share);
        return true;
      },
    }).visits;
  } finally {
    port.close();
  }
}
