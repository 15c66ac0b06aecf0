<script setup lang="ts">
/** Every judgement, with its usual value; changed ones are saved together. */
import { computed, reactive, ref, watch } from 'vue';
import { changeAssumptions, type PracticeAnswer } from '../../contract/due/practice.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const board = useBoard();
const find = ref('');
const entered = reactive<Record<string, string>>({});
const told = ref('');
const { errors, problem, busy, submit } = useForm(changeAssumptions);

const round = (value: number) => Math.round(value * 1000) / 1000;
const shownIn = (says: string) => says.toLowerCase().includes(find.value.trim().toLowerCase());
const all = computed(() => [...props.answer.assumptions, ...props.answer.intervals.flatMap(({ days }) => days)]);
const changes = computed(() =>
  Object.fromEntries(
    Object.entries(entered).flatMap(([name, text]) => {
      const it = all.value.find((one) => one.name === name)!;
      const value = text.trim() === '' ? it.usual : Number(text);
      return round(value) === round(it.value) ? [] : [[name, round(value) === round(it.usual) ? null : value]];
    }),
  ),
);
async function save(): Promise<void> {
  if (!(await submit({ changes: changes.value }, (form) => api('assumptions.change', { form })))) return;
  told.value = say('saved');
  emit('changed');
  await board.load();
}
/** What was entered gives way when what is in force has arrived. */
watch(
  () => props.answer,
  () => {
    for (const name of Object.keys(entered)) delete entered[name];
  },
);
const valueOf = ({ name, value }: { name: string; value: number }) => entered[name] ?? String(round(value));
const errorOf = (name: string) => errors[`changes.${name}`];
</script>

<template>
  <form class="stack" @submit.prevent="save">
    <p class="quiet lead">{{ say('assumptions.lead') }}</p>
    <div class="on-top row middle">
      <VTextField v-model="find" class="find" :label="say('assumptions.find')" hide-details density="compact" />
      <VBtn type="submit" color="primary" :disabled="Object.keys(changes).length === 0" :loading="busy">{{
        say('assumptions.save', { count: Object.keys(changes).length })
      }}</VBtn><span v-if="told" role="status" class="dew">{{ told }}</span>
    </div>
    <Notice :says="problem" />
    <div class="columns wide-ones">
      <div class="scrolling">
        <table class="table">
          <thead>
            <tr>
              <th scope="col">{{ say('assumptions.name') }}</th>
              <th scope="col">{{ say('assumptions.value') }}</th>
              <th scope="col">{{ say('assumptions.usual') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="it in answer.assumptions.filter(({ says }) => shownIn(says))"
              :key="it.name"
              :class="{ changed: round(it.value) !== round(it.usual) }"
            >
              <th scope="row">{{ it.says }}</th>
              <td>
                <input
                  class="small-field"
                  :value="valueOf(it)"
                  inputmode="decimal"
                  :aria-label="it.says"
                  :aria-invalid="Boolean(errorOf(it.name))"
                  @input="entered[it.name] = ($event.target as HTMLInputElement).value"
                /><small v-if="errorOf(it.name)" class="alarm">{{ errorOf(it.name) }}</small>
              </td>
              <td class="quiet">{{ round(it.usual) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="scrolling">
        <table class="table">
          <thead>
            <tr>
              <th scope="col">{{ say('assumptions.intervals') }}</th>
              <th v-for="school in ['watchful', 'steady', 'light']" :key="school" scope="col">
                {{ say(`practice.${school}`) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="it in answer.intervals.filter(({ says }) => shownIn(says))" :key="it.procedure">
              <th scope="row">
                {{ it.says }}<small v-if="it.assumed" class="quiet">, {{ say('assumptions.ours') }}</small>
              </th>
              <td v-for="(day, i) in it.days" :key="day.name" :class="{ changed: day.value !== day.usual }">
                <input
                  class="small-field"
                  :value="valueOf(day)"
                  inputmode="numeric"
                  :aria-label="`${it.says}, ${say(`practice.${['watchful', 'steady', 'light'][i]}`)}`"
                  :aria-invalid="Boolean(errorOf(day.name))"
                  @input="entered[day.name] = ($event.target as HTMLInputElement).value"
                /><small v-if="errorOf(day.name)" class="alarm">{{ errorOf(day.name) }}</small>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </form>
</template>
