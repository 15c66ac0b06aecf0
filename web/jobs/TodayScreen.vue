<script setup lang="ts">
/** What is given to this person, the most pressing first. */
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { onTaken } from '../door/door.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { getKept } from '../outbox/kept.ts';
import { takeAlong } from '../outbox/takeAlong.ts';
import JobGroups from './JobGroups.vue';

const keptAt = ref<number | null>(null);
const {
  value: answer,
  failure,
  reload,
} = useLoading(async () => {
  const kept = await getKept('jobs.mine');
  keptAt.value = kept.keptAt;
  if (kept.keptAt === null)
    void takeAlong(kept.answer.jobs, [
      () => getKept('homes.read'),
      () => getKept('catalogue.read'),
      ...[...new Set(kept.answer.jobs.map(({ placeId }) => placeId))].map((id) => () => getKept('place.read', { id })),
    ]);
  return kept.answer;
});
const ZONE = deviceZone();
onMounted(reload);
onBeforeUnmount(onTaken(reload));
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ say('today.title') }}</h1>
      <VBtn variant="outlined" to="/faults/report">{{ say('today.report') }}</VBtn>
    </header>
    <p v-if="failure" class="tell" role="alert">
      {{ failure }} <button type="button" class="plain strong" @click="reload">{{ say('again') }}</button>
    </p>
    <template v-if="answer">
      <p v-if="keptAt !== null" class="quiet small">{{ say('kept.asOf', { at: say.time(keptAt, ZONE) }) }}</p>
      <p v-if="answer.jobs.length" class="quiet">{{ say('today.jobs', { count: answer.jobs.length }) }}</p>
      <div v-else class="none">
        <h2>{{ say('today.none') }}</h2>
        <p class="quiet">{{ say('today.none.why') }}</p>
      </div>
      <p v-for="it in answer.apart" :key="it" class="caution">{{ it }}</p>
      <JobGroups :jobs="answer.jobs" with-place />
    </template>
    <p v-else-if="!failure" class="quiet">{{ say('loading') }}</p>
  </div>
</template>

<style scoped>
.page {
  padding: 22px 26px;
  display: grid;
  gap: 14px;
  max-width: 1080px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  flex-wrap: wrap;
}
.jobs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 14px;
  align-items: start;
}
.none {
  padding: 30px 0;
  display: grid;
  gap: 4px;
}
@media (max-width: 720px) {
  .page {
    padding: 16px;
  }
}
</style>
