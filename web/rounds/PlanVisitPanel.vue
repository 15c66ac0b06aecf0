<script setup lang="ts">
/** One visit of the plan: why it is here, what it breaks, its parts, and moving it or some of them. */
import { computed, ref } from 'vue';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import type { Plan, PlanPart, PlanVisitAnswer } from '../../contract/rounds/rounds.ts';
import TickBox from '../kit/TickBox.vue';
import { say } from '../language/say.ts';
import type { Shape } from './usePlan.ts';

const props = defineProps<{ visit: PlanVisitAnswer; plan: Plan }>();
const emit = defineEmits<{ shape: [it: Shape] }>();
const personId = ref(props.visit.personId);
const day = ref(props.visit.day);
const ticked = ref<number[]>([]);
const person = computed(() => props.plan.people.find(({ id }) => id === props.visit.personId)?.name ?? '');
const last = computed(() => isoFromDay(dayFromIso(props.plan.from) + props.plan.days - 1));
const daysOf = ({ daysPast }: PlanPart) =>
  daysPast < 0 ? say('rounds.part.early', { days: -daysPast }) : say('rounds.part.days', { past: daysPast });
const tick = (number: number, on: boolean) => {
  ticked.value = on ? [...ticked.value, number] : ticked.value.filter((it) => it !== number);
};
const shape = (it: Omit<Shape, 'visit'>) => emit('shape', { visit: props.visit.visit, ...it });
const move = () =>
  ticked.value.length > 0
    ? shape({ shape: 'split', personId: personId.value, day: day.value, parts: ticked.value })
    : shape({ shape: 'move', personId: personId.value, day: day.value });
</script>

<template>
  <section class="panel card stack close" :aria-label="visit.place">
    <div class="row apart">
      <h3>{{ visit.place }}</h3>
      <span class="quiet small">{{ say('rounds.visit.where', { person, day: say.day(dayFromIso(visit.day)) }) }}</span>
    </div>
    <p>{{ visit.why }}</p>
    <p v-for="(it, i) in visit.broken" :key="i" class="alarm">{{ it.says }}</p>
    <ul class="ruled tight small">
      <li v-for="part in visit.parts" :key="part.number" class="row apart">
        <TickBox
          v-if="!visit.takenOver && visit.parts.length > 1"
          :model-value="ticked.includes(part.number)"
          @update:model-value="tick(part.number, $event)"
          >{{ part.says }}</TickBox
        >
        <RouterLink v-else :to="`/line/${part.number}`">{{ part.says }}</RouterLink>
        <span :class="part.daysPast > 0 ? 'alarm' : 'quiet'">{{ daysOf(part) }}</span>
      </li>
    </ul>
    <form v-if="!visit.takenOver" class="fields inline" @submit.prevent="move">
      <VSelect
        v-model="personId"
        :items="plan.people.map((it) => ({ value: it.id, title: it.name }))"
        :label="say('rounds.move.who')"
      />
      <VTextField v-model="day" type="date" :min="plan.from" :max="last" :label="say('rounds.move.day')" />
      <VBtn type="submit" variant="outlined">{{ say(ticked.length ? 'rounds.split' : 'rounds.move') }}</VBtn>
    </form>
    <p class="row">
      <template v-if="!visit.takenOver">
        <VBtn size="small" variant="text" @click="shape({ shape: visit.pinned ? 'free' : 'pin' })">{{
          say(visit.pinned ? 'rounds.visit.free' : 'rounds.visit.pin')
        }}</VBtn>
        <VBtn size="small" variant="text" @click="shape({ shape: 'out' })">{{ say('rounds.visit.out') }}</VBtn>
      </template>
      <RouterLink :to="`/homes/${visit.placeId}`">{{ say('rounds.visit.home') }}</RouterLink>
    </p>
  </section>
</template>
