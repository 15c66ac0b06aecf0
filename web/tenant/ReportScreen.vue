<script setup lang="ts">
/** A tenant says that something is wrong. */
import { onMounted, ref } from 'vue';
import { useLoading } from '../api/load.ts';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import { readKept } from '../outbox/kept.ts';
import { usePageTitle } from '../kit/pageTitle.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const { value: home, failure, reload } = useLoading(() => readKept('home.read'));
const sent = ref<'sent' | 'kept' | null>(null);
/** A fault whose cause the tenant may look for at once. */
const findable = ref<string | null>(null);
function done(kept: boolean, fault: string | null): void {
  sent.value = kept ? 'kept' : 'sent';
  findable.value = kept ? null : fault;
}
const heading = ref<HTMLElement>();
usePageTitle(() => say(sent.value ? `fault.${sent.value}` : 'fault.title'), heading);
onMounted(reload);
</script>

<template>
  <PageFrame width="phone">
    <template v-if="sent"
      ><div role="status">
        <h1>{{ say(`fault.${sent}`) }}</h1>
      </div>
      <template v-if="findable">
        <p>{{ say('fault.sent.find') }}</p>
        <VBtn color="primary" size="large" :to="`/faults/${findable}`">{{ say('find.begin') }}</VBtn>
      </template>
      <VBtn :color="findable ? undefined : 'primary'" :variant="findable ? 'text' : 'flat'" size="large" to="/">{{
        say('job.home')
      }}</VBtn></template
    >
    <template v-else>
      <h1 ref="heading" tabindex="-1">{{ say('fault.title') }}</h1>
      <Notice :says="failure" />
      <ReportFault v-if="home" :machines="home.machines" :open="home.faults" @sent="done" />
      <VBtn variant="text" to="/">{{ say('back') }}</VBtn>
    </template>
  </PageFrame>
</template>
