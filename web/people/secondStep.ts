/** The second step of coming in: who has a second factor is asked for its code once the first step was right. */
import { ref } from 'vue';
import { Problem } from '../api/api.ts';

export function useSecondStep() {
  const asked = ref(false);
  /** Tries to come in, and remembers when the code is asked for. */
  async function enter(open: () => Promise<unknown>): Promise<void> {
    try {
      await open();
    } catch (error) {
      asked.value ||= error instanceof Problem && error.key === 'codeNeeded';
      throw error;
    }
  }
  return { asked, enter };
}
