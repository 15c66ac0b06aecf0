<script setup lang="ts">
/** A dryer's run: its straight length, and its bends of one make. */
import { reactive, watch } from 'vue';
import { ELBOW_RADII, type DuctRun, type ElbowRadius } from '../../core/measure/ductRun.ts';
import { enteredAs, units } from '../measure/units.ts';
import { say } from '../language/say.ts';

const run = defineModel<DuctRun | null | undefined>({ required: true });
const length = enteredAs('mm', units.value);
const countOf = (degrees: 45 | 90) => run.value?.elbows.find((it) => it.degrees === degrees)?.count ?? 0;
const entry = reactive({
  straight: run.value ? String(Math.round(length.shown(run.value.straightMm) * 100) / 100) : '',
  radius: (run.value?.elbows[0]?.radius ?? 'mitred4') as ElbowRadius,
  bends90: countOf(90),
  bends45: countOf(45),
});
watch(entry, ({ straight, radius, bends90, bends45 }) => {
  const metric = Number(straight.replace(',', '.'));
  if (straight.trim() === '' || !(metric >= 0)) {
    run.value = null;
    return;
  }
  run.value = {
    straightMm: Math.round(length.metric(metric)),
    elbows: (
      [
        [90, bends90],
        [45, bends45],
      ] as const
    )
      .filter(([, count]) => Number(count) > 0)
      .map(([degrees, count]) => ({ radius, degrees, count: Number(count) })),
  };
});
</script>

<template>
  <fieldset class="columns two">
    <legend class="small">{{ say('spec.duct') }}</legend>
    <VTextField
      v-model="entry.straight"
      inputmode="decimal"
      :label="say('measure.field.straight')"
      :suffix="length.unit"
      hide-details
      density="compact"
    />
    <VSelect
      v-model="entry.radius"
      :items="ELBOW_RADII.map((value) => ({ value, title: say(`measure.choice.${value}`) }))"
      :label="say('measure.field.radius')"
      hide-details
      density="compact"
    />
    <VTextField
      v-model.number="entry.bends90"
      type="number"
      min="0"
      max="20"
      :label="say('measure.field.bends90')"
      hide-details
      density="compact"
    />
    <VTextField
      v-model.number="entry.bends45"
      type="number"
      min="0"
      max="20"
      :label="say('measure.field.bends45')"
      hide-details
      density="compact"
    />
  </fieldset>
</template>
