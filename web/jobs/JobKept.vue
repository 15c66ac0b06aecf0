<script setup lang="ts">
/**
 * Work that is on the device and not at the office: it waits for a connection, or the job is not theirs any more.
 * Nothing is thrown away unasked.
 */
import { computed, ref } from 'vue';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import { say } from '../language/say.ts';
import { deliverNow, forgetJob, hindrance } from '../outbox/outbox.ts';
import type { Draft } from '../outbox/draft.ts';
import JobReview from './JobReview.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{
  job: JobAnswer;
  draft: Draft;
  lost: string;
  home: string;
  homeName: string;
  sending: boolean;
  problem: string;
}>();
const emit = defineEmits<{ forgotten: []; send: [] }>();
const sure = ref(false);
const trying = ref(false);
const why = computed(() => (hindrance.value === 'session' ? say('kept.session') : say('job.kept.why')));

async function tryNow(): Promise<void> {
  trying.value = true;
  await deliverNow();
  trying.value = false;
}
async function forget(): Promise<void> {
  await forgetJob(props.job.id);
  emit('forgotten');
}
</script>

<template>
  <div class="stack" role="status">
    <template v-if="lost">
      <h1>{{ job.title }}</h1>
      <p class="tell">{{ lost }}</p>
      <p>{{ say('job.kept.lost') }}</p>
      <JobReview :job="job" :draft="draft" frozen />
      <Notice :says="problem" />
      <VBtn color="primary" size="large" block :loading="sending" @click="emit('send')">{{
        say('job.kept.offer')
      }}</VBtn>
      <VBtn variant="outlined" size="large" block :to="home">{{ homeName }}</VBtn>
      <VBtn v-if="!sure" variant="outlined" block min-height="44" @click="sure = true">{{ say('kept.discard') }}</VBtn>
      <VBtn v-else variant="outlined" color="error" block min-height="44" @click="forget">{{
        say('kept.discard.sure')
      }}</VBtn>
    </template>
    <template v-else>
      <h1>{{ say('job.kept') }}</h1>
      <p class="quiet">{{ why }}</p>
      <VBtn color="primary" size="large" block :loading="trying" @click="tryNow">{{ say('kept.now') }}</VBtn>
      <VBtn variant="outlined" size="large" block :to="home">{{ homeName }}</VBtn>
    </template>
  </div>
</template>
