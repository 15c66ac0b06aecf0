/** A form's behaviour: the contract's schema before sending, the server's word after it, errors beside fields. */
import { reactive, ref, type Ref } from 'vue';
import type { AnySchema, InferType } from 'yup';
import { check } from '../../contract/form/validate.ts';
import { say } from '../language/say.ts';
import { Problem } from './api.ts';
import { sentenceOf } from './sentence.ts';

export interface Form<F> {
  /** What is wrong, by field path. */
  readonly errors: Record<string, string>;
  /** A sentence about the whole, where no field is to blame. */
  readonly problem: Ref<string>;
  readonly busy: Ref<boolean>;
  /** Checks, sends, and says whether it went through. */
  submit(value: unknown, send: (value: F) => Promise<unknown>): Promise<boolean>;
}

export function useForm<S extends AnySchema>(schema: S): Form<InferType<S>> {
  const errors = reactive<Record<string, string>>({});
  const problem = ref('');
  const busy = ref(false);
  const show = (told: Record<string, string>) => {
    for (const path of Object.keys(errors)) delete errors[path];
    Object.assign(errors, told);
  };
  return {
    errors,
    problem,
    busy,
    async submit(value, send) {
      problem.value = '';
      const checked = check(schema, value);
      if (checked.errors) {
        show(
          Object.fromEntries(
            Object.entries(checked.errors).map(([path, { key, values }]) => [path, say.text(key, values)]),
          ),
        );
        problem.value = say('form.look');
        return false;
      }
      show({});
      busy.value = true;
      try {
        await send(checked.value);
        return true;
      } catch (error) {
        if (error instanceof Problem) show({ ...error.fields });
        problem.value = sentenceOf(error);
        return false;
      } finally {
        busy.value = false;
      }
    },
  };
}
