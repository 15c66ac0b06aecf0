<script setup lang="ts">
/** What came between at a stop, and what may be done about it: come again when it was proposed, or it was a slip. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { Mishap } from '../../contract/rounds/mishaps.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { clockTime } from '../notices/clockTime.ts';

const props = defineProps<{ mishap: Mishap; of: string; manages?: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const { busy, failure, run } = useSending();
async function act(work: () => Promise<unknown>): Promise<void> {
  if (await run(async () => void (await work()))) emit('changed');
}
const again = () => act(() => api('mishap.again', { id: props.mishap.id, form: props.mishap.again! }));
</script>

<template>
  <p class="small" :class="{ alarm: !mishap.settled }">{{ mishap.says }}</p>
  <Notice class="small" :says="failure" />
  <p v-if="!mishap.settled" class="row small middle no-print">
    <VBtn v-if="mishap.again" size="small" variant="outlined" :loading="busy" @click="again">{{
      say('mishap.again', {
        day: say.day(dayFromIso(mishap.again.day)),
        from: clockTime(mishap.again.from),
        until: clockTime(mishap.again.until),
      })
    }}</VBtn>
    <span v-else-if="mishap.kind !== 'late'" class="quiet">{{ say('mishap.noDay') }}</span>
    <button
      v-if="manages"
      type="button"
      class="plain link"
      :aria-label="`${say('mishap.settle')}: ${of}`"
      @click="act(() => api('mishap.settle', { id: mishap.id }))"
    >
      {{ say('mishap.settle') }}
    </button>
    <button
      v-else-if="mishap.mayUndo"
      type="button"
      class="plain link"
      :aria-label="`${say('mishap.undo')}: ${of}`"
      @click="act(() => api('mishap.takeBack', { id: mishap.id }))"
    >
      {{ say('mishap.undo') }}
    </button>
  </p>
</template>
