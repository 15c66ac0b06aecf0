<script setup lang="ts">
/** Rows of a table that want another look, and leaving them out, one by one or all of them. */
import { computed, ref, watch } from 'vue';
import { say } from '../language/say.ts';
import type { TableResult } from './tableWorker.ts';

const props = defineProps<{ done: TableResult }>();
const emit = defineEmits<{ without: [rows: number[]] }>();
const chosen = ref<number[]>([]);
watch(
  () => props.done,
  () => {
    chosen.value = [];
  },
);
const all = computed(() => props.done.wrongRows.length === props.done.wrong);
</script>

<template>
  <section class="stack close start">
    <p class="alarm strong">{{ say('import.wrong', { count: done.wrong }) }}</p>
    <table class="table">
      <thead>
        <tr>
          <th scope="col">{{ say('import.row') }}</th>
          <th scope="col">{{ say('import.what') }}</th>
          <th scope="col">{{ say('import.leaveOut') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="it in done.first" :key="it.row">
          <th scope="row">{{ it.row }}</th>
          <td>{{ it.says.join(' ') }}</td>
          <td>
            <input
              v-model="chosen"
              type="checkbox"
              :value="it.row"
              :aria-label="say('import.leaveOut.row', { row: it.row })"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="done.wrong > done.first.length" class="quiet small">
      {{ say('import.more', { count: done.wrong - done.first.length }) }}
    </p>
    <p class="row">
      <VBtn variant="outlined" :disabled="chosen.length === 0" @click="emit('without', chosen)">{{
        say('import.leaveOut.chosen', { count: chosen.length })
      }}</VBtn>
      <button
        v-if="all && done.wrong < done.rows"
        type="button"
        class="plain link"
        @click="emit('without', [...done.wrongRows])"
      >
        {{ say('import.leaveOut.all', { count: done.wrong }) }}
      </button>
    </p>
  </section>
</template>
