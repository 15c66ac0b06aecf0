<script setup lang="ts">
/** Editing a procedure: ours stands in every field as its placeholder; what is written replaces it. */
import { computed, reactive } from 'vue';
import type { Edition, EditionStep } from '../../core/catalogue/edition.ts';
import { AGENTS, LEVELS, type Level } from '../../core/catalogue/types.ts';
import { saveEdition, type ProcedureAnswer } from '../../contract/catalogue/editions.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ procedure: ProcedureAnswer }>();
const emit = defineEmits<{ saved: [number]; close: [] }>();
type Writable<T> = { -readonly [K in keyof T]: T[K] };
const { content } = props.procedure;
const entry = reactive({
  minutes: content.minutes,
  level: content.level as Level,
  kit: content.kit.join('\n'),
  cautions: content.cautions.join('\n'),
  agents: [...content.agents],
  steps: content.steps.map((step) => ({ ...step })) as Writable<EditionStep>[],
  note: '',
});
const levels = computed(() => LEVELS.slice(LEVELS.indexOf(props.procedure.ourLevel)));
const ourStep = (key: string | null) => props.procedure.ourSteps.find((step) => step.key === key);
const { errors, problem, busy, submit } = useForm(saveEdition);
const lines = (text: string) =>
  text
    .split('\n')
    .map((it) => it.trim())
    .filter(Boolean);
const asksAgent = props.procedure.agents.length > 0;

function add(after: number): void {
  entry.steps.splice(after + 1, 0, { ours: null, phase: entry.steps[after]!.phase, title: '', body: '', caution: '' });
}
function swap(i: number, j: number): void {
  [entry.steps[i], entry.steps[j]] = [entry.steps[j]!, entry.steps[i]!];
}
const mayGo = (i: number, j: number) => entry.steps[j] !== undefined && entry.steps[j].phase === entry.steps[i]!.phase;
async function save(): Promise<void> {
  const edition: Edition = {
    minutes: Number(entry.minutes),
    level: entry.level,
    kit: lines(entry.kit),
    cautions: lines(entry.cautions),
    agents: entry.agents,
    steps: entry.steps,
  };
  const id = newId();
  let number = 0;
  if (
    await submit({ content: edition, note: entry.note, basedOn: props.procedure.number }, async (form) => {
      ({ number } = await api('edition.save', { key: props.procedure.key, form, once: id }));
    })
  )
    emit('saved', number);
}
</script>

<template>
  <form class="edition stack" @submit.prevent="save">
    <div>
      <h2>{{ say('edit.title') }}</h2>
      <p class="quiet">{{ say('edit.lead') }}</p>
    </div>
    <div class="fields">
      <VTextField
        v-model.number="entry.minutes"
        type="number"
        min="1"
        max="480"
        :label="say('edit.minutes')"
        :error-messages="errors['content.minutes']"
      />
      <VSelect
        v-model="entry.level"
        :items="levels.map((value) => ({ value, title: say(`level.${value}`) }))"
        :label="say('edit.level')"
      />
      <VSelect
        v-if="asksAgent"
        v-model="entry.agents"
        multiple
        chips
        :items="AGENTS.map((value) => ({ value, title: say(`agent.${value}`) }))"
        :label="say('edit.agents')"
      />
      <VTextarea v-model="entry.kit" :label="say('edit.kit')" rows="2" /><VTextarea
        v-model="entry.cautions"
        :label="say('edit.cautions')"
        rows="2"
      />
    </div>
    <ol class="stack close">
      <li v-for="(step, i) in entry.steps" :key="step.ours ?? `own${i}`" class="panel card stack close">
        <p class="row small">
          <b
            >{{ i + 1 }}.
            {{ step.ours === null ? step.title || say('procedures.own') : (ourStep(step.ours)?.title ?? step.ours) }}</b
          >{{ ' ' }}
          <span class="quiet">{{ say(`phase.${step.phase}`) }}</span>
          <span class="row push"
            ><button v-if="mayGo(i, i - 1)" type="button" class="plain link" @click="swap(i, i - 1)">
              {{ say('edit.step.up') }}</button
            ><button v-if="mayGo(i, i + 1)" type="button" class="plain link" @click="swap(i, i + 1)">
              {{ say('edit.step.down') }}</button
            ><button type="button" class="plain link" @click="add(i)">{{ say('edit.step.add') }}</button
            ><span v-if="ourStep(step.ours)?.stays" class="quiet">{{ say('edit.step.stays') }}</span
            ><button v-else type="button" class="plain link" @click="entry.steps.splice(i, 1)">
              {{ say('edit.step.remove') }}
            </button></span
          >
        </p>
        <div class="columns small-ones">
          <VTextField
            v-model="step.title"
            :label="say('edit.step.title')"
            :placeholder="ourStep(step.ours)?.title ?? ''"
            persistent-placeholder
            density="compact"
            hide-details
          />
          <VTextarea
            v-model="step.body"
            :label="say('edit.step.body')"
            :placeholder="ourStep(step.ours)?.body ?? ''"
            persistent-placeholder
            density="compact"
            rows="1"
            hide-details
          />
          <VTextField v-model="step.caution" :label="say('edit.step.caution')" density="compact" hide-details />
        </div>
      </li>
    </ol>
    <VTextField v-model="entry.note" :label="say('edit.note')" :error-messages="errors.note" />
    <Notice :says="problem" />
    <p class="row close">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('edit.save') }}</VBtn><VBtn
        variant="outlined"
        @click="emit('close')"
        >{{ say('cancel') }}</VBtn
      >
    </p>
  </form>
</template>
