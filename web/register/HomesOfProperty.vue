<script setup lang="ts">
/** The homes of a property, the worst standing first: who lives there, its strip, its verdict and why. */
import { computed, ref } from 'vue';
import type { PropertySummary } from '../../contract/register/register.ts';
import { say } from '../language/say.ts';
import StripGauge from '../strip/StripGauge.vue';
import { WORST_FIRST } from '../../core/standing/standing.ts';
import type { HomeStanding } from './homeStanding.ts';

type Place = PropertySummary['places'][number];
const props = defineProps<{ places: readonly Place[]; standings: ReadonlyMap<string, HomeStanding> }>();
const PAGE = 24;
const pages = ref(1);

const rank = ({ id }: Place) => {
  const its = props.standings.get(id);
  return its ? WORST_FIRST.indexOf(its.verdict) : WORST_FIRST.length;
};
const sorted = computed(() => [...props.places].sort((a, b) => rank(a) - rank(b)));
const shown = computed(() =>
  sorted.value.slice(0, pages.value * PAGE).map((place) => ({ place, standing: props.standings.get(place.id) })),
);
const tenantOf = ({ tenant, kind }: Place) => tenant ?? say(kind === 'shared' ? 'place.kind.shared' : 'homes.vacant');

function whyOf({ worst, past, unsafe, verdict }: HomeStanding): string {
  if (unsafe) return say('standing.why.alarm');
  if (!worst) return verdict === 'unknown' ? say('homes.nothingCounts') : '';
  return worst.share === undefined
    ? say('homes.worst.noRecord', { part: worst.type.name })
    : say('homes.worst', { part: worst.type.name, days: -worst.daysLeft, more: past - 1 });
}
</script>

<template>
  <ul class="ruled homes">
    <li v-for="{ place, standing } in shown" :key="place.id">
      <RouterLink :to="`/homes/${place.id}`" class="home">
        <span>
          <b>{{ place.name }}</b>
          <span class="quiet small">
            {{ tenantOf(place) }} · {{ say('homes.machines', { count: place.machines }) }}
          </span>
        </span>
        <!-- The words beside it say what weighs; all of its parts would make the link's name. -->
        <StripGauge v-if="standing?.gauge.length" aria-hidden="true" :marks="standing.gauge" :today="standing.today" />
        <span v-else />
        <span v-if="standing" class="small">
          <b :class="{ alarm: standing.verdict === 'breach', quiet: standing.verdict === 'sound' }">{{
            say(`standing.${standing.verdict}`)
          }}</b>
          {{ whyOf(standing) }}
        </span>
      </RouterLink>
    </li>
  </ul>
  <button v-if="places.length > pages * PAGE" type="button" class="plain link" @click="pages += 1">
    {{ say('more', { count: places.length - pages * PAGE }) }}
  </button>
</template>

<style scoped>
.homes > :first-child {
  border-top: 0;
}
.home {
  display: grid;
  grid-template-columns: minmax(150px, 1fr) 320px minmax(180px, 1.3fr);
  gap: 2px 20px;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
}
.home > span {
  display: grid;
}
.home:hover {
  background: var(--pick);
}
@media (max-width: 760px) {
  .home {
    grid-template-columns: 1fr;
  }
}
</style>
