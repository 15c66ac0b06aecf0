<script setup lang="ts">
/** When somebody is busy elsewhere: a calendar file is read on the device, looked at, and its times alone are kept. */
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { BUSY_DAYS, MOST_BUSY } from '../../contract/rounds/busy.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import type { BusyAsk, BusyTold } from './busyWorker.ts';

const props = defineProps<{ personId: string }>();
const { value: known, reload } = useLoading(() => api('person.busyTimes', { id: props.personId }));
const { busy, failure, run } = useSending();
const found = ref<Extract<BusyTold, { told: 'times' }> | null>(null);
const trouble = ref('');
const reading = ref(false);
let worker: Worker | null = null;

function read(event: Event): void {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (!file || !known.value) return;
  [found.value, trouble.value, reading.value] = [null, '', true];
  const from = dayFromIso(known.value.today);
  worker?.terminate();
  worker = new Worker(new URL('./busyWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<BusyTold>) => {
    reading.value = false;
    if (data.told === 'times') found.value = data;
    else trouble.value = say(`busy.${data.told}`);
  };
  worker.onerror = () => {
    [reading.value, trouble.value] = [false, say('busy.noCalendar')];
  };
  const ask: BusyAsk = { file, span: { zone: known.value.zone, from, until: from + BUSY_DAYS } };
  worker.postMessage(ask);
}
async function keep(times: readonly { day: number; from: number; until: number }[]): Promise<void> {
  const form = { times: times.slice(0, MOST_BUSY).map((it) => ({ ...it, day: isoFromDay(it.day) })) };
  const kept = await run(
    async () => void (await api('person.busyTimesChange', { id: props.personId, form, once: newId() })),
  );
  if (!kept) return;
  found.value = null;
  await reload();
}
onMounted(reload);
onBeforeUnmount(() => worker?.terminate());
</script>

<template>
  <section v-if="known" class="stack close">
    <h3>{{ say('busy.title') }}</h3>
    <p class="small">
      {{
        known.until
          ? say('busy.known', { days: known.days, hours: known.hours, until: say.day(dayFromIso(known.until)) })
          : say('busy.none')
      }}
    </p>
    <p class="quiet small">{{ say('busy.why') }}</p>
    <template v-if="found">
      <p class="small" role="status">
        {{ say('busy.found', { times: Math.min(found.times.length, MOST_BUSY), events: found.events }) }}
        <span v-if="found.cut || found.times.length > MOST_BUSY" class="alarm">{{ say('busy.cut') }}</span>
      </p>
      <p v-if="found.unread.length" class="alarm small">
        {{
          say('busy.unread', {
            count: found.unread.length,
            lines: say.list(found.unread.slice(0, 5).map((it) => String(it))),
          })
        }}
      </p>
    </template>
    <Notice class="small" :says="trouble || failure" />
    <p class="row close middle no-print">
      <VBtn v-if="found" color="primary" :loading="busy" @click="keep(found.times)">{{ say('busy.keep') }}</VBtn>
      <label class="small"
        >{{ say(reading ? 'busy.reading' : 'busy.file') }}
        <input type="file" accept=".ics,text/calendar" @change="read"
      /></label>
      <button v-if="known.until && !found" type="button" class="plain link small" @click="keep([])">
        {{ say('busy.clear') }}
      </button>
    </p>
  </section>
</template>
