<script setup lang="ts">
/** Every machine and its parts, as an index of procedures. */
import { computed, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import { keepInAddress, textChoice } from '../kit/inAddress.ts';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import PageFrame from '../kit/PageFrame.vue';

const desk = useDesk();
const all = useLoading(() => api('catalogue.read'));
const { value: catalogue, reload } = all;
const rehearsals = useLoading(() => api('rehearsals.list'));
/** When each was rehearsed last, in words. */
const rehearsed = computed(
  () =>
    new Map(
      rehearsals.value.value?.rehearsals.map(({ procedure, day, correct, asked, older }) => [
        procedure,
        say('rehearsal.done', { day: say.shortDay(dayFromIso(day)), correct, asked, older: String(older) }),
      ]),
    ),
);
const find = ref('');
keepInAddress({ find: textChoice(find, '') });
const shown = computed(() => {
  const wanted = find.value.trim().toLowerCase();
  return (catalogue.value?.machines ?? [])
    .map((machine) => ({
      ...machine,
      points: machine.name.toLowerCase().includes(wanted)
        ? machine.points
        : machine.points.filter(({ name }) => name.toLowerCase().includes(wanted)),
    }))
    .filter(({ points }) => points.length > 0);
});
onMounted(() => Promise.all([reload(), rehearsals.reload()]));
</script>

<template>
  <PageFrame :title="say('procedures.title')" :of="all">
    <template #lead
      ><p class="quiet">{{ say('procedures.lead') }}</p></template
    >
    <template #actions
      ><VTextField v-model="find" class="find" :label="say('procedures.find')" hide-details density="compact" clearable
    /></template>
    <p v-if="desk.managesAll">
      <RouterLink to="/procedures/machines">{{ say('defined.title') }}</RouterLink>
    </p>
    <p v-if="catalogue && shown.length === 0" class="quiet">{{ say('procedures.none') }}</p>
    <div class="machines">
      <section v-for="machine in shown" :key="machine.key">
        <h2 class="heavy">
          {{ machine.name }}<small v-if="machine.own" class="dew strong"> {{ say('defined.own') }}</small>
        </h2>
        <ul class="ruled tight links ink-link">
          <li v-for="point in machine.points" :key="point.key" class="apart">
            <RouterLink :to="`/procedures/${point.key}`"><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink
            ><small v-if="point.edition" class="dew strong">{{ say('procedures.own') }}</small
            ><small v-if="rehearsed.has(point.key)" class="dew">{{ rehearsed.get(point.key) }}</small
            ><span class="quiet small">{{ say(`level.${point.level}`) }}</span>
          </li>
        </ul>
      </section>
    </div>
  </PageFrame>
</template>

<style scoped>
.machines {
  columns: 3 300px;
  column-gap: 34px;
}
section {
  break-inside: avoid;
  padding-bottom: 18px;
}
h2 {
  font-size: 16px;
}
li a {
  margin-right: auto;
}
</style>
