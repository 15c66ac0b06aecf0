<script setup lang="ts">
/** Visits with how far they are, and what may be done about each. */
import { ref } from 'vue';
import type { VisitsAnswer, VisitSummary } from '../../contract/notices/visits.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import VisitForm from './VisitForm.vue';

defineProps<{
  visits: readonly VisitSummary[];
  answer: VisitsAnswer;
  /** Whoever looks may move and settle them. */
  manages: boolean;
  withPlace?: boolean;
}>();
const emit = defineEmits<{ changed: [] }>();
const { failure, run } = useSending();
const moving = ref<string | null>(null);
const sure = ref<string | null>(null);

async function act(work: () => Promise<unknown>): Promise<void> {
  if (!(await run(async () => void (await work())))) return;
  moving.value = null;
  sure.value = null;
  emit('changed');
}
const settle = (id: string, settles: 'accept' | 'keep') => act(() => api('visit.settle', { id, form: { settles } }));
const callOff = (id: string) => {
  if (sure.value === id) return act(() => api('visit.off', { id }));
  sure.value = id;
};
const isOpen = ({ state, day, today }: VisitSummary) => state === 'announced' && day >= today;
const line = ({ day, from, until, person }: VisitSummary) =>
  say('visits.line', { day: say.day(day), from: say.clockTime(from), until: say.clockTime(until), who: person });
</script>

<template>
  <Notice class="small" :says="failure" />
  <ul class="ruled">
    <li v-for="it in visits" :key="it.id" class="stack tight">
      <p>
        <b>{{ line(it) }}</b><template v-if="withPlace"
          ><br /><RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink> ({{ it.tenant }})</template
        ><br /><span class="small">{{ it.purpose }}</span>
      </p>
      <p class="small" :class="{ alarm: isOpen(it) && !it.lawful }">{{ it.says }}</p>
      <p v-if="it.gone && isOpen(it)" class="small alarm">{{ say('visits.gone', { who: it.person }) }}</p>
      <p v-if="it.note" class="small">
        <q>{{ it.note }}</q>
      </p>
      <template v-if="it.answer === 'another' && it.other && isOpen(it)">
        <p class="small strong">
          {{
            say('visits.askedFor', {
              day: say.day(it.other.day),
              from: say.clockTime(it.other.from),
              until: say.clockTime(it.other.until),
            })
          }}
        </p>
        <p v-if="manages" class="row close no-print">
          <VBtn size="small" color="primary" @click="settle(it.id, 'accept')">{{ say('visits.accept') }}</VBtn><VBtn
            size="small"
            variant="outlined"
            @click="settle(it.id, 'keep')"
            >{{ say('visits.keep') }}</VBtn
          >
        </p>
      </template>
      <p v-if="isOpen(it)" class="row small no-print">
        <a :href="`/api/visits/${it.id}/notice`" target="_blank" rel="noopener">{{ say('visits.paper') }}</a>
        <button
          v-if="!it.delivered"
          type="button"
          class="plain link"
          @click="act(() => api('visit.delivered', { id: it.id }))"
        >
          {{ say('visits.handed') }}
        </button>
        <template v-if="manages && !withPlace"
          ><button type="button" class="plain link" @click="moving = moving === it.id ? null : it.id">
            {{ say('visits.move') }}</button
          ><button type="button" class="plain link" @click="callOff(it.id)">
            {{ say(sure === it.id ? 'visits.offSure' : 'visits.off') }}
          </button></template
        >
      </p>
      <VisitForm
        v-if="moving === it.id"
        :place-id="it.placeId"
        :today="it.today"
        :answer="answer"
        :visit="it"
        @saved="act(async () => undefined)"
        @cancelled="moving = null"
      />
    </li>
  </ul>
</template>
