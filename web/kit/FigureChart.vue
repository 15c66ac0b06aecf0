<script setup lang="ts">
/** A chart with what it says as a sentence, and the same as a table for who would rather read. */
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import type { Chart, ChartDataset } from 'chart.js';
import { say } from '../language/say.ts';

export interface ChartSeries {
  readonly name: string;
  /** One a label; a pair is a range from one to the other. */
  readonly values: readonly (number | readonly [number, number])[];
  readonly as?: 'bar' | 'line';
  /** Drawn against the right-hand scale, 0 to 1. */
  readonly share?: boolean;
  /** How the table tells a value; as it is without. */
  readonly tells?: (index: number) => string;
}
const props = defineProps<{
  title: string;
  says: string;
  /** What the labels are. */
  of: string;
  labels: readonly string[];
  series: readonly ChartSeries[];
  stacked?: boolean;
  /** Labels down the side: they are words. */
  sideways?: boolean;
}>();

const canvas = ref<HTMLCanvasElement>();
let chart: Chart | undefined;
/** From the strongest to the faintest, so that they are told apart without colour, too. */
const TONES = ['ink', 'dew', 'fresh', 'hair', 'alarm', 'ink-3'];

const tokenOf = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

function datasetOf({ name, values, as = 'bar', share = false }: ChartSeries, i: number) {
  const colour = tokenOf(TONES[i % TONES.length]!);
  return {
    type: as,
    label: name,
    data: values.map((value) => (typeof value === 'number' ? value : [...value])),
    backgroundColor: colour,
    borderColor: colour,
    borderWidth: as === 'line' ? 2 : 0,
    pointRadius: 3,
    maxBarThickness: 26,
    // Lines lie over bars.
    order: as === 'line' ? 0 : 1,
    ...(share && { yAxisID: 'share' }),
  } as ChartDataset;
}

async function draw(): Promise<void> {
  const { Chart: ChartOf, registerables } = await import('chart.js');
  if (!canvas.value) return;
  ChartOf.register(...registerables);
  chart?.destroy();
  const ink = tokenOf('ink-2');
  const grid = { color: tokenOf('hair') };
  const ticks = { color: ink };
  const shared = props.series.some(({ share }) => share);
  chart = new ChartOf(canvas.value, {
    type: 'bar',
    data: { labels: [...props.labels], datasets: props.series.map(datasetOf) },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      indexAxis: props.sideways ? 'y' : 'x',
      font: { family: getComputedStyle(document.body).fontFamily },
      plugins: { legend: { display: props.series.length > 1, labels: { color: ink, boxWidth: 12 } } },
      scales: {
        x: { stacked: props.stacked, grid, ticks },
        y: { stacked: props.stacked, grid, ticks, beginAtZero: true },
        ...(shared && { share: { position: 'right', min: 0, max: 1, grid: { display: false }, ticks } }),
      },
    },
  });
}
onMounted(draw);
watch(() => [props.labels, props.series], draw);
onBeforeUnmount(() => chart?.destroy());

const told = ({ tells, values }: ChartSeries, i: number) => (tells ? tells(i) : String(values[i]));
</script>

<template>
  <figure class="stack close">
    <figcaption class="strong">{{ title }}</figcaption>
    <p class="quiet small">{{ says }}</p>
    <div
      v-if="labels.length"
      :style="{ position: 'relative', height: `${sideways ? 60 + labels.length * 30 : 220}px` }"
    >
      <canvas ref="canvas" role="img" :aria-label="`${title}. ${says}`" />
    </div>
    <details v-if="labels.length" class="small">
      <summary>{{ say('chart.table') }}</summary>
      <table class="table">
        <thead>
          <tr>
            <th scope="col">{{ of }}</th>
            <th v-for="it in series" :key="it.name" scope="col">{{ it.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(label, i) in labels" :key="label">
            <th scope="row">{{ label }}</th>
            <td v-for="it in series" :key="it.name">{{ told(it, i) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </figure>
</template>
