<script setup lang="ts">
/** Remedies: what was decided, what came before and after it, and whether it held. */
import { computed } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { RemedySummary } from '../../contract/faults/patterns.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import FigureChart, { type ChartSeries } from '../kit/FigureChart.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{
  remedies: readonly RemedySummary[];
  /** Decided just now. */
  latest: string | null;
  mayDecide: boolean;
}>();
const emit = defineEmits<{ changed: [] }>();
const { failure, run } = useSending();

/** Those of which something came after, before against after. */
const judged = computed(() => props.remedies.flatMap((it) => (it.rates ? { ...it, rates: it.rates } : [])));
const aYear = (rate: number) => say('remedies.chart.rate', { rate });
const series = computed((): ChartSeries[] => [
  {
    name: say('remedies.chart.before'),
    values: judged.value.map(({ rates }) => rates.before),
    tells: (i) => aYear(judged.value[i]!.rates.before),
  },
  {
    name: say('remedies.chart.after'),
    values: judged.value.map(({ rates }) => rates.after),
    tells: (i) => aYear(judged.value[i]!.rates.after),
  },
  {
    name: say('remedies.chart.interval'),
    values: judged.value.map(({ rates }) => [rates.low, rates.high] as const),
    tells: (i) => `${aYear(judged.value[i]!.rates.low)} – ${aYear(judged.value[i]!.rates.high)}`,
  },
]);

async function withdraw(id: string): Promise<void> {
  if (await run(async () => void (await api('remedy.withdraw', { id })))) emit('changed');
}
</script>

<template>
  <Notice class="small" :says="failure" />
  <FigureChart
    v-if="judged.length"
    :title="say('remedies.chart')"
    :says="say('remedies.chart.says')"
    :of="say('remedies.chart.of')"
    :labels="judged.map(({ place, symptom }) => `${place}: ${symptom}`)"
    sideways
    :series="series"
  />
  <ul class="ruled">
    <li v-for="it in remedies" :key="it.id" class="stack tight">
      <p>
        <b>{{ say(`remedy.verdict.${it.verdict}`) }}</b>: {{ it.symptom }}, {{ it.place }}{{ ' ' }}
        <RouterLink class="small" :to="`/m/${it.machineNumber}`">{{ it.machine }}</RouterLink>
      </p>
      <p class="quiet small">
        {{
          say('remedy.decided', {
            decision: say(`decision.${it.decision}`),
            by: it.by,
            day: say.day(dayFromIso(it.day)),
          })
        }}
      </p>
      <p v-if="it.did" class="small">{{ it.did }}</p>
      <p class="small">{{ it.says.join(' ') }}</p>
      <Notice v-if="latest === it.id" done class="small">
        {{ say('patterns.decided') }}
        <button v-if="mayDecide" type="button" class="plain link" @click="withdraw(it.id)">
          {{ say('decision.none') }}
        </button>
      </Notice>
    </li>
  </ul>
</template>
