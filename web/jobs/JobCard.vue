<script setup lang="ts">
/** A job in a list: what, where, how long, how pressing. */
import type { JobSummary } from '../../contract/jobs.ts';
import StripGauge from '../due/StripGauge.vue';
import { say } from '../language/say.ts';

defineProps<{ job: JobSummary; to: string; withPlace?: boolean }>();
</script>

<template>
  <article class="panel card">
    <p v-if="job.sentBack" class="caution small"><b>{{ say('job.sentBack') }}:</b> {{ job.sentBack }}</p>
    <h2>{{ job.title }}</h2>
    <p class="small quiet"><template v-if="withPlace"><b>{{ job.place }}</b>, {{ job.property }} · </template>{{ job.machine }} · {{ say('job.minutes', { minutes: job.minutes }) }}<template v-if="job.waitMinutes">{{ say('job.wait', { minutes: job.waitMinutes }) }}</template></p>
    <p>{{ job.why }}</p>
    <StripGauge :marks="job.marks" :today="job.today" />
    <p class="small quiet">{{ job.due }}</p>
    <VBtn color="primary" size="large" block :to="to">{{ say(job.sentBack ? 'job.again' : job.state === 'given' ? 'job.start' : 'job.resume') }}</VBtn>
  </article>
</template>

<style scoped>
.card { padding: 16px; display: grid; gap: 8px; }
</style>
