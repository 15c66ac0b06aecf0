<script setup lang="ts">
/** A tenant says that something is wrong. */
import { onMounted, ref } from 'vue';
import { useLoading } from '../api/load.ts';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import { readKept } from '../outbox/kept.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const { value: home, failure, reload } = useLoading(() => readKept('home.read'));
const sent = ref<'sent' | 'kept' | null>(null);
onMounted(reload);
</script>

<template>
  <PageFrame width="phone">
    <template v-if="sent"
      ><div role="status">
        <h1>{{ say(`fault.${sent}`) }}</h1>
      </div>
      <VBtn color="primary" size="large" to="/">{{ say('job.home') }}</VBtn></template
    >
    <template v-else>
      <h1>{{ say('fault.title') }}</h1>
      <Notice :says="failure" />
      <ReportFault v-if="home" :machines="home.machines" @sent="sent = $event ? 'kept' : 'sent'" />
      <VBtn variant="text" to="/">{{ say('back') }}</VBtn>
    </template>
  </PageFrame>
</template>
