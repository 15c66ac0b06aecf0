/** Doing one thing that takes a moment: whether it is under way, and what went wrong, in words. */
import { ref, type Ref } from 'vue';
import { sentenceOf } from './sentence.ts';

export interface Sending {
  readonly busy: Ref<boolean>;
  readonly failure: Ref<string>;
  /** Runs `work` and says whether it went through. */
  run(work: () => Promise<void>): Promise<boolean>;
}

export function useSending(): Sending {
  const busy = ref(false);
  const failure = ref('');
  return {
    busy,
    failure,
    async run(work) {
      busy.value = true;
      failure.value = '';
      try {
        await work();
        return true;
      } catch (error) {
        failure.value = sentenceOf(error);
        return false;
      } finally {
        busy.value = false;
      }
    },
  };
}
