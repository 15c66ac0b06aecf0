<script setup lang="ts">
/** All measurements on one page. */
import { useRoute } from 'vue-router';
import { MEASURES } from '../../core/measure/measures.ts';
import { UNIT_SYSTEMS } from '../../core/quantities/units.ts';
import { say } from '../language/say.ts';
import MeasureCard from './MeasureCard.vue';
import { setUnits, units } from './units.ts';

const route = useRoute();
/** A part may be asked about: its measurements first, each ready to be kept with it. */
const point = route.query.point ? String(route.query.point) : undefined;
const procedure = String(route.query.procedure ?? '');
const shown = [...MEASURES].sort((a, b) => Number(b.of.includes(procedure)) - Number(a.of.includes(procedure)));
</script>

<template>
  <div class="page">
    <header>
      <div>
        <h1>{{ say('measure.title') }}</h1>
        <p class="quiet lead">{{ say('measure.lead') }}</p>
      </div>
      <fieldset class="units">
        <legend class="unseen">{{ say('measure.units') }}</legend>
        <label v-for="system in UNIT_SYSTEMS" :key="system"
          ><input type="radio" name="units" :checked="units === system" @change="setUnits(system)" />
          {{ say(`measure.units.${system}`) }}</label
        >
      </fieldset>
    </header>
    <div class="all">
      <MeasureCard
        v-for="measure in shown"
        :key="measure.key"
        :measure="measure"
        :point="measure.of.includes(procedure) ? point : undefined"
      />
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
  align-items: start;
  justify-content: space-between;
  flex-wrap: wrap;
}
.lead {
  max-width: 62ch;
}
.units {
  border: 0;
  padding: 0;
  display: flex;
  gap: 16px;
}
.units label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
.all {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 18px 30px;
  align-items: start;
}
@media (max-width: 720px) {
  .page {
    padding: 14px;
  }
}
</style>
