<script setup lang="ts">
/** Alarms that are open: first wherever they stand, with whether somebody sees to it. */
import type { AlarmAnswer } from '../../contract/alarms.ts';
import { api } from '../door/door.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

type Shown = Pick<AlarmAnswer, 'id' | 'says' | 'place' | 'placeId' | 'machine' | 'acknowledgedBy' | 'note'> & {
  readonly at: string;
};
defineProps<{ alarms: readonly Shown[]; withPlace?: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const { busy, failure, run } = useSending();

async function seeTo(id: string): Promise<void> {
  if (
    await run(async () => {
      await api('alarm.acknowledge', { id });
    })
  )
    emit('changed');
}
</script>

<template>
  <ul v-if="alarms.length" class="alarms">
    <li v-for="alarm in alarms" :key="alarm.id">
      <p>
        <b>{{ alarm.says }}</b><template v-if="withPlace">
          · <RouterLink :to="`/homes/${alarm.placeId}`">{{ alarm.place }}</RouterLink></template
        >
        · {{ alarm.machine }} <span class="small">{{ say('alarm.since', { at: alarm.at }) }}</span>
      </p>
      <p v-if="alarm.note" class="words">“{{ alarm.note }}”</p>
      <p class="small">
        {{ alarm.acknowledgedBy ? say('alarm.seenTo', { name: alarm.acknowledgedBy }) : say('alarm.nobody') }}
        {{ say('alarm.stopped') }}
        <button
          v-if="!alarm.acknowledgedBy"
          type="button"
          class="plain seeTo"
          :disabled="busy"
          @click="seeTo(alarm.id)"
        >
          {{ say('alarm.seeTo') }}
        </button>
      </p>
      <p v-if="failure" class="tell small" role="alert">{{ failure }}</p>
    </li>
  </ul>
</template>

<style scoped>
.alarms {
  display: grid;
  gap: 8px;
}
.alarms li {
  border-left: 6px solid var(--alarm);
  background: var(--alarm-ground);
  padding: 8px 14px;
  border-radius: 0 6px 6px 0;
  display: grid;
  gap: 2px;
  color: var(--ink);
}
.alarms b {
  color: var(--alarm);
}
.words {
  font-size: 16px;
}
.seeTo {
  color: var(--alarm);
  font-weight: 680;
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 26px;
  margin-left: 6px;
}
</style>
