<script setup lang="ts">
/** What a step must be assured of, one tick for all of it. */
import { computed } from 'vue';
import type { JobStep, StepNeed } from '../../contract/jobs/jobs.ts';
import { confirm, isAnswered, type Draft } from '../outbox/draft.ts';
import TickBox from '../kit/TickBox.vue';

const props = defineProps<{ needs: readonly StepNeed[]; step: JobStep; draft: Draft }>();
const given = computed({
  get: () => props.needs.every((need) => isAnswered(props.draft, props.step, need)),
  set: (value) => confirm(props.draft, props.needs, value),
});
</script>

<template>
  <TickBox v-model="given"
    ><span v-for="{ need, label } in needs" :key="need.key">{{ label }}</span></TickBox
  >
</template>
