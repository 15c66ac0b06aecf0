<script setup lang="ts" generic="T">
/**
 * Many rows by their columns: sorted by a head (once up, once down, once more as they came), so many at a time and more
 * on request. What a cell shows beyond words comes in a slot named like its column.
 */
import { computed, ref } from 'vue';
import { say } from '../language/say.ts';
import { printing } from './printing.ts';

export interface Column<R> {
  readonly key: string;
  readonly title: string;
  /** What the cell says, and what the column is sorted by where `order` says nothing else. */
  readonly says: (row: R) => string;
  readonly order?: (row: R) => number | string;
}
const props = withDefaults(
  defineProps<{
    columns: readonly Column<T>[];
    rows: readonly T[];
    keyOf: (row: T) => string | number;
    page?: number;
  }>(),
  { page: 100 },
);
const pages = ref(1);
const items = computed(() => [...props.rows]);
const heads = computed(() =>
  props.columns.map(({ key, title, says, order }) => ({ key, title, value: (row: T) => (order ?? says)(row) })),
);
</script>

<template>
  <VDataTable
    :headers="heads"
    :items="items"
    :item-value="keyOf"
    :items-per-page="printing ? -1 : pages * page"
    density="compact"
    fixed-header
    class="table"
  >
    <template v-for="column in columns" :key="column.key" #[`item.${column.key}`]="{ item }">
      <slot :name="column.key" :row="item as T">{{ column.says(item as T) }}</slot>
    </template>
    <template #bottom>
      <button v-if="!printing && rows.length > pages * page" type="button" class="plain link" @click="pages += 1">
        {{ say('more', { count: rows.length - pages * page }) }}
      </button>
    </template>
  </VDataTable>
</template>
