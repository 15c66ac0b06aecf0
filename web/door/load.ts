/** Loading something for a screen: the value, whether it is on its way, and what went wrong. */
import { ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { sentenceOf } from './sentence.ts';

export interface Loading<T> {
  readonly value: ShallowRef<T | null>;
  readonly failure: Ref<string>;
  readonly loading: Ref<boolean>;
  reload(): Promise<void>;
}

export function useLoading<T>(load: () => Promise<T>): Loading<T> {
  const value = shallowRef<T | null>(null);
  const failure = ref('');
  const loading = ref(false);
  let latest = 0;
  return {
    value,
    failure,
    loading,
    async reload() {
      const turn = (latest += 1);
      loading.value = true;
      try {
        const loaded = await load();
        if (turn === latest) {
          value.value = loaded;
          failure.value = '';
        }
      } catch (error) {
        if (turn === latest) failure.value = sentenceOf(error);
      } finally {
        if (turn === latest) loading.value = false;
      }
    },
  };
}
