<script setup lang="ts">
/** How far the server is with lines that a write has moved by the thousand; the board is read again when it is done. */
import { onBeforeUnmount, ref, watch } from 'vue';
import { linesLeft } from '../api/api.ts';
import { hearProgress } from '../api/progress.ts';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';

const board = useBoard();
const most = ref(0);
let stop: (() => void) | null = null;
let again: ReturnType<typeof setTimeout>;
const AGAIN_MS = 3000;

function hear(): void {
  stop ??= hearProgress(
    (progress) => {
      linesLeft.value = progress.linesLeft;
    },
    () => {
      stop = null;
      // Refused, it is asked again: the work goes on by itself.
      if (linesLeft.value > 0) again = setTimeout(hear, AGAIN_MS);
    },
  );
}
watch(
  linesLeft,
  async (left) => {
    most.value = Math.max(most.value, left);
    if (left > 0) return hear();
    if (most.value === 0) return;
    most.value = 0;
    await board.load();
  },
  { immediate: true },
);
onBeforeUnmount(() => {
  clearTimeout(again);
  stop?.();
});
// What a restart or somebody else has left is heard of, too.
hear();
</script>

<template>
  <div v-if="most > 0" class="on-top told no-print" role="status">
    <p class="small">{{ say('redraw.left', { left: linesLeft, of: most }) }}</p>
    <ProgressBar :done="most - linesLeft" :of="most" :label="say('redraw.label')" />
  </div>
</template>
