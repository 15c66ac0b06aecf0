<script setup lang="ts">
/** What waits for this person: what only a manager decides, then what is given to them, the most pressing first. */
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { onTaken } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { getKept } from '../outbox/kept.ts';
import { takeAlong, takeRoundAlong } from '../outbox/takeAlong.ts';
import WaitsForMe from '../due/WaitsForMe.vue';
import { useDesk } from '../people/deskStore.ts';
import JobGroups from './JobGroups.vue';
import PageFrame from '../kit/PageFrame.vue';
import EmptyState from '../kit/EmptyState.vue';

const desk = useDesk();
const keptAt = ref<number | null>(null);
const mine = useLoading(async () => {
  const kept = await getKept('jobs.mine');
  keptAt.value = kept.keptAt;
  if (kept.keptAt === null)
    void takeAlong(kept.answer.jobs, [
      takeRoundAlong,
      () => getKept('homes.read'),
      () => getKept('catalogue.read'),
      ...[...new Set(kept.answer.jobs.map(({ placeId }) => placeId))].map((id) => () => getKept('place.read', { id })),
    ]);
  return kept.answer;
});
const { value: answer, reload } = mine;
const ZONE = deviceZone();
onMounted(reload);
onBeforeUnmount(onTaken(reload));
</script>

<template>
  <PageFrame :title="say('today.title')" :of="mine">
    <template #actions
      ><VBtn variant="outlined" to="/round">{{ say('rounds.sheet.yours') }}</VBtn
      >{{ ' ' }}<VBtn variant="outlined" to="/faults/report">{{ say('today.report') }}</VBtn></template
    >
    <WaitsForMe v-if="desk.isManager" />
    <template v-if="answer">
      <h2 v-if="desk.isManager && answer.jobs.length">{{ say('today.mine') }}</h2>
      <p v-if="keptAt !== null" class="quiet small">{{ say('kept.asOf', { at: say.time(keptAt, ZONE) }) }}</p>
      <section v-if="answer.visits.length" class="stack close" aria-labelledby="my-visits">
        <h2 id="my-visits">{{ say('today.visits') }}</h2>
        <ul class="ruled">
          <li v-for="it in answer.visits" :key="it.id" class="stack tight">
            <p>
              <b>{{ `${say.weekday(it.day)}, ${say.shortDay(it.day)}` }}</b>
              {{ say('today.visit', { from: say.clockTime(it.from), until: say.clockTime(it.until) }) }}
              <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>
            </p>
            <p class="small quiet">{{ it.purpose }} {{ say('today.visit.answer', { answer: it.answer }) }}</p>
          </li>
        </ul>
      </section>
      <p v-if="answer.jobs.length" class="quiet">{{ say('today.jobs', { count: answer.jobs.length }) }}</p>
      <EmptyState v-else :title="say('today.none')" :why="say('today.none.why')" />
      <p v-for="it in answer.apart" :key="it" class="caution">{{ it }}</p>
      <JobGroups :jobs="answer.jobs" with-place />
    </template>
  </PageFrame>
</template>
