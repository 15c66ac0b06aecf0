<script setup lang="ts">
/** A reading of one machine over time: its line, its own baseline dashed, its limit drawn through. */
import { computed } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { ReadingSeries } from '../../contract/pages/machine.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ series: ReadingSeries }>();
const [WIDTH, HEIGHT, EDGE] = [320, 72, 8];
const last = computed(() => props.series.figures.at(-1)!);
const drawn = computed(() => {
  const { figures, baseline, limit } = props.series;
  const values = [...figures.map(({ value }) => value), ...[baseline, limit].filter((it) => it !== null)];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const days = figures.map(({ day }) => dayFromIso(day));
  const x = (i: number) => EDGE + ((days[i]! - days[0]!) / Math.max(1, days.at(-1)! - days[0]!)) * (WIDTH - 2 * EDGE);
  const y = (value: number) => HEIGHT - EDGE - ((value - low) / Math.max(0.001, high - low)) * (HEIGHT - 2 * EDGE);
  return {
    at: figures.map(({ value }, i) => [x(i), y(value)] as const),
    baseline: baseline === null ? null : y(baseline),
    limit: limit === null ? null : y(limit),
  };
});
const path = computed(() => drawn.value.at.map(([x, y]) => `${x},${y}`).join(' '));
</script>

<template>
  <figure class="stack tight">
    <figcaption class="row close">
      <b>{{ series.says }}</b> <span>{{ last.says }}</span>{{ ' ' }}
      <small class="quiet">{{ say('label.reading.last', { day: say.shortDay(dayFromIso(last.day)) }) }}</small>
    </figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="series.figures.map((it) => `${say.shortDay(dayFromIso(it.day))}: ${it.says}`).join('; ')"
    >
      <line v-if="drawn.limit !== null" class="limit" :x1="0" :x2="WIDTH" :y1="drawn.limit" :y2="drawn.limit" />
      <line
        v-if="drawn.baseline !== null"
        class="baseline"
        :x1="0"
        :x2="WIDTH"
        :y1="drawn.baseline"
        :y2="drawn.baseline"
      />
      <polyline :points="path" />
      <circle v-for="([x, y], i) in drawn.at" :key="i" :cx="x" :cy="y" r="3" />
    </svg>
    <p class="quiet small">
      <template v-if="series.baselineSays">{{
        say('label.reading.baseline', { figure: series.baselineSays })
      }}</template><template v-else>{{ say('label.reading.early') }}</template>
    </p>
  </figure>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 420px;
  height: auto;
}
polyline {
  fill: none;
  stroke: var(--dew-deep);
  stroke-width: 2;
}
circle {
  fill: var(--dew-deep);
}
.baseline {
  stroke: var(--ink-2);
  stroke-dasharray: 4 4;
}
.limit {
  stroke: var(--alarm);
}
</style>
