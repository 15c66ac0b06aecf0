<script setup lang="ts">
/** Names in a table that no machine goes by: what each is, said once and kept for the next table. */
import type { TableResult } from './tableWorker.ts';
import { say } from '../language/say.ts';

defineProps<{ unknown: TableResult['unknown']; types: TableResult['types'] }>();
/** Null: not taken. */
const emit = defineEmits<{ named: [name: string, type: string | null] }>();

const OUT = '-';
function choose(name: string, event: Event): void {
  const { value } = event.target as HTMLSelectElement;
  if (value !== '') emit('named', name, value === OUT ? null : value);
}
</script>

<template>
  <section v-if="unknown.length" class="stack close start">
    <h2>{{ say('import.unknown') }}</h2>
    <p class="quiet small">{{ say('import.unknown.why') }}</p>
    <ul class="ruled small-ones">
      <li v-for="it in unknown" :key="it.name" class="row apart">
        <span
          ><b>{{ it.name }}</b
          >{{ ' ' }} <span class="quiet small">{{ say('import.unknown.rows', { rows: it.rows }) }}</span></span
        >
        <label
          ><span class="unseen">{{ say('import.unknown.is', { name: it.name }) }}</span
          ><select class="small-field" @change="choose(it.name, $event)">
            <option value="">{{ say('import.unknown.choose') }}</option>
            <option :value="OUT">{{ say('import.unknown.out') }}</option>
            <option v-for="{ type, name } in types" :key="type" :value="type">{{ name }}</option>
          </select></label
        >
      </li>
    </ul>
  </section>
</template>
