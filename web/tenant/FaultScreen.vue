<script setup lang="ts">
/** A tenant looks for the cause of a fault of their home. */
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import CauseFinder from '../faults/CauseFinder.vue';
import { say } from '../language/say.ts';
import PageFrame from '../kit/PageFrame.vue';

const props = defineProps<{ id: string }>();
const diagnosis = useLoading(() => api('fault.diagnosis', { id: props.id }));
const { value: answer } = diagnosis;
</script>

<template>
  <PageFrame width="phone" :title="answer?.says" :of="diagnosis">
    <template v-if="answer" #above>{{ answer.machine }}</template>
    <CauseFinder :of="diagnosis">
      <template #part
        ><RouterLink :to="`/m/${answer!.machineNumber}`">{{ say('find.remedy.part') }}</RouterLink></template
      >
    </CauseFinder>
    <VBtn variant="text" to="/">{{ say('job.home') }}</VBtn>
  </PageFrame>
</template>
