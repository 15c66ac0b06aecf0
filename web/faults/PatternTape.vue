<script setup lang="ts">
/** The tape beside a pattern: the parts that its symptom makes due, and its faults. */
import { computed, onMounted } from 'vue';
import type { PatternSummary } from '../../contract/faults/patterns.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import TapeStrip from '../strip/TapeStrip.vue';

const props = defineProps<{ pattern: PatternSummary }>();
const loading = useLoading(() =>
  api('tape.read', { scope: 'machine', id: props.pattern.machineId, form: { story: false } }),
);
const tape = computed(() => {
  const it = loading.value.value;
  return (
    it && {
      ...it,
      parts: it.parts.filter(({ number }) => props.pattern.pointNumbers.includes(number)),
      flags: it.flags.filter(({ group }) => group === props.pattern.group),
    }
  );
});
onMounted(loading.reload);
</script>

<template>
  <TapeStrip v-if="tape" :tape="tape" />
  <RouterLink class="small" :to="`/machines/${pattern.machineId}/tape`">{{ say('tape.open') }}</RouterLink>
</template>
