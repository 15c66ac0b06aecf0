<script setup lang="ts">
/** The board's twin as a table, most urgent first: the same marks, in words. */
import { computed } from 'vue';
import type { BoardAnswer } from '../../contract/due/due.ts';
import DataTable, { type Column } from '../kit/DataTable.vue';
import { say } from '../language/say.ts';
import { isSent, urgency, type BoardRow, type Mark } from '../strip/marks.ts';

const props = defineProps<{
  rows: readonly BoardRow[];
  properties: BoardAnswer['properties'];
  /** Parts that are being chosen one by one; null while nobody chooses. */
  chosen: ReadonlySet<number> | null;
}>();
const emit = defineEmits<{ pick: [number: number]; choose: [number: number] }>();

interface Entry {
  readonly row: BoardRow;
  readonly mark: Mark;
}
const entries = computed(() =>
  props.rows
    .flatMap((row) => row.marks.map((mark): Entry => ({ row, mark })))
    .sort((a, b) => urgency(b.mark) - urgency(a.mark)),
);

const workWords = (mark: Mark) =>
  isSent(mark)
    ? say('work.sent')
    : say(`work.${(['nobody', 'given', 'started', 'awaitingTest', 'onHold'] as const)[mark.work] ?? 'nobody'}`);
const columns = computed<Column<Entry>[]>(() => [
  ...(props.chosen
    ? [
        {
          key: 'choose',
          title: say('list.choose'),
          says: () => '',
          order: ({ mark }: Entry) => (props.chosen?.has(mark.number) ? 0 : 1),
        },
      ]
    : []),
  { key: 'home', title: say('list.home'), says: ({ row }) => `${row.name}, ${props.properties[row.property]!.name}` },
  { key: 'point', title: say('list.point'), says: ({ mark }) => mark.type.name },
  { key: 'state', title: say('list.state'), says: ({ mark }) => say(`state.${mark.state}`) },
  {
    key: 'share',
    title: say('list.share'),
    says: ({ mark }) => (mark.share === undefined ? '–' : mark.share.toFixed(2)),
    order: ({ mark }) => mark.share ?? -1,
  },
  {
    key: 'due',
    title: say('list.due'),
    says: ({ row, mark }) =>
      mark.share === undefined ? '–' : say.shortDay(props.properties[row.property]!.today + mark.daysLeft),
    order: ({ mark }) => (mark.share === undefined ? Infinity : mark.daysLeft),
  },
  { key: 'work', title: say('list.work'), says: ({ mark }) => workWords(mark) },
]);
</script>

<template>
  <DataTable class="filling" :columns="columns" :rows="entries" :key-of="({ mark }) => mark.number">
    <template #choose="{ row: { row, mark } }"
      ><input
        type="checkbox"
        :checked="chosen?.has(mark.number)"
        :aria-label="`${mark.type.name}, ${row.name}`"
        @change="emit('choose', mark.number)"
    /></template>
    <template #point="{ row: { mark } }"
      ><button type="button" class="plain link strong" @click="emit('pick', mark.number)">
        {{ mark.type.name }}
      </button></template
    >
  </DataTable>
</template>
