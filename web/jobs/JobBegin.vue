<script setup lang="ts">
/** Before the first step: what it is, what may never happen, what is needed, how the machine was found. */
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import TickBox from '../kit/TickBox.vue';
import { say } from '../language/say.ts';
import type { Draft } from '../outbox/draft.ts';
import JobEntry from './JobEntry.vue';
import StripGauge from '../strip/StripGauge.vue';

defineProps<{ job: JobAnswer; draft: Draft; leftNames: string; tried: boolean }>();
const emit = defineEmits<{ begins: [JobAnswer['beginnings'][number]] }>();
const safe = defineModel<boolean>({ required: true });
</script>

<template>
  <section class="stack">
    <h1 tabindex="-1">{{ job.title }}</h1>
    <p class="quiet">{{ job.machine }} · {{ job.why }}</p>
    <div v-if="job.sentBack" class="caution">
      <p class="strong">{{ say('job.sentBack') }}</p>
      <p>{{ job.sentBack }}</p>
    </div>
    <div class="stack close">
      <h2>{{ say('job.stops') }}</h2>
      <ul class="stops stack close">
        <li v-for="stop in job.stops" :key="stop" class="caution">{{ stop }}</li>
      </ul>
      <p class="small quiet">{{ say('job.defer') }}</p>
    </div>
    <div v-if="job.kit.length">
      <h2>{{ say('job.need') }}</h2>
      <ul class="kit row">
        <li v-for="item in job.kit" :key="item">{{ item }}</li>
      </ul>
    </div>
    <details class="mistakes">
      <summary>{{ say('job.mistakes') }}</summary>
      <ul>
        <li v-for="it in job.mistakes" :key="it">{{ it }}</li>
      </ul>
    </details>
    <StripGauge :marks="job.marks" :today="job.today" />
    <details v-if="job.beginnings.length" class="mistakes" :open="Object.keys(draft.begin).length > 0">
      <summary>{{ say('job.begin') }}</summary>
      <TickBox
        v-for="it in job.beginnings"
        :key="it.variable"
        :model-value="draft.begin[it.variable] === it.value"
        @update:model-value="emit('begins', it)"
        >{{ it.says }}</TickBox
      >
    </details>
    <JobEntry v-model="draft.entry" :answer="job.entry" :tried="tried" />
    <p v-if="leftNames" class="caution small" role="status">{{ say('job.left', { points: leftNames }) }}</p>
    <TickBox v-model="safe" class="safe" :open="tried && !safe">{{ say('job.stops.read') }}</TickBox>
    <p v-if="tried && !safe" class="alarm" role="alert">
      {{ say('job.missing', { what: say('job.stops.read') }) }}
    </p>
  </section>
</template>

<style scoped>
.stops .caution {
  background: var(--panel);
}
.kit li::before {
  content: '· ' / '';
}
</style>
