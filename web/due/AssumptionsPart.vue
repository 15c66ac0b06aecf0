<script setup lang="ts">
/** Every judgement, with its usual value; changed ones are saved together. */
import { computed, reactive, ref, watch } from 'vue';
import { changeAssumptions, type PracticeAnswer } from '../../contract/practice.ts';
import { api } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const board = useBoard();
const find = ref('');
const entered = reactive<Record<string, string>>({});
const told = ref('');
const { errors, refusal, busy, submit } = useForm(changeAssumptions);

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
  <form class="part" @submit.prevent="save">
    <p class="quiet lead">{{ say('assumptions.lead') }}</p>
    <div class="bar">
      <VTextField v-model="find" class="find" :label="say('assumptions.find')" hide-details density="compact" />
      <VBtn type="submit" color="primary" :disabled="Object.keys(changes).length === 0" :loading="busy">{{
        say('assumptions.save', { count: Object.keys(changes).length })
      }}</VBtn><span v-if="told" role="status" class="dew">{{ told }}</span>
    </div>
    <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
    <div class="columns">
      <table>
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
      <table>
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
  </form>
</template>

<style scoped>
.part {
  display: grid;
  gap: 12px;
}
.lead {
  max-width: 70ch;
}
.bar {
  display: flex;
  gap: 14px;
  align-items: center;
  position: sticky;
  top: 0;
  background: var(--ground);
  padding: 6px 0;
  z-index: 2;
}
.find {
  max-width: 260px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(400px, 1fr));
  gap: 30px;
  align-items: start;
}
table {
  border-collapse: collapse;
  font-size: 14px;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid var(--hair);
  vertical-align: top;
}
thead th {
  border-bottom: 2px solid var(--ink);
  font-weight: 640;
}
input {
  width: 72px;
  font: inherit;
  color: var(--ink);
  background: var(--panel);
  border: 1px solid var(--edge);
  border-radius: 5px;
  padding: 2px 6px;
}
input[aria-invalid='true'] {
  border-color: var(--alarm);
}
.changed input {
  border: 2px solid var(--dew);
  font-weight: 640;
}
td small {
  display: block;
  max-width: 130px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
