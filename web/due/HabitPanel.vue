<script setup lang="ts">
/** The habits of a household as the office sees them, and the spot-check at a visit. */
import { ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { HabitSummary } from '../../contract/due/habits.ts';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

defineProps<{ habits: readonly HabitSummary[]; let: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const open = ref<string | null>(null);
const { failure, run, busy } = useSending();

async function check({ machineId, habit }: HabitSummary, kept: 'kept' | 'lapsed'): Promise<void> {
  const id = newId();
  if (
    !(await run(async () => {
      await api('habits.check', { form: { id, machineId, habit, kept, note: '' }, once: id });
    }))
  )
    return;
  open.value = null;
  emit('changed');
}
const key = ({ machineId, habit }: HabitSummary) => `${machineId} ${habit}`;
</script>

<template>
  <ul class="ruled small">
    <li v-for="it in habits" :key="key(it)" class="stack tight">
      <p>
        <b>{{ it.says }}</b> <span class="quiet">{{ it.machine }}</span>
      </p>
      <p class="quiet">
        {{
          it.attested
            ? say('habits.asked', { kept: String(it.attested.kept), day: say.shortDay(dayFromIso(it.attested.day)) })
            : say('habits.never')
        }}<template v-if="it.due"> · {{ say('habits.due') }}</template>
        <template v-if="it.checked">
          ·
          {{
            say('habits.checked', {
              kept: String(it.checked.kept),
              by: it.checked.by,
              day: say.shortDay(dayFromIso(it.checked.day)),
            })
          }}</template
        >
        <b v-if="it.lapses" class="alarm"> · {{ say('habits.lapses', { count: it.lapses }) }}</b>
      </p>
      <p v-if="let" class="row close">
        <button v-if="open !== key(it)" type="button" class="plain link" @click="open = key(it)">
          {{ say('habits.check') }}
        </button>
        <template v-else
          ><VBtn size="small" variant="outlined" :loading="busy" @click="check(it, 'kept')">{{
            say('habits.seen.kept')
          }}</VBtn
          ><VBtn size="small" variant="outlined" :loading="busy" @click="check(it, 'lapsed')">{{
            say('habits.seen.lapsed')
          }}</VBtn></template
        >
      </p>
    </li>
  </ul>
  <Notice class="small" :says="failure" />
</template>
