<script setup lang="ts">
/** A job in a list: what, where, how long, how pressing. */
import { computed, onBeforeUnmount, ref } from 'vue';
import type { JobSummary } from '../../contract/jobs/jobs.ts';
import StripGauge from '../strip/StripGauge.vue';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { waitOf } from '../outbox/draft.ts';

const props = defineProps<{ job: JobSummary; to: string; withPlace?: boolean }>();
const ZONE = deviceZone();
/** A wait was begun here and can be finished at another stop. */
const end = waitOf(props.job.id);
const now = ref(Date.now());
const ticking = setInterval(() => {
  now.value = Date.now();
}, 5000);
onBeforeUnmount(() => clearInterval(ticking));
/** What there is to do with it. */
const doing = computed(() => {
  if (props.job.sentBack) return say('job.again');
  return say(props.job.state === 'given' ? 'job.start' : 'job.resume');
});
</script>

<template>
  <article class="panel card stack close">
    <p v-if="job.sentBack" class="caution small">
      <b>{{ say('job.sentBack') }}:</b> {{ job.sentBack }}
    </p>
    <h2>{{ job.title }}</h2>
    <p class="small quiet">
      <template v-if="withPlace"
        ><b>{{ job.place }}</b
        >, {{ job.property }} · </template
      >{{ job.machine }} · {{ say('job.minutes', { minutes: job.minutes })
      }}<template v-if="job.waitMinutes">{{ say('job.wait', { minutes: job.waitMinutes }) }}</template>
    </p>
    <p>{{ job.why }}</p>
    <StripGauge :marks="job.marks" :today="job.today" />
    <p class="small quiet">{{ job.due }}</p>
    <p v-if="end !== null" class="strong" :class="{ dew: end <= now }">
      {{ end > now ? say('job.wait.until', { at: say.time(end, ZONE) }) : say('job.wait.over') }}
    </p>
    <p v-else-if="job.state === 'awaitingTest'" class="strong">{{ job.stateSays }}</p>
    <VBtn color="primary" size="large" block :to="to" :aria-label="`${doing}: ${job.title}`">{{ doing }}</VBtn>
  </article>
</template>
