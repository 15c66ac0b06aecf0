<script setup lang="ts">
/** Every machine and its parts, as an index of procedures. */
import { computed, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../door/door.ts';
import { useLoading } from '../door/load.ts';
import KindGlyph from '../due/KindGlyph.vue';
import { say } from '../language/say.ts';

const { value: catalogue, failure, reload } = useLoading(() => api('catalogue.read'));
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
  <div class="page">
    <header>
      <div>
        <h1>{{ say('procedures.title') }}</h1>
        <p class="quiet">{{ say('procedures.lead') }}</p>
      </div>
      <VTextField
        v-model="find"
        class="find"
        :label="say('procedures.find')"
        hide-details
        density="compact"
        clearable
      />
    </header>
    <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
    <p v-if="!catalogue && !failure" class="quiet">{{ say('loading') }}</p>
    <p v-if="catalogue && shown.length === 0" class="quiet">{{ say('procedures.none') }}</p>
    <div class="machines">
      <section v-for="machine in shown" :key="machine.key">
        <h2>{{ machine.name }}</h2>
        <ul>
          <li v-for="point in machine.points" :key="point.key">
            <RouterLink :to="`/procedures/${point.key}`"><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink
            ><small v-if="point.edition" class="dew strong">{{ say('procedures.own') }}</small
            ><small v-if="rehearsed.has(point.key)" class="dew">{{ rehearsed.get(point.key) }}</small
            ><span class="quiet small">{{ say(`level.${point.level}`) }}</span>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: 22px 26px;
  max-width: 1180px;
  display: grid;
  gap: 16px;
}
header {
  display: flex;
  gap: 14px;
  justify-content: space-between;
  align-items: start;
  flex-wrap: wrap;
}
.find {
  max-width: 300px;
}
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
  border-top: 2px solid var(--ink);
  padding-top: 6px;
}
li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  border-top: 1px solid var(--hair);
  padding: 3px 0;
  min-height: 30px;
}
li a {
  color: var(--ink);
  margin-right: auto;
}
@media (max-width: 720px) {
  .page {
    padding: 14px;
  }
  li {
    min-height: 44px;
    align-items: center;
  }
}
</style>
