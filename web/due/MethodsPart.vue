<script setup lang="ts">
/**
 * Questions on which the schools differ in how, with each side's reasons; a choice is saved at once and can be taken
 * back.
 */
import { computed, onMounted, ref, watch } from 'vue';
import type { PracticeAnswer } from '../../contract/practice.ts';
import { api } from '../door/door.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';
import { subjectOf, useScopes, WHOLE } from './scopes.ts';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const { failure, run } = useSending();
const told = ref('');
const undo = ref<{ method: string; option: string | null } | null>(null);
const all = useScopes();
const where = ref(WHOLE);
/** The methods with what holds there: the nearest choice around it, or the organisation's. */
const methods = computed(() => {
  const around = all.scopes.value.find(({ value }) => value === where.value)?.around ?? [];
  return props.answer.methods.map((method) => ({
    ...method,
    chosen:
      around.map((id) => method.exceptions.find(({ subjectId }) => subjectId === id)?.option).find(Boolean) ??
      method.chosen,
  }));
});
watch(where, () => {
  told.value = '';
  undo.value = null;
});
onMounted(all.load);

async function choose(
  method: PracticeAnswer['methods'][number],
  option: string | null,
  backwards = false,
): Promise<void> {
  const subject = subjectOf(where.value);
  // Where nothing was chosen, taking it back leaves nothing chosen again.
  const before =
    subject.subjectId === null
      ? method.chosen
      : (method.exceptions.find(({ subjectId }) => subjectId === subject.subjectId)?.option ?? null);
  if (
    !(await run(async () => {
      await api('method.choose', { form: { ...subject, method: method.key, option } });
    }))
  )
    return;
  told.value = backwards
    ? say('practice.undone')
    : `${method.name}: ${method.options.find(({ key }) => key === option)?.name}.`;
  undo.value = backwards ? null : { method: method.key, option: before };
  emit('changed');
}
</script>

<template>
  <div class="part">
    <p class="quiet lead">{{ say('methods.lead') }}</p>
    <VAutocomplete
      v-model="where"
      class="where"
      :items="all.scopes.value"
      :label="say('methods.where')"
      hide-details
      density="compact"
    />
    <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
    <p v-if="told" class="told" role="status">
      {{ told }}
      <button
        v-if="undo"
        type="button"
        class="plain link"
        @click="
          choose(
            methods.find(({ key }) => key === undo!.method)!,
            undo!.option,
            true,
          )
        "
      >
        {{ say('practice.undo') }}
      </button>
    </p>
    <fieldset v-for="method in methods" :key="method.key">
      <legend>{{ method.name }}</legend>
      <div class="options">
        <label v-for="(option, i) in method.options" :key="option.key" :class="{ on: option.key === method.chosen }">
          <span class="name"
            ><input
              type="radio"
              :name="method.key"
              :value="option.key"
              :checked="option.key === method.chosen"
              @change="choose(method, option.key)"
            /><span
              ><b>{{ option.name }}</b> <small v-if="i === 0" class="quiet">{{ say('methods.ours') }}</small>{{ ' ' }}
              <small v-if="!option.forTenants" class="staff">{{ say('methods.staff') }}</small></span
            ></span
          >
          <span class="small"
            ><b>{{ say('methods.for') }}</b> {{ option.speaksFor }}</span
          >
          <span class="small quiet"
            ><b>{{ say('methods.against') }}</b> {{ option.speaksAgainst }}</span
          >
        </label>
      </div>
      <p v-if="method.exceptions.length" class="small quiet">
        {{
          say('methods.exceptions', {
            list: method.exceptions
              .map(({ name, option }) => `${name}: ${method.options.find(({ key }) => key === option)?.name}`)
              .join('; '),
          })
        }}
      </p>
    </fieldset>
  </div>
</template>

<style scoped>
.part {
  display: grid;
  gap: 16px;
}
.lead {
  max-width: 62ch;
}
.where {
  max-width: 420px;
}
fieldset {
  border: 0;
  padding: 0;
  border-top: 2px solid var(--ink);
  display: grid;
  gap: 6px;
}
legend {
  float: left;
  width: 100%;
  padding: 8px 0 4px;
  font-weight: 640;
  font-size: 16px;
}
.options {
  clear: both;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 8px;
}
label {
  display: grid;
  gap: 3px;
  align-content: start;
  border: 1.5px solid var(--hair);
  border-radius: 8px;
  background: var(--panel);
  padding: 9px 12px;
  cursor: pointer;
}
label.on {
  border-color: var(--dew);
  background: var(--pick);
}
label:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 1px;
}
.name {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
input {
  accent-color: var(--dew-deep);
  flex: none;
}
.staff {
  border: 1.3px solid var(--alarm);
  color: var(--alarm);
  border-radius: 4px;
  padding: 0 6px;
  font-weight: 600;
}
.told {
  position: sticky;
  top: 0;
  z-index: 2;
}
</style>
