<script setup lang="ts">
/** What runs out: faults, deficiencies and an inspector's findings by their time, the first at the top. */
import { computed, ref } from 'vue';
import type { ClockItem, ClocksAnswer } from '../../contract/faults/clocks.ts';
import { say } from '../language/say.ts';
import ClockForm from './ClockForm.vue';

const props = defineProps<{ answer: ClocksAnswer; mayChange: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const all = ref(false);
const open = ref<string | null>(null);
const now = Date.now();
const HOUR = 3_600_000;

const urgent = computed(() => props.answer.items.filter(({ urgency }) => urgency !== 'running'));
const shown = computed(() => (all.value ? props.answer.items : urgent.value));
const over = computed(() => urgent.value.filter(({ urgency }) => urgency === 'over').length);

/** How much time is left, or gone beyond, in hours up to two days and in days from then on. */
function left({ correctBy }: ClockItem): string {
  const hours = Math.abs(correctBy - now) / HOUR;
  const amount =
    hours < 48
      ? say('clock.hours', { count: Math.floor(hours) })
      : say('clock.days', { count: Math.floor(hours / 24) });
  return say(correctBy < now ? 'clock.over' : 'clock.left', { amount });
}
const toldOf = ({ told, zone }: ClockItem) =>
  told.map(({ name, at, failed }) =>
    at === null
      ? say('clock.untold', { name, why: failed ?? 'none' })
      : say('clock.told', { name, at: say.time(at, zone) }),
  );
function changed(): void {
  open.value = null;
  emit('changed');
}
</script>

<template>
  <section v-if="answer.items.length" aria-labelledby="runs-out" class="stack close">
    <h2 id="runs-out">
      {{ say('clock.title', { over, soon: urgent.length - over }) }}
    </h2>
    <p v-if="!answer.reachable" class="small quiet">{{ say('clock.unreachable') }}</p>
    <ul v-if="shown.length" class="ruled">
      <li v-for="it in shown" :key="it.id" class="stack tight">
        <p>
          <b :class="{ alarm: it.urgency === 'over' }">{{ left(it) }}</b>
          · {{ it.says }}{{ ' ' }} <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' ' }}
          <span class="quiet small">{{ it.machine }}</span>
        </p>
        <p v-if="it.note && it.kind === 'deficiency'" class="small">
          <q>{{ it.note }}</q>
        </p>
        <p class="small">
          {{ say(`severity.${it.severity}`) }} · {{ say('clock.by', { at: say.time(it.correctBy, it.zone) }) }} ·
          <span :class="{ alarm: it.responsible === null }">{{ it.responsible ?? say('clock.nobody') }}</span>
          <template v-if="it.ruleBy !== null">
            · <span class="alarm">{{ say('clock.beyond', { at: say.time(it.ruleBy, it.zone) }) }}</span></template
          >
          <template v-if="it.inspectionId">
            · <RouterLink :to="`/inspections/${it.inspectionId}`">{{ say('clock.inspection') }}</RouterLink></template
          >
          <template v-if="mayChange">
            ·
            <button
              type="button"
              class="plain link"
              @click="open = open === it.id ? null : it.id"
              :aria-label="`${say('clock.change')} ${it.says}, ${it.place}`"
            >
              {{ say('clock.change') }}
            </button></template
          >
        </p>
        <p v-for="told in toldOf(it)" :key="told" class="small quiet">{{ told }}</p>
        <ClockForm v-if="open === it.id" :item="it" :people="answer.people" @changed="changed" />
      </li>
    </ul>
    <p v-if="answer.items.length > urgent.length" class="small">
      <button type="button" class="plain link" :aria-expanded="all" @click="all = !all">
        {{ say('clock.all', { count: answer.items.length - urgent.length, shown: all ? 'yes' : 'no' }) }}
      </button>
    </p>
  </section>
</template>
