<script setup lang="ts">
/** Somebody's round of a day, on a phone and on one page: stops in order, what to know at the door, what to carry. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { RoundAnswer, RoundStop } from '../../contract/rounds/rounds.ts';
import { api, photoUrl, signedIn } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import Notice from '../kit/Notice.vue';
import EmptyState from '../kit/EmptyState.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { getKept } from '../outbox/kept.ts';
import { clockTime } from '../notices/clockTime.ts';
import MishapNote from './MishapNote.vue';
import NewOrder from './NewOrder.vue';
import StopTrouble from './StopTrouble.vue';
import { useOnTheDay } from './useOnTheDay.ts';

const route = useRoute();
const router = useRouter();
const asked = (name: 'person' | 'day'): string | null => {
  const value = route.query[name];
  return typeof value === 'string' ? value : null;
};
const keptAt = ref<number | null>(null);
/** One's own next round is on the device where there is no connection. */
async function readRound(): Promise<RoundAnswer> {
  const [person, day] = [asked('person'), asked('day')];
  if (person !== null || day !== null) return api('round.read', { id: person ?? signedIn()!, form: { day } });
  const kept = await getKept('round.mine');
  keptAt.value = kept.keptAt;
  return kept.answer;
}
const read = useLoading(readRound);
const { value: round, reload } = read;
const at = computed(() => round.value?.days.indexOf(round.value.day) ?? -1);
const near = (step: 1 | -1) => (at.value < 0 ? undefined : round.value?.days[at.value + step]);
const goTo = (day: string) => router.replace({ query: { ...route.query, day } });
const mine = computed(() => round.value?.personId === signedIn());
const { stops, isToday, proposed, waits, keptOut, busy, failure, told, tell, take, leave } = useOnTheDay(round, reload);
/** Stops in their order, those of one property that follow each other together. */
const byProperty = computed(() => {
  const runs: { property: string; stops: RoundStop[] }[] = [];
  for (const stop of stops.value)
    if (runs.at(-1)?.property === stop.property) runs.at(-1)!.stops.push(stop);
    else runs.push({ property: stop.property, stops: [stop] });
  return runs;
});
const title = computed(() =>
  round.value
    ? say('rounds.sheet.of', { person: round.value.person, day: say.day(dayFromIso(round.value.day)) })
    : say('rounds.sheet'),
);
const print = () => window.print();
watch(() => route.query, reload);
onMounted(reload);
</script>

<template>
  <PageFrame :title="title" width="text" :of="read">
    <template v-if="round">
      <p class="row no-print">
        <VBtn v-if="near(-1)" size="small" variant="text" @click="goTo(near(-1)!)">{{
          say('rounds.sheet.previous')
        }}</VBtn>
        <VBtn v-if="near(1)" size="small" variant="text" @click="goTo(near(1)!)">{{ say('rounds.sheet.next') }}</VBtn>
        <VBtn v-if="round.stops.length" size="small" variant="outlined" @click="print">{{
          say('rounds.sheet.print')
        }}</VBtn>
      </p>
      <p v-if="keptAt !== null" class="quiet small">{{ say('kept.asOf', { at: say.time(keptAt, deviceZone()) }) }}</p>
      <EmptyState v-if="!round.stops.length" :title="say('rounds.sheet.none')" :why="say('rounds.sheet.none.why')" />
      <p v-if="told" class="told" role="status">{{ told }}</p>
      <Notice :says="failure" />
      <NewOrder v-if="proposed" :proposed="proposed" :busy="busy" @take="take" @leave="leave" />
      <section v-for="run in byProperty" :key="`${run.property} ${run.stops[0]!.id}`" class="stack close">
        <h2>{{ run.property }}</h2>
        <ol class="ruled">
          <li v-for="stop in run.stops" :key="`${stop.id} ${stop.back}`" class="stack tight">
            <div class="row">
              <b>{{ clockTime(stop.at) }}</b>
              <RouterLink :to="`/homes/${stop.placeId}`">{{ stop.place }}</RouterLink>
              <span v-if="stop.done" class="told">{{ say('rounds.sheet.done') }}</span>
            </div>
            <p v-if="stop.back">{{ say('rounds.sheet.back') }}</p>
            <template v-else>
              <p class="small">
                {{ stop.notice }}.
                <b v-if="stop.access.dog">{{ say('rounds.sheet.dog') }}</b>
                {{ stop.access.key && say('rounds.sheet.key', { key: stop.access.key }) }}
                {{ stop.access.prefers && say('rounds.sheet.prefers', { words: stop.access.prefers }) }}
              </p>
              <ul class="small">
                <li v-for="part in stop.parts" :key="part.number" class="row">
                  <span>{{ part.says }}</span>
                  <span v-if="part.size" class="quiet">{{ part.size }}</span>
                  <span v-if="part.agent" class="quiet">{{ say('rounds.sheet.agent', { agent: part.agent }) }}</span>
                  <a v-if="part.where" :href="photoUrl(part.where)" class="no-print">{{
                    say('rounds.sheet.where', { part: part.says })
                  }}</a>
                  <span v-if="part.done" class="told">{{ say('rounds.sheet.done') }}</span>
                </li>
              </ul>
              <MishapNote
                v-for="it in stop.mishaps"
                :key="it.id"
                :mishap="it"
                :of="stop.place"
                :manages="!mine"
                @changed="reload"
              />
              <p v-for="kind in waits(stop)" :key="kind" class="small alarm">
                {{ say('mishap.waits', { kind }) }}
              </p>
              <StopTrouble
                v-if="mine && isToday && !stop.done && !keptOut(stop)"
                :stop="stop"
                :busy="busy"
                @tell="(kind, more) => tell(stop, kind, more)"
              />
            </template>
          </li>
        </ol>
      </section>
      <section v-if="round.kit.length" class="stack close">
        <h2>{{ say('rounds.sheet.kit') }}</h2>
        <ul class="ruled tight small">
          <li v-for="it in round.kit" :key="it">{{ it }}</li>
        </ul>
      </section>
      <section v-if="round.apart.length" class="stack close">
        <h2>{{ say('rounds.sheet.apart') }}</h2>
        <p v-for="it in round.apart" :key="it" class="alarm">{{ it }}</p>
      </section>
    </template>
  </PageFrame>
</template>
