<script setup lang="ts">
/** How far one is in a job: where, at which step, how long still, and what was taken out of it meanwhile. */
import { computed } from 'vue';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ job: JobAnswer; step: number; steps: number; takenOut: readonly string[] }>();
const position = computed(() => say('job.step', { step: props.step + 1, steps: props.steps }));
const words = computed(() => {
  if (props.step < 0) return say('job.minutes', { minutes: props.job.minutes });
  if (props.step >= props.steps) return '';
  const minutes = Math.max(1, Math.round((props.job.minutes * (props.steps - props.step)) / props.steps));
  return `${position.value} · ${say('job.minutes', { minutes })}`;
});
</script>

<template>
  <p class="row apart small">
    <b>{{ job.place }}</b><span class="quiet">{{ words }}</span>
  </p>
  <ProgressBar class="how-far" :done="step + 1" :of="steps + 1" :label="position" />
  <p v-if="takenOut.length" class="tell small" role="status">
    {{ say('job.tookOut', { points: takenOut.join(', ') }) }}
  </p>
</template>
