<script setup lang="ts">
/**
 * Questions on which the schools differ in how, with each side's reasons; a choice is saved at once and can be taken
 * back.
 */
import { computed, onMounted, ref, watch } from 'vue';
import type { PracticeAnswer } from '../../contract/due/practice.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { subjectOf, useScopes } from './scopes.ts';
import AgentEffects from './AgentEffects.vue';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const { failure, run } = useSending();
const told = ref('');
const undo = ref<{ method: string; option: string | null } | null>(null);
const all = useScopes();
const { where, mayChange } = all;
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
  <div class="stack">
    <p class="quiet lead">{{ say('methods.lead') }}</p>
    <VAutocomplete
      v-model="where"
      class="picker"
      :items="all.scopes.value"
      :label="say('methods.where')"
      hide-details
      density="compact"
    />
    <Notice :says="failure" />
    <UndoBar
      class="on-top"
      :says="told"
      :undoable="undo !== null"
      :label="say('practice.undo')"
      @undo="
        choose(
          methods.find(({ key }) => key === undo!.method)!,
          undo!.option,
          true,
        )
      "
    />
    <fieldset class="heavy" v-for="method in methods" :key="method.key">
      <legend class="unseen">{{ method.name }}</legend>
      <h2 aria-hidden="true">{{ method.name }}</h2>
      <div class="columns tiles close">
        <label
          v-for="(option, i) in method.options"
          :key="option.key"
          class="choice stack tight"
          :class="{ on: option.key === method.chosen }"
        >
          <span class="row close"
            ><input
              type="radio"
              :name="method.key"
              :value="option.key"
              :checked="option.key === method.chosen"
              :disabled="!mayChange"
              @change="choose(method, option.key)"
            /><span
              ><b>{{ option.name }}</b> <small v-if="i === 0" class="quiet">{{ say('methods.ours') }}</small>{{ ' ' }}
              <small v-if="!option.forTenants" class="strong">{{ say('methods.staff') }}</small></span
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
    <AgentEffects />
  </div>
</template>
