<script setup lang="ts">
/** The board's twin as a table, most urgent first: the same marks, in words. */
import { computed, ref } from 'vue';
import type { BoardAnswer } from '../../contract/due.ts';
import { say } from '../language/say.ts';
import { isSent, urgency, type BoardRow, type Mark } from './marks.ts';

const props = defineProps<{ rows: readonly BoardRow[]; properties: BoardAnswer['properties'] }>();
const emit = defineEmits<{ pick: [number: number] }>();

const PAGE = 100;
const pages = ref(1);
const all = computed(() =>
  props.rows
    .flatMap((row) => row.marks.map((mark) => ({ row, mark })))
    .sort((a, b) => urgency(b.mark) - urgency(a.mark)),
);
const lines = computed(() => all.value.slice(0, pages.value * PAGE));

function workWords(mark: Mark): string {
  if (isSent(mark)) return say('work.sent');
  return say(`work.${(['nobody', 'given', 'started', 'awaitingTest', 'onHold'] as const)[mark.work] ?? 'nobody'}`);
}
</script>

<template>
  <div class="list">
    <table>
      <thead>
        <tr>
          <th v-for="column in ['home', 'point', 'state', 'share', 'due', 'work']" :key="column" scope="col">
            {{ say(`list.${column}`) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ row, mark } in lines" :key="mark.number">
          <td>{{ row.name }}, {{ properties[row.property]!.name }}</td>
          <td>
            <button type="button" class="plain point" @click="emit('pick', mark.number)">{{ mark.type.name }}</button>
          </td>
          <td>{{ say(`state.${mark.state}`) }}</td>
          <td>{{ mark.share === undefined ? '–' : mark.share.toFixed(2) }}</td>
          <td>{{ mark.share === undefined ? '–' : say.shortDay(properties[row.property]!.today + mark.daysLeft) }}</td>
          <td>{{ workWords(mark) }}</td>
        </tr>
      </tbody>
    </table>
    <button v-if="lines.length < all.length" type="button" class="plain point more" @click="pages += 1">
      + {{ all.length - lines.length }}
    </button>
  </div>
</template>

<style scoped>
.list {
  overflow: auto;
  flex: 1;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 13px;
}
th,
td {
  text-align: left;
  padding: 5px 10px 5px 0;
  border-bottom: 1px solid var(--hair);
}
th {
  position: sticky;
  top: 0;
  background: var(--ground);
}
.point {
  text-decoration: underline;
  color: var(--dew-deep);
  font-weight: 600;
}
.more {
  padding: 10px 0;
}
</style>
