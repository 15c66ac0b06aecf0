<script setup lang="ts">
/** One fault at the desk: its cause found step by step, and closed. */
import { useRouter } from 'vue-router';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import CauseFinder from '../faults/CauseFinder.vue';
import CloseFault from '../faults/CloseFault.vue';
import BeginPart from '../jobs/BeginPart.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import PageFrame from '../kit/PageFrame.vue';

const props = defineProps<{ id: string }>();
const desk = useDesk();
const router = useRouter();
const diagnosis = useLoading(() => api('fault.diagnosis', { id: props.id }));
const { value: answer } = diagnosis;
</script>

<template>
  <PageFrame width="text" :title="answer?.says" :of="diagnosis">
    <template v-if="answer" #above
      ><RouterLink to="/faults">{{ say('faults.title') }}</RouterLink> · {{ answer.place }} ·
      <RouterLink :to="`/m/${answer.machineNumber}`">{{ answer.machine }}</RouterLink></template
    >
    <CauseFinder :of="diagnosis">
      <template #part="{ number }"
        ><RouterLink :to="desk.isManager ? `/line/${number}` : `/m/${answer!.machineNumber}`">{{
          say('find.remedy.part')
        }}</RouterLink>
        <BeginPart :machine-number="answer!.machineNumber" :number="number"
      /></template>
      <template #gone="{ cause }"
        ><CloseFault
          :id="id"
          :machine-type="answer!.machineType"
          :symptom="answer!.symptom"
          :cause="cause"
          @closed="router.push('/faults')"
      /></template>
    </CauseFinder>
  </PageFrame>
</template>
