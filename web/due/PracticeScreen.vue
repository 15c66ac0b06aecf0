<script setup lang="ts">
/** The practice page and its parts, each with an address of its own. */
import { computed, onMounted } from 'vue';
import { api } from '../door/door.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';
import AssumptionsPart from './AssumptionsPart.vue';
import CalendarPart from './CalendarPart.vue';
import MethodsPart from './MethodsPart.vue';
import PracticePart from './PracticePart.vue';
import PricesPart from './PricesPart.vue';

const props = defineProps<{ part: string }>();
const PARTS = {
  practice: PracticePart,
  methods: MethodsPart,
  calendar: CalendarPart,
  assumptions: AssumptionsPart,
  prices: PricesPart,
} as const;
const shown = computed(() => PARTS[props.part as keyof typeof PARTS] ?? PracticePart);
const { value: answer, failure, reload } = useLoading(() => api('practice.read'));
onMounted(reload);
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ say('practice.title') }}</h1>
      <nav class="no-print" :aria-label="say('practice.title')">
        <RouterLink
          v-for="name in Object.keys(PARTS)"
          :key="name"
          :to="`/practice/${name}`"
          :class="{ here: name === (part || 'practice') }"
          :aria-current="name === (part || 'practice') ? 'page' : undefined"
          >{{ say(`practice.part.${name}`) }}</RouterLink
        >
      </nav>
    </header>
    <p v-if="failure" class="tell" role="alert">
      {{ failure }} <button type="button" class="plain strong" @click="reload">{{ say('again') }}</button>
    </p>
    <component :is="shown" v-if="answer" :answer="answer" @changed="reload" />
    <p v-else-if="!failure" class="quiet">{{ say('loading') }}</p>
  </div>
</template>

<style scoped>
.page {
  padding: 22px 26px;
  max-width: 1120px;
  display: grid;
  gap: 18px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 10px 28px;
  flex-wrap: wrap;
  border-bottom: 1px solid var(--hair);
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
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
@media (max-width: 720px) {
  .page {
    padding: 14px;
  }
}
</style>
