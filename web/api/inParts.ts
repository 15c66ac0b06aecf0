/** A long list that goes out in parts: how far it is, and a way to stop between two of them. */
import { computed, ref, type Ref } from 'vue';
import { useSending, type Sending } from './sending.ts';

export interface InParts extends Pick<Sending, 'busy' | 'failure'> {
  /** How many went out, and of how many. */
  readonly done: Ref<number>;
  readonly of: Ref<number>;
  /** Sends all, `most` at a time, and says whether it went through to its end. */
  each<T>(all: readonly T[], most: number, send: (part: T[]) => Promise<void>): Promise<boolean>;
  stop(): void;
}

export function useInParts(): InParts {
  const { busy, failure, run } = useSending();
  const done = ref(0);
  const total = ref(1);
  let stopped = false;
  return {
    busy,
    failure,
    done,
    of: computed(() => total.value),
    stop: () => (stopped = true),
    each(all, most, send) {
      done.value = 0;
      total.value = Math.max(1, all.length);
      stopped = false;
      return run(async () => {
        for (let i = 0; i < all.length && !stopped; i += most) {
          const part = all.slice(i, i + most);
          await send(part);
          done.value += part.length;
        }
      });
    },
  };
}
