<script setup lang="ts">
/** One measurement: what is entered, its working as it is entered, and keeping it. */
import { computed, reactive, ref, watch } from 'vue';
import type { Measure, MeasureInputs } from '../../core/measure/measures.ts';
import { rodsFor } from '../../core/measure/ductRun.ts';
import { workingWords } from '../../core/measure/words.ts';
import { keepMeasurement, type MeasurementAnswer } from '../../contract/measure/measure.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import { enteredAs, units } from './units.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ measure: Measure; point?: string }>();
const tidy = (value: number) => Math.round(value * 100) / 100;
const shownOf = (start: number | string, kind: Measure['fields'][number]['kind']) =>
  typeof start === 'number' ? String(tidy(enteredAs(kind, units.value).shown(start))) : start;
const entry = reactive<Record<string, string>>({});
const begin = () => {
  for (const { key, kind, start } of props.measure.fields) entry[key] = shownOf(start, kind);
};
begin();
watch(units, begin);

const inputs = computed<MeasureInputs>(() =>
  Object.fromEntries(
    props.measure.fields.map(({ key, kind }) => {
      const text = String(entry[key] ?? '').trim();
      if (kind === 'text' || kind === 'choice' || text === '') return [key, text];
      return [key, enteredAs(kind, units.value).metric(Number(text.replace(',', '.')))];
    }),
  ),
);
const working = computed(() => {
  try {
    return workingWords(say, props.measure.work(inputs.value), units.value);
  } catch {
    return null;
  }
});
const rods = computed(() =>
  props.measure.key === 'duct' && working.value ? rodsFor({ straightMm: Number(inputs.value.straight) }) : null,
);
const keeping = ref(props.point !== undefined);
const keep = reactive({ point: props.point ?? '', note: '' });
const kept = ref('');
const { errors, problem, busy, submit } = useForm(keepMeasurement);
async function send(): Promise<void> {
  const id = newId();
  let answer: MeasurementAnswer | null = null;
  if (
    !(await submit({ id, ...keep, measure: props.measure.key, inputs: inputs.value }, async (form) => {
      answer = await api('measurement.keep', { form, once: id });
    }))
  )
    return;
  const { point, record } = answer!;
  kept.value = say('measure.kept', { point, record: record === null ? 'none' : say.day(dayFromIso(record)) });
  keeping.value = false;
}
const unitOf = (key: string, kind: Measure['fields'][number]['kind']) =>
  enteredAs(kind, units.value).unit || (say.has(`measure.unit.${key}`) ? say(`measure.unit.${key}`) : '');
</script>

<template>
  <article :id="measure.key" class="measure heavy stack close start">
    <h2 :id="`${measure.key}-title`">{{ say(`measure.${measure.key}.title`) }}</h2>
    <div class="fields narrow wide">
      <template v-for="field in measure.fields" :key="field.key">
        <VSelect
          v-if="field.kind === 'choice'"
          v-model="entry[field.key]"
          :items="field.choices!.map((value) => ({ value, title: say(`measure.choice.${value}`) }))"
          :label="say(`measure.field.${field.key}`)"
          hide-details
          density="compact"
        />
        <VTextField
          v-else
          v-model="entry[field.key]"
          :inputmode="field.kind === 'text' ? 'text' : 'decimal'"
          :label="say(`measure.field.${field.key}`)"
          :suffix="unitOf(field.key, field.kind)"
          hide-details
          density="compact"
        />
      </template>
    </div>
    <template v-if="working">
      <ul class="ruled tight wide">
        <li v-for="term in working.terms" :key="term">{{ term }}</li>
        <li v-if="rods">{{ say('measure.rods', { rods }) }}</li>
      </ul>
      <p v-for="limit in working.limits" :key="limit.says" :class="limit.met ? 'told' : 'caution'">
        {{ limit.says }}
      </p>
    </template>
    <p v-else class="quiet small">{{ say('measure.enter') }}</p>
    <Notice class="small" done :says="kept" />
    <form v-if="keeping" class="fields narrow wide" @submit.prevent="send">
      <VTextField
        v-model="keep.point"
        :label="say('measure.keep.point')"
        :hint="say('measure.keep.point.hint')"
        density="compact"
        :error-messages="errors.point"
      />
      <VTextField
        v-model="keep.note"
        :label="say('measure.keep.note')"
        density="compact"
        :error-messages="errors.note"
      />
      <VBtn type="submit" variant="outlined" :loading="busy" :disabled="!working">{{ say('measure.keep.go') }}</VBtn>
      <Notice v-if="problem" class="small" :says="errors.inputs ?? problem" />
    </form>
    <button
      v-else
      type="button"
      class="plain link small"
      :aria-describedby="`${measure.key}-title`"
      @click="keeping = true"
    >
      {{ say('measure.keep') }}
    </button>
  </article>
</template>
