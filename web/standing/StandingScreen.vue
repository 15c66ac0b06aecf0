<script setup lang="ts">
/** Standing as of a day: the verdict on every home, the figures of all, and how they came about. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { dayFromIso } from '../../core/calendar/day.ts';
import { REPORTS, type ReportKind } from '../../contract/standing/standing.ts';
import { api } from '../api/api.ts';
import { paperUrl } from '../api/paper.ts';
import { useLoading } from '../api/load.ts';
import EmptyState from '../kit/EmptyState.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { handDown } from '../kit/handDown.ts';
import { useDesk } from '../people/deskStore.ts';
import OwnerLinks from './OwnerLinks.vue';
import StandingCharts from './StandingCharts.vue';
import StandingFacts from './StandingFacts.vue';
import StandingGroups from './StandingGroups.vue';
import StandingHomes from './StandingHomes.vue';
import VerdictForm from './VerdictForm.vue';

const desk = useDesk();
const route = useRoute();
const router = useRouter();
const of = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : undefined);
const day = ref(of('day') ?? '');
const from = ref(of('from') ?? '');
const standing = useLoading(() =>
  api('standing.read', { form: { day: day.value || undefined, from: from.value || undefined } }),
);
const { value: answer } = standing;
const homes = computed(() => answer.value?.whole.homes);

/** What is looked at stands in the address, so that it can be sent to somebody. */
watch([day, from], async () => {
  const query = { ...route.query, day: day.value || undefined, from: from.value || undefined };
  await router.replace({ query });
  await standing.reload();
});
onMounted(standing.reload);
const print = () => window.print();

/** The same day and window on paper. */
const reportOf = (kind: ReportKind) =>
  paperUrl('standing.report', { kind }, { day: answer.value!.day, from: answer.value!.from });
async function takeAway(): Promise<void> {
  const { csvOf } = await import('./homesCsv.ts');
  handDown(csvOf(answer.value!), `standing-${answer.value!.day}.csv`);
}
const HOW = ['past', 'then', 'onTime', 'levels', 'risk'] as const;
</script>

<template>
  <PageFrame :title="say('standing.title')" :of="standing">
    <template #actions>
      <span class="row close push no-print">
        <VTextField
          v-model="day"
          type="date"
          density="compact"
          hide-details="auto"
          :error-messages="standing.fields.value.day"
          :max="answer?.today"
          :label="say('standing.day')"
          :placeholder="say('standing.today')"
          persistent-placeholder
          clearable
        />
        <VTextField
          v-model="from"
          type="date"
          density="compact"
          hide-details="auto"
          :error-messages="standing.fields.value.from"
          :max="day || answer?.today"
          :label="say('standing.from')"
          persistent-placeholder
          clearable
        />
        <VBtn variant="outlined" @click="print">{{ say('standing.print') }}</VBtn>
      </span>
    </template>
    <EmptyState v-if="answer && answer.places.length === 0" :title="say('standing.homes.none')">
      <RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink>
    </EmptyState>
    <template v-else-if="answer && homes">
      <p class="strong">{{ say('standing.homes', homes) }}</p>
      <p class="quiet small">
        {{ say('standing.window', { day: say.day(dayFromIso(answer.day)), from: say.day(dayFromIso(answer.from)) }) }}
        <template v-if="answer.cut && answer.began">{{
          say('standing.cut', { day: say.day(dayFromIso(answer.began)) })
        }}</template>
      </p>
      <p class="row small no-print">
        <a v-for="kind in REPORTS" :key="kind" :href="reportOf(kind)" target="_blank">{{
          say(`standing.pdf.${kind}`)
        }}</a>
        <button type="button" class="plain link" @click="takeAway">{{ say('standing.csv') }}</button>
      </p>
      <StandingHomes :answer="answer" :linked="desk.isManager" />
      <StandingFacts :figures="answer.whole.figures" />
      <StandingGroups v-if="answer.properties.length > 1" :answer="answer" />
      <StandingCharts v-if="desk.isManager" :answer="answer" />
      <OwnerLinks v-if="desk.isManager" :properties="answer.properties" />
      <section aria-labelledby="how" class="stack tight">
        <h2 id="how">{{ say('standing.how') }}</h2>
        <p class="small lead">{{ say('standing.how.verdict', { share: answer.breachShare }) }}</p>
        <VerdictForm v-if="desk.isManager" :share="answer.breachShare" @changed="standing.reload()" />
        <p v-for="key in HOW" :key="key" class="small lead">{{ say(`standing.how.${key}`) }}</p>
        <p class="quiet small break">
          {{ say('standing.log', { entries: answer.log.entries, head: answer.log.head }) }}
        </p>
      </section>
    </template>
  </PageFrame>
</template>
