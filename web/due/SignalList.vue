<script setup lang="ts">
/** Signals: those that wait, those set aside with their day of looking again, those answered lately. */
import { reactive, ref } from 'vue';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { dismissSignal, type SignalSummary } from '../../contract/due/signals.ts';
import { useDesk } from '../people/deskStore.ts';
import { api, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const RECHECK_DAYS = 14;
defineProps<{ signals: readonly SignalSummary[]; withPlace?: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const desk = useDesk();
const open = ref<string | null>(null);
const entry = reactive({ reason: '', recheck: '' });
const { errors, problem, busy, submit } = useForm(dismissSignal);

function begin({ id, today }: SignalSummary): void {
  open.value = open.value === id ? null : id;
  Object.assign(entry, { reason: '', recheck: isoFromDay(dayFromIso(today) + RECHECK_DAYS) });
}
async function dismiss(id: string): Promise<void> {
  if (!(await submit(entry, (form) => api('signal.dismiss', { id, form })))) return;
  open.value = null;
  emit('changed');
}
</script>

<template>
  <p v-if="signals.length === 0" class="quiet small">{{ say('signals.none') }}</p>
  <ul class="signals ruled">
    <li v-for="it in signals" :key="it.id" class="stack tight" :class="{ quiet: it.state !== 'open' }">
      <p>
        <b>{{ it.says }}</b> <RouterLink v-if="withPlace" :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{
          ' '
        }}
        <span class="quiet small">{{ it.machine }}</span>
      </p>
      <p v-if="it.note" class="small">“{{ it.note }}”</p>
      <p class="quiet small">
        {{ it.by }}, {{ say.time(it.at, it.zone)
        }}<template v-if="it.times > 1"> · {{ say('signals.again', { times: it.times }) }}</template
        ><template v-if="it.state === 'answered'"> · ✓ {{ it.stateSays }}</template>
      </p>
      <p v-for="report in it.reports" :key="report.at" class="quiet small">
        {{ report.by }}, {{ say.time(report.at, it.zone) }}<template v-if="report.note">: “{{ report.note }}”</template>
      </p>
      <div v-if="it.photoIds.length" class="photos">
        <img
          v-for="photo in it.photoIds"
          :key="photo"
          :src="photoUrl(photo)"
          :alt="it.says"
          width="110"
          loading="lazy"
        />
      </div>
      <p v-if="it.state === 'dismissed'" class="small">
        {{ say('signals.back', { day: say.day(dayFromIso(it.recheck!)), reason: it.reason ?? '' }) }}
      </p>
      <p v-if="it.state !== 'answered'" class="row">
        <RouterLink v-if="desk.isManager" class="small" :to="`/line/${it.pointNumber}`">{{
          say('faults.point')
        }}</RouterLink>
        <button
          v-if="desk.isManager"
          type="button"
          class="plain link small"
          @click="begin(it)"
          :aria-label="`${say('signals.dismiss')} ${it.says}, ${it.place}`"
        >
          {{ say('signals.dismiss') }}
        </button>
      </p>
      <form class="stack close start" v-if="open === it.id" @submit.prevent="dismiss(it.id)">
        <VTextarea
          v-model="entry.reason"
          :label="say('signals.reason')"
          rows="1"
          :error-messages="errors.reason"
          v-focus-first
        />
        <VTextField
          v-model="entry.recheck"
          type="date"
          :label="say('signals.recheck')"
          :error-messages="errors.recheck"
        />
        <Notice class="small" :says="problem" />
        <VBtn type="submit" color="primary" :loading="busy">{{ say('signals.dismissNow') }}</VBtn>
      </form>
    </li>
  </ul>
</template>
