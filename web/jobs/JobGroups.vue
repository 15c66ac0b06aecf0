<script setup lang="ts">
/** Jobs in hand; those that came as one list stand together, since a wait of one is time for another. */
import { computed } from 'vue';
import { grouped } from '../../core/statistics/grouped.ts';
import type { JobSummary } from '../../contract/jobs/jobs.ts';
import { say } from '../language/say.ts';
import JobCard from './JobCard.vue';

const props = defineProps<{ jobs: readonly JobSummary[]; withPlace?: boolean }>();
const groups = computed(() =>
  [...grouped(props.jobs, ({ listId, id }) => listId ?? id).values()].map((jobs) => ({
    jobs,
    minutes: jobs.reduce((sum, job) => sum + job.minutes, 0),
    waits: jobs.some((job) => job.waitMinutes > 0),
  })),
);
</script>

<template>
  <div class="stack">
    <div
      v-for="group in groups"
      :key="group.jobs[0]!.id"
      class="stack close"
      :class="{ marked: group.jobs.length > 1 }"
    >
      <p v-if="group.jobs.length > 1" class="small">
        <b>{{ say('list.one', { count: group.jobs.length, minutes: group.minutes }) }}</b><span
          v-if="group.waits"
          class="quiet"
        >
          {{ say('list.overlap') }}</span
        >
      </p>
      <JobCard
        v-for="job in group.jobs"
        :key="job.id"
        :job="job"
        :to="`/jobs/${job.id}`"
        :with-place="withPlace ?? false"
      />
    </div>
  </div>
</template>
