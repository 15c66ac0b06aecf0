<script setup lang="ts">
/** What a table changes in the register: how much of each kind, and cell by cell. */
import { computed } from 'vue';
import type { ChangeCounts, ChangeLine } from './changeLooker.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

/** With a larger share of the tenancies ending, somebody ought to look whether the file is whole. */
const MANY_END = 0.2;

const props = defineProps<{ changes: readonly ChangeLine[]; counts: ChangeCounts; running: number }>();
const manyEnd = computed(() => props.counts.end > 3 && props.counts.end > MANY_END * props.running);
</script>

<template>
  <section v-if="changes.length" class="stack close start">
    <h2>{{ say('import.changes') }}</h2>
    <p>{{ say('import.changes.counts', { ...counts }) }}</p>
    <Notice v-if="manyEnd" :says="say('import.changes.manyEnd', { count: counts.end, of: running })" />
    <p v-if="counts.unsaid" class="small">{{ say('import.changes.unsaid', { count: counts.unsaid }) }}</p>
    <div class="sideways" tabindex="0" role="region" :aria-label="say('import.changes')">
      <table class="table">
        <thead>
          <tr>
            <th scope="col">{{ say('column.unit') }}</th>
            <th scope="col">{{ say('import.changes.what') }}</th>
            <th scope="col">{{ say('import.changes.was') }}</th>
            <th scope="col">{{ say('import.changes.becomes') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(it, i) in changes" :key="i">
            <th scope="row">
              {{ it.where }}<small v-if="it.property" class="block quiet">{{ it.property }}</small>
            </th>
            <td>
              {{ it.column }}<small v-if="it.what" class="block quiet">{{ it.what }}</small>
            </td>
            <td class="quiet">{{ it.was || '–' }}</td>
            <td class="strong">{{ it.becomes || '–' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
