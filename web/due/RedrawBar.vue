<script setup lang="ts">
/** How far the server is with lines that a write has moved by the thousand; the board is read again when it is done. */
import { onBeforeUnmount, ref, watch } from 'vue';
import { api, linesLeft } from '../api/api.ts';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';

const ASK_EVERY_MS = 700;
const board = useBoard();
const most = ref(0);
let timer: ReturnType<typeof setTimeout> | undefined;

async function ask(): Promise<void> {
  // Without an answer it is asked again: the work goes on by itself.
  linesLeft.value = await api('lines.left').then(
    ({ left }) => left,
    () => linesLeft.value,
  );
  if (linesLeft.value > 0) timer = setTimeout(ask, ASK_EVERY_MS);
  else if (most.value > 0) {
    most.value = 0;
    await board.load();
  }
}
watch(
  linesLeft,
  (left, before) => {
    most.value = Math.max(most.value, left);
    if (left > 0 && before === 0) timer = setTimeout(ask, ASK_EVERY_MS);
  },
  { immediate: true },
);
onBeforeUnmount(() => clearTimeout(timer));
// What a restart or somebody else has left is heard of, too.
void ask();
</script>

<template>
  <div v-if="most > 0" class="on-top told no-print" role="status">
    <p class="small">{{ say('redraw.left', { left: linesLeft, of: most }) }}</p>
    <ProgressBar :done="most - linesLeft" :of="most" :label="say('redraw.label')" />
  </div>
</template>
