<script setup lang="ts">
/** The learned speed with its middle four fifths, on a scale where 1 is as assumed. */
import { computed } from 'vue';
import { say } from '../language/say.ts';

const props = defineProps<{ speed: { readonly median: number; readonly low: number; readonly high: number } }>();
const WIDTH = 520;
const REACH = Math.log(4);
const at = (value: number) => ((Math.min(REACH, Math.max(-REACH, Math.log(value))) + REACH) / (2 * REACH)) * WIDTH;
const ticks = [0.25, 0.5, 1, 2, 4];
const band = computed(() => ({ from: at(props.speed.low), to: at(props.speed.high), middle: at(props.speed.median) }));
</script>

<template>
  <svg :viewBox="`-14 0 ${WIDTH + 28} 44`" role="img" :aria-label="say('working.speed.axis')">
    <path :d="`M0 20H${WIDTH}`" class="rail" />
    <rect :x="band.from" y="13" :width="Math.max(2, band.to - band.from)" height="14" rx="3" class="band" />
    <path :d="`M${at(1)} 4V36`" class="one" />
    <path :d="`M${band.middle} 9V31`" class="median" />
    <text v-for="tick in ticks" :key="tick" :x="at(tick)" y="43" text-anchor="middle">× {{ tick }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 560px;
  display: block;
}
.rail {
  stroke: var(--edge);
  stroke-width: 1.5;
}
.band {
  fill: var(--pick);
  stroke: var(--dew);
  stroke-width: 1.2;
}
.one {
  stroke: var(--dew);
  stroke-width: 2.5;
}
.median {
  stroke: var(--ink);
  stroke-width: 3;
}
text {
  fill: var(--ink-2);
  font: 500 11px var(--sans);
}
</style>
