<script setup lang="ts">
/** Contractors who come by contract: who was missed, who is to be asked, who comes; what is far from its line is counted. */
import { computed, onMounted, ref } from 'vue';
import type { ContractVisit } from '../../contract/notices/contracts.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import MessageList from './MessageList.vue';

const read = useLoading(async () => (await api('contracts.list')).visits);
const { failure, busy, run } = useSending();
const done = ref('');
const all = ref(false);
const visits = computed(() => read.value.value ?? []);
/** Near their line, or in somebody's hands. */
const pressing = computed(() => visits.value.filter(({ near, state }) => near || state !== 'open'));
const listed = computed(() => (all.value ? visits.value : pressing.value));
const far = computed(() => visits.value.length - listed.value.length);

const isLate = ({ state, lineDay, today }: ContractVisit) =>
  state === 'missed' || (state === 'open' && lineDay !== null && lineDay < today);
const words = ({ state, lineDay, lastDay, today, askedDay, visit, contractor, everyMonths }: ContractVisit) =>
  say('contracts.says', {
    state,
    who: contractor || 'none',
    months: everyMonths,
    left: lineDay === null ? 0 : Math.abs(lineDay - today),
    past: String(lineDay !== null && lineDay < today),
    last: lastDay === null ? 'none' : say.shortDay(lastDay),
    asked: askedDay === null ? 'none' : say.shortDay(askedDay),
    day: visit ? say.shortDay(visit.day) : 'none',
    from: visit ? say.clockTime(visit.from) : '',
    until: visit ? say.clockTime(visit.until) : '',
  });
async function remind({ jobId, contractor }: ContractVisit): Promise<void> {
  done.value = '';
  if (!(await run(async () => void (await api('contract.remind', { id: jobId! }))))) return;
  await read.reload();
  done.value = say('contracts.reminded', { name: contractor });
}
onMounted(read.reload);
</script>

<template>
  <section v-if="visits.length" class="stack close" aria-labelledby="contracts">
    <h2 id="contracts">{{ say('contracts.title') }}</h2>
    <Notice :says="failure" />
    <Notice done :says="done" />
    <ul v-if="listed.length" class="ruled">
      <li v-for="it in listed" :key="it.number" class="stack tight">
        <div class="row apart">
          <span
            ><RouterLink :to="`/line/${it.number}`">{{ it.machine }}</RouterLink
            >{{ ' ' }}<RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink></span
          >
          <span class="row close no-print">
            <VBtn
              v-if="it.mayRemind"
              size="small"
              variant="outlined"
              :disabled="busy"
              :aria-label="`${say('contracts.remind')}: ${it.machine}, ${it.place}`"
              @click="remind(it)"
              >{{ say('contracts.remind') }}</VBtn
            >
            <RouterLink
              class="small"
              :to="`/line/${it.number}`"
              :aria-label="`${say(`contracts.act.${it.state}`)}: ${it.machine}, ${it.place}`"
              >{{ say(`contracts.act.${it.state}`) }}</RouterLink
            >
          </span>
        </div>
        <p class="small" :class="{ alarm: isLate(it), strong: isLate(it) }">{{ words(it) }}</p>
        <MessageList v-if="it.messages.length" :messages="it.messages" />
      </li>
    </ul>
    <p v-if="far && !all" class="small quiet">
      {{ say('contracts.far', { count: far }) }}
      <button type="button" class="plain link" @click="all = true">{{ say('contracts.all') }}</button>
    </p>
  </section>
</template>
