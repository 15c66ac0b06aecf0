<script setup lang="ts">
/** Several short texts, one a line. */
import { ref } from 'vue';

defineProps<{ label: string }>();
const lines = defineModel<string[]>({ required: true });
/** As it is typed, its empty lines among it. */
const text = ref(lines.value.join('\n'));
function take(typed: string): void {
  text.value = typed;
  lines.value = typed
    .split('\n')
    .map((it) => it.trim())
    .filter(Boolean);
}
</script>

<template>
  <VTextarea :model-value="text" :label="label" rows="2" auto-grow @update:model-value="take" />
</template>
