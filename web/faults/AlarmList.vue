<script setup lang="ts">
/** Alarms that are open: first wherever they stand, with whether somebody sees to it. */
import type { AlarmAnswer } from '../../contract/faults/alarms.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

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
  <ul v-if="alarms.length" class="stack close">
    <li v-for="alarm in alarms" :key="alarm.id" class="caution">
      <p>
        <b class="alarm">{{ alarm.says }}</b><template v-if="withPlace">
          · <RouterLink :to="`/homes/${alarm.placeId}`">{{ alarm.place }}</RouterLink></template
        >
        · {{ alarm.machine }} <span class="small">{{ say('alarm.since', { at: alarm.at }) }}</span>
      </p>
      <p v-if="alarm.note">
        <q>{{ alarm.note }}</q>
      </p>
      <p class="small">
        {{ alarm.acknowledgedBy ? say('alarm.seenTo', { name: alarm.acknowledgedBy }) : say('alarm.nobody') }}
        {{ say('alarm.stopped') }}
        <button
          v-if="!alarm.acknowledgedBy"
          type="button"
          class="plain link strong alarm"
          :disabled="busy"
          @click="seeTo(alarm.id)"
        >
          {{ say('alarm.seeTo') }}
        </button>
      </p>
      <Notice class="small" :says="failure" />
    </li>
  </ul>
</template>
