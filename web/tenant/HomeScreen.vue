<script setup lang="ts">
/** My home: the one thing to do, what was done, and where to say that something is wrong. */
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { onTaken, Problem } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { getKept } from '../outbox/kept.ts';
import JobCard from '../jobs/JobCard.vue';
import JobGroups from '../jobs/JobGroups.vue';
import { say } from '../language/say.ts';
import DoneLately from './DoneLately.vue';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';

// Not of the first second: their forms bring the checks of every field along.
const CodeEntry = defineAsyncComponent(() => import('./CodeEntry.vue'));
const GoneCard = defineAsyncComponent(() => import('./GoneCard.vue'));
const VisitCard = defineAsyncComponent(() => import('./VisitCard.vue'));
const LettersChoice = defineAsyncComponent(() => import('./LettersChoice.vue'));
const CalendarAddress = defineAsyncComponent(() => import('../people/CalendarAddress.vue'));
const HabitCard = defineAsyncComponent(() => import('./HabitCard.vue'));

/** Nobody is in: a link, or the code of a card, lets one in. */
const nobody = ref(false);
const wantsCalendar = ref(false);
const {
  value: home,
  failure,
  reload,
} = useLoading(async () => {
  try {
    const { answer, keptAt } = await getKept('home.read');
    if (keptAt === null) void import('../outbox/takeAlong.ts').then(({ takeAlong }) => takeAlong(answer.jobs));
    return answer;
  } catch (error) {
    nobody.value = error instanceof Problem && error.status === 401;
    throw error instanceof Problem && (error.status === 401 || error.status === 403)
      ? new Problem(error.status, say('home.noLink'))
      : error;
  }
});
const title = computed(() => {
  if (home.value?.place) return home.value.place.name;
  return home.value?.kind === 'work' ? say('work.title') : '';
});
onMounted(reload);
onBeforeUnmount(onTaken(reload));
</script>

<template>
  <PageFrame width="phone" :title="title">
    <template v-if="home?.place" #above>{{ home.place.property }}</template>
    <template #lead
      ><p v-if="home" class="quiet">{{ say('home.hello', { name: home.name }) }}</p></template
    >
    <template v-if="home?.place">
      <VisitCard v-for="visit in home.visits" :key="`${visit.id} ${visit.answer}`" :visit="visit" @answered="reload" />
      <p v-if="home.monthList">
        <RouterLink to="/list">{{ say('monthList.of', { day: say.day(dayFromIso(home.monthList)) }) }}</RouterLink>
      </p>
      <section class="stack close">
        <template v-if="home.jobs.length"
          ><h2>{{ say('home.todo', { count: home.jobs.length }) }}</h2>
          <JobGroups :jobs="home.jobs"
        /></template>
        <div v-else class="panel card stack tight">
          <h2>{{ say('home.nothing') }}</h2>
          <p class="quiet">{{ say('home.nothing.why') }}</p>
        </div>
      </section>
      <GoneCard v-if="home.gone.length" :questions="home.gone" @answered="reload" />
      <HabitCard v-if="home.habits.length" :key="home.habits.length" :habits="home.habits" @answered="reload" />
      <VBtn variant="outlined" size="large" block to="/report">{{ say('home.wrong') }}</VBtn>
      <section class="stack close" v-if="home.faults.length || home.signals.length">
        <h2>{{ say('home.open') }}</h2>
        <ul class="ruled">
          <li v-for="signal in home.signals" :key="signal.id">
            <span>{{ signal.machine }}: {{ signal.says }}</span>
          </li>
          <li v-for="fault in home.faults" :key="fault.id">
            <span>{{ fault.machine }}: {{ fault.says }}</span
            >{{ ' ' }}
            <RouterLink v-if="fault.findable" :to="`/faults/${fault.id}`">{{ say('find.begin') }}</RouterLink>
          </li>
        </ul>
      </section>
      <DoneLately :done="home.done" />
      <details class="panel card" @toggle="wantsCalendar = true">
        <summary>{{ say('feed.title') }}</summary>
        <CalendarAddress v-if="wantsCalendar" kind="tenancy" />
      </details>
      <LettersChoice v-if="home.contact" :contact="home.contact" />
    </template>
    <template v-else-if="home?.kind === 'work'">
      <p v-for="visit in home.visits" :key="visit.id" class="strong">
        {{
          say('work.expected', {
            day: `${say.weekday(visit.day)}, ${say.day(visit.day)}`,
            from: say.clockTime(visit.from),
            until: say.clockTime(visit.until),
            agreed: String(visit.answer === 'agreed'),
          })
        }}
      </p>
      <JobCard v-for="job in home.jobs" :key="job.id" :job="job" :to="`/jobs/${job.id}`" with-place />
      <p v-if="!home.jobs.length" class="quiet">{{ say('work.none') }}</p>
      <DoneLately :done="home.done" />
    </template>
    <p v-else-if="home" class="quiet">{{ home.opens ? say('home.opens', { day: home.opens }) : say('home.ended') }}</p>
    <div v-else-if="failure" class="stack">
      <h1>{{ say('home.title') }}</h1>
      <Notice :says="failure" />
      <CodeEntry v-if="nobody" @opened="reload" /><VBtn v-else variant="outlined" @click="reload">{{
        say('again')
      }}</VBtn>
    </div>
    <p v-else class="quiet">{{ say('loading') }}</p>
  </PageFrame>
</template>
