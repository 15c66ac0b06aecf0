<script setup lang="ts">
/**
 * After the alarm: what to do now, and whether anybody knows. Nothing is said to be known before somebody has said so.
 */
import { computed, onBeforeUnmount, onMounted, shallowRef } from 'vue';
import type { AlarmKind } from '../../core/faults/alarms.ts';
import type { AlarmAnswer, EmergencyNumbers } from '../../contract/faults/alarms.ts';
import { say } from '../language/say.ts';
import { hear } from './alarm.ts';

const props = defineProps<{
  id: string;
  kind: AlarmKind;
  answer: AlarmAnswer | null;
  numbers: EmergencyNumbers;
  stillSays: string;
}>();
const emit = defineEmits<{ left: [] }>();
const heard = shallowRef(props.answer);
const LISTEN_MS = 5_000;
const listening = setInterval(() => void listen(), LISTEN_MS);
async function listen(): Promise<void> {
  heard.value = (await hear(props.id)) ?? heard.value;
}
onMounted(listen);
onBeforeUnmount(() => clearInterval(listening));

const calls = computed(() => {
  const { gas, emergency, office } = props.numbers;
  return [...(props.kind === 'gas' ? [['gas', gas]] : []), ['emergency', emergency], ['office', office]].filter(
    ([, number]) => number !== '',
  ) as [string, string][];
});
const state = computed(() => {
  if (heard.value === null) return 'kept';
  if (heard.value.acknowledgedBy) return 'known';
  return heard.value.reachable ? 'calling' : 'nobody';
});
</script>

<template>
  <div class="stack" role="status">
    <h1>{{ say('alarm.told') }}</h1>
    <p class="caution strong">{{ say(`alarm.now.${kind}`) }}</p>
    <p v-if="stillSays" class="small">{{ say('job.still', { still: stillSays }) }}</p>
    <p v-if="state === 'known'" class="told">
      {{
        say('alarm.state.known', { name: heard!.acknowledgedBy!, at: say.time(heard!.acknowledgedAt!, heard!.zone) })
      }}
    </p>
    <p v-else class="tell strong">{{ say(`alarm.state.${state}`, { called: heard?.called ?? 0 }) }}</p>
    <ul v-if="calls.length" class="numbers stack close">
      <li v-for="[who, number] in calls" :key="who">
        <a class="choice" :href="`tel:${number.replace(/[^+\d]/g, '')}`"
          >{{ say(`alarm.call.${who}`) }} <b>{{ number }}</b></a
        >
      </li>
    </ul>
    <p v-else-if="state !== 'known'" class="strong">{{ say('alarm.noNumbers') }}</p>
    <VBtn variant="outlined" size="large" block @click="emit('left')">{{ say('alarm.left') }}</VBtn>
  </div>
</template>

<style scoped>
.numbers a {
  justify-content: space-between;
  border: 2px solid var(--alarm);
  color: var(--alarm);
  text-decoration: none;
  font-size: 18px;
}
</style>
