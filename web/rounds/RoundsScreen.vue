<script setup lang="ts">
/** The plan of rounds: what it saves, the week's visits by person and day, what finds no place, and taking it over. */
import { computed, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { PLAN_WEEKS } from '../../contract/rounds/rounds.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import EmptyState from '../kit/EmptyState.vue';
import LeftList from '../kit/LeftList.vue';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';
import CapacityPart from './CapacityPart.vue';
import MishapList from './MishapList.vue';
import PlanAside from './PlanAside.vue';
import PlanByHouse from './PlanByHouse.vue';
import PlanGrid from './PlanGrid.vue';
import PlanVisitPanel from './PlanVisitPanel.vue';
import { usePlan } from './usePlan.ts';

const { read, plan, week, told, problem, share, stopping, left, make, shape, takeWeekOver, goTo } = usePlan();
const weeks = ref<(typeof PLAN_WEEKS)[number]>(4);
const keep = ref(true);
const open = ref<number | null>(null);
const chosen = ref<'person' | 'house' | null>(null);
/** By house where each has one person of its own, until somebody says otherwise. */
const by = computed({
  get: () => chosen.value ?? (plan.value?.patches ? 'house' : 'person'),
  set: (it) => (chosen.value = it),
});
const visit = computed(() => plan.value?.visits.find((it) => it.visit === open.value) ?? null);
const last = computed(() => (plan.value ? plan.value.days / 7 - 1 : 0));
const monday = computed(() => (plan.value ? say.day(dayFromIso(plan.value.from) + week.value * 7) : ''));
const toTake = computed(() => plan.value?.visits.filter(({ takenOver }) => !takenOver).length ?? 0);
onMounted(read.reload);
</script>

<template>
  <PageFrame :title="say('rounds.title')" :of="read">
    <template v-if="plan" #lead>
      <p class="plan-lead">
        {{ say('rounds.doors', { doors: plan.costs.doors, weeks: plan.days / 7, alone: plan.alone.doors }) }}
        {{ say('rounds.tenants', { homes: plan.tenants.length }) }}
        <span :class="{ alarm: plan.leftOutCount > 0 }">{{ say('rounds.leftOut', { parts: plan.leftOutCount }) }}</span>
      </p>
    </template>
    <template v-if="read.value.value">
      <MishapList />
      <EmptyState v-if="!plan" :title="say('rounds.none')" :why="say('rounds.none.why')" />
      <p v-if="!read.value.value.workers" class="alarm">{{ say('rounds.nobody') }}</p>
      <p v-if="read.value.value.homes < 12 || read.value.value.workers === 1" class="quiet small">
        {{ say('rounds.small') }}
      </p>
      <form class="row middle no-print" @submit.prevent="make({ weeks, keep })">
        <VSelect
          v-model="weeks"
          class="plan-weeks"
          :items="PLAN_WEEKS.map((it) => ({ value: it, title: say('rounds.weeksOf', { weeks: it }) }))"
          :label="say('rounds.weeks')"
        />
        <VBtn type="submit" :color="plan ? undefined : 'primary'" variant="outlined" :disabled="share !== null">{{
          say(plan ? 'rounds.again' : 'rounds.make')
        }}</VBtn>
        <VCheckbox v-if="plan" v-model="keep" :label="say('rounds.keep')" hide-details />
      </form>
      <ProgressBar
        v-if="share !== null"
        :done="share"
        :of="1"
        :label="say(stopping ? 'rounds.making' : 'rounds.takingOver')"
        v-bind="stopping && { stop: say('rounds.stop') }"
        @stop="stopping?.abort()"
      />
      <Notice :says="problem" />
      <p v-if="told" class="told" role="status">{{ told }}</p>
      <LeftList :says="say('rounds.notTaken')" :left="left" />
      <div v-if="plan" class="columns aside">
        <section class="stack close">
          <div class="row middle">
            <VBtn size="small" variant="text" :disabled="week === 0" @click="goTo(week - 1)">{{
              say('rounds.before')
            }}</VBtn>
            <h2>{{ say('rounds.week', { day: monday }) }}</h2>
            <VBtn size="small" variant="text" :disabled="week >= last" @click="goTo(week + 1)">{{
              say('rounds.after')
            }}</VBtn>
          </div>
          <ChoiceList
            v-model="by"
            class="no-print"
            look="chips"
            :legend="say('rounds.by')"
            :choices="(['person', 'house'] as const).map((value) => ({ value, says: say(`rounds.by.${value}`) }))"
          />
          <PlanByHouse v-if="by === 'house'" :plan="plan" :open="open" @open="open = $event" />
          <PlanGrid v-else :plan="plan" :open="open" @open="open = $event" @shape="shape" />
          <PlanVisitPanel v-if="visit" :key="visit.visit" :visit="visit" :plan="plan" @shape="shape" />
          <p v-if="by === 'person'" class="quiet small no-print">{{ say('rounds.how') }}</p>
          <p v-if="toTake" class="row middle no-print">
            <VBtn color="primary" :disabled="share !== null" @click="takeWeekOver">{{ say('rounds.takeOver') }}</VBtn>
            <span class="quiet small">{{ say('rounds.takeOver.why', { visits: toTake }) }}</span>
          </p>
        </section>
        <PlanAside :plan="plan" />
      </div>
      <CapacityPart />
    </template>
  </PageFrame>
</template>

<style scoped>
.plan-lead {
  font-size: 20px;
  font-weight: 600;
}
.plan-weeks {
  flex: 0 0 150px;
}
</style>
