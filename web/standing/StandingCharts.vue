<script setup lang="ts">
/** What people would rather look at than read, each with its sentence and its table. */
import { computed } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import type { StandingAnswer } from '../../contract/standing/standing.ts';
import FigureChart from '../kit/FigureChart.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ answer: StandingAnswer }>();
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const monthName = (month: string) => say.month(dayFromIso(`${month}-01`)) + ` ${month.slice(0, 4)}`;

const months = computed(() => {
  const all = props.answer.months;
  const past = all.map(({ days }) => days.past);
  const most = Math.max(0, ...past);
  return {
    labels: most > 0 ? all.map(({ month }) => monthName(month)) : [],
    says:
      most > 0
        ? say('standing.chart.months.says', {
            months: all.length,
            past: sum(past),
            most,
            worst: monthName(all[past.indexOf(most)]!.month),
          })
        : say('standing.chart.months.none'),
    series: props.answer.properties.map(({ name }, i) => ({
      name,
      values: all.map(({ byProperty }) => byProperty[i]!.past),
    })),
  };
});

const people = computed(() => {
  const all = props.answer.people;
  return {
    labels: all.map(({ name }) => name),
    series: [
      {
        name: say('standing.chart.share'),
        values: all.map(({ onTime }) => [onTime.low, onTime.high] as const),
        tells: (i: number) =>
          `${say('standing.services.value', all[i]!.onTime)} (${say('standing.services.aside', all[i]!.onTime)}), ${all[i]!.count} ${say('standing.chart.people.count')}`,
      },
    ],
  };
});

/** The last two grades: far past what its interval promised. */
const BAD = GRADES.length - 2;
const conditions = computed(() => {
  const all = props.answer.conditions;
  const count = sum(all.flatMap(({ grades }) => grades));
  const bad = sum(all.flatMap(({ grades }) => grades.slice(BAD)));
  return {
    labels: all.map(({ kind }) => say(`kind.${kind}`)),
    says: say('standing.chart.conditions.says', { count, worst: count === 0 ? 0 : bad / count }),
    series: GRADES.map((grade, i) => ({ name: say(`grade.${grade}`), values: all.map(({ grades }) => grades[i]!) })),
  };
});

const causes = computed(() => {
  const { coded, open, uncoded } = props.answer.causes;
  const counts = coded.map(({ count }) => count);
  const total = sum(counts);
  const cumulated = counts.map((_, i) => sum(counts.slice(0, i + 1)) / total);
  return {
    labels: coded.map(({ says }) => says),
    says:
      total > 0
        ? say('standing.chart.causes.says', {
            count: total,
            top: coded[0]!.says,
            share: counts[0]! / total,
            uncoded,
            open,
          })
        : say('standing.chart.causes.none', { uncoded, open }),
    series: [
      { name: say('standing.chart.faults'), values: counts },
      {
        name: say('standing.chart.cumulated'),
        values: cumulated,
        as: 'line' as const,
        share: true,
        tells: (i: number) => say('standing.services.value', { share: cumulated[i]! }),
      },
    ],
  };
});
</script>

<template>
  <div class="columns wide-ones">
    <FigureChart
      :title="say('standing.chart.months')"
      :says="months.says"
      :of="say('standing.kind.month')"
      :labels="months.labels"
      :series="months.series"
      stacked
    />
    <FigureChart
      :title="say('standing.chart.causes')"
      :says="causes.says"
      :of="say('standing.kind.cause')"
      :labels="causes.labels"
      :series="causes.series"
    />
    <FigureChart
      :title="say('standing.chart.conditions')"
      :says="conditions.says"
      :of="say('standing.kind.part')"
      :labels="conditions.labels"
      :series="conditions.series"
      stacked
      sideways
    />
    <FigureChart
      :title="say('standing.chart.people')"
      :says="say('standing.chart.people.says')"
      :of="say('standing.kind.person')"
      :labels="people.labels"
      :series="people.series"
      sideways
    />
  </div>
</template>
