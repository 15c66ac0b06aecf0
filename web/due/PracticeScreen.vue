<script setup lang="ts">
/** The practice page and its parts, each with an address of its own. */
import { computed, onMounted } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import AssumptionsPart from './AssumptionsPart.vue';
import CalendarPart from './CalendarPart.vue';
import MethodsPart from './MethodsPart.vue';
import PracticePart from './PracticePart.vue';
import PricesPart from './PricesPart.vue';
import RepairsPart from '../faults/RepairsPart.vue';
import PageFrame from '../kit/PageFrame.vue';
import OfficePart from '../people/OfficePart.vue';
import { useDesk } from '../people/deskStore.ts';

const desk = useDesk();
const props = defineProps<{ part: string }>();
const PARTS = {
  practice: PracticePart,
  methods: MethodsPart,
  calendar: CalendarPart,
  assumptions: AssumptionsPart,
  prices: PricesPart,
  repairs: RepairsPart,
  office: OfficePart,
} as const;
const shown = computed(() => PARTS[props.part as keyof typeof PARTS] ?? PracticePart);
const practice = useLoading(() => api('practice.read'));
const { value: answer, reload } = practice;
onMounted(reload);
</script>

<template>
  <PageFrame :title="say('practice.title')" :of="practice">
    <template #lead>
      <nav class="tabs row no-print" :aria-label="say('practice.title')">
        <RouterLink
          v-for="name in Object.keys(PARTS)"
          :key="name"
          :to="`/practice/${name}`"
          :class="{ here: name === (part || 'practice') }"
          :aria-current="name === (part || 'practice') ? 'page' : undefined"
          >{{ say(`practice.part.${name}`) }}</RouterLink
        >
      </nav>
    </template>
    <p v-if="!desk.managesAll" class="quiet small">{{ say('practice.limited') }}</p>
    <component :is="shown" v-if="answer" :answer="answer" @changed="reload" />
  </PageFrame>
</template>

<style scoped>
nav {
  border-bottom: 1px solid var(--hair);
}
nav a {
  padding: 6px 0 9px;
  color: var(--ink-2);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  margin-bottom: -1px;
}
nav a.here {
  color: var(--ink);
  font-weight: 680;
  border-color: var(--dew);
}
</style>
