<script setup lang="ts">
/** The heads of a file, and what each is taken for; open where one is known for nothing. */
import { computed } from 'vue';
import { COLUMNS, type Column } from '../../core/register/columns.ts';
import { say } from '../language/say.ts';
import type { TableHeads } from './tableWorker.ts';

defineProps<{ heads: TableHeads }>();
const columns = defineModel<(Column | null)[]>({ required: true });
const emit = defineEmits<{ change: [] }>();
const choices = computed(() => [
  { value: null, title: say('import.skip') },
  ...COLUMNS.map((column) => ({ value: column, title: say(`column.${column}`) })),
]);
</script>

<template>
  <details class="heads" :open="heads.columns.includes(null)">
    <summary class="row">
      <h2>{{ say('import.columns') }}</h2>
      {{ ' ' }}
      <span class="quiet small">{{
        say('import.columns.count', { taken: columns.filter(Boolean).length, left: columns.filter((it) => !it).length })
      }}</span>
    </summary>
    <p class="quiet small">{{ say('import.columns.why') }}</p>
    <ul class="columns small-ones ruled apart">
      <li v-for="(head, i) in heads.heads" :key="i">
        <span class="stack tight"
          ><b>{{ head || '–' }}</b
          ><small class="quiet">{{ heads.sample[i] || ' ' }}</small></span
        >
        <label
          ><span class="unseen">{{ say('import.example.none') }} {{ head }}</span
          ><select class="small-field" v-model="columns[i]" @change="emit('change')">
            <option v-for="it in choices" :key="String(it.value)" :value="it.value">{{ it.title }}</option>
          </select></label
        >
      </li>
    </ul>
  </details>
</template>
