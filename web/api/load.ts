/** Loading something for a screen: the value, whether it is on its way, and what went wrong. */
import { ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { Problem } from './api.ts';
import { sentenceOf } from './sentence.ts';

export interface Loading<T> {
  readonly value: ShallowRef<T | null>;
  readonly failure: Ref<string>;
  /** What is wrong with what was asked, by field. */
  readonly fields: ShallowRef<Readonly<Record<string, string>>>;
  readonly loading: Ref<boolean>;
  /** Trying again may help: it did not fail because this person may not see it or it is not there. */
  readonly mayHelp: Ref<boolean>;
  reload(): Promise<void>;
}

export function useLoading<T>(load: () => Promise<T>): Loading<T> {
  const value = shallowRef<T | null>(null);
  const failure = ref('');
  const fields = shallowRef<Readonly<Record<string, string>>>({});
  const mayHelp = ref(true);
  const loading = ref(false);
  let latest = 0;
  return {
    value,
    failure,
    fields,
    mayHelp,
    loading,
    async reload() {
      const turn = (latest += 1);
      loading.value = true;
      try {
        const loaded = await load();
        if (turn === latest) {
          value.value = loaded;
          failure.value = '';
          fields.value = {};
        }
      } catch (error) {
        if (turn !== latest) return;
        failure.value = sentenceOf(error);
        fields.value = error instanceof Problem ? error.fields : {};
        mayHelp.value = !(error instanceof Problem && (error.status === 403 || error.status === 404));
      } finally {
        if (turn === latest) loading.value = false;
      }
    },
  };
}
