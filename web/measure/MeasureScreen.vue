<script setup lang="ts">
/** All measurements on one page. */
import { useRoute } from 'vue-router';
import { MEASURES } from '../../core/measure/measures.ts';
import { UNIT_SYSTEMS } from '../../core/quantities/units.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import MeasureCard from './MeasureCard.vue';
import { setUnits, units } from './units.ts';
import PageFrame from '../kit/PageFrame.vue';

const route = useRoute();
const choosing = useSending();
/** A part may be asked about: its measurements first, each ready to be kept with it. */
const point = route.query.point ? String(route.query.point) : undefined;
const procedure = String(route.query.procedure ?? '');
const shown = [...MEASURES].sort((a, b) => Number(b.of.includes(procedure)) - Number(a.of.includes(procedure)));
</script>

<template>
  <PageFrame :title="say('measure.title')">
    <template #lead
      ><p class="quiet lead">{{ say('measure.lead') }}</p></template
    >
    <template #actions
      ><fieldset class="options across">
        <legend class="unseen">{{ say('measure.units') }}</legend>
        <label v-for="system in UNIT_SYSTEMS" :key="system"
          ><input
            type="radio"
            name="units"
            :checked="units === system"
            @change="choosing.run(() => setUnits(system))"
          />
          {{ say(`measure.units.${system}`) }}</label
        >
      </fieldset></template
    >
    <Notice :says="choosing.failure.value" />
    <div class="columns">
      <MeasureCard
        v-for="measure in shown"
        :key="measure.key"
        :measure="measure"
        :point="measure.of.includes(procedure) ? point : undefined"
      />
    </div>
  </PageFrame>
</template>
