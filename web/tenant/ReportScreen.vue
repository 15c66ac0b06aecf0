<script setup lang="ts">
/** A tenant says that something is wrong. */
import { onMounted, ref } from 'vue';
import { useLoading } from '../door/load.ts';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import { readKept } from '../outbox/kept.ts';

const { value: home, failure, reload } = useLoading(() => readKept('home.read'));
const sent = ref<'sent' | 'kept' | null>(null);
onMounted(reload);
</script>

<template>
  <div class="page">
    <template v-if="sent"
      ><div role="status">
        <h1>{{ say(`fault.${sent}`) }}</h1>
      </div>
      <VBtn color="primary" size="large" to="/">{{ say('job.home') }}</VBtn></template
    >
    <template v-else>
      <h1>{{ say('fault.title') }}</h1>
      <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
      <ReportFault v-if="home" :machines="home.machines" @sent="sent = $event ? 'kept' : 'sent'" />
      <VBtn variant="text" to="/">{{ say('back') }}</VBtn>
    </template>
  </div>
</template>

<style scoped>
.page {
  max-width: 560px;
  margin: 0 auto;
  padding: 18px;
  display: grid;
  gap: 16px;
  font-size: 16px;
}
</style>
