<script setup lang="ts">
/** What a step must be assured of, one tick for all of it. */
import { computed } from 'vue';
import type { JobStep, StepNeed } from '../../contract/jobs.ts';
import { confirm, isAnswered, type Draft } from './draft.ts';

const props = defineProps<{ needs: readonly StepNeed[]; step: JobStep; draft: Draft }>();
const given = computed({
  get: () => props.needs.every((need) => isAnswered(props.draft, props.step, need)),
  set: (value) => confirm(props.draft, props.needs, value),
});
</script>

<template>
  <label class="tick"
    ><input v-model="given" type="checkbox" /><span
      ><span v-for="{ need, label } in needs" :key="need.key" class="each">{{ label }}</span></span
    ></label
  >
</template>

<style scoped>
.tick {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  padding: 8px 12px;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  background: var(--panel);
}
.tick input {
  width: 22px;
  height: 22px;
  flex: none;
  accent-color: var(--dew-deep);
}
.each {
  display: block;
}
</style>
