<script setup lang="ts">
/** What waits for a manager and for nobody else; when nothing does, what is next. */
import { computed, onMounted } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { foremost, isIdle, urgency } from '../strip/marks.ts';
import { useDesk } from '../people/deskStore.ts';
import { useBoard } from './boardStore.ts';

const board = useBoard();
const desk = useDesk();
/** People whose work is past the day by which they were asked to do it. */
const asked = useLoading(() => api('askings.list'));
const late = computed(
  () => asked.value.value?.people.filter(({ askings: [first], today }) => first!.doBy < today).length ?? 0,
);
/** What came between on rounds; the plan of rounds is whole offices'. */
const mishaps = useLoading(async () => (desk.managesAll ? (await api('mishaps.list')).open.length : 0));
/** Contractors whose announced time is over without a report. */
const missed = useLoading(
  async () => (await api('contracts.list')).visits.filter(({ state }) => state === 'missed').length,
);
const waits = computed(() => {
  const { proofs, repairsOver, repairsSoon, nobody } = board.counts;
  const handBacks = board.answer?.waiting.handBacks ?? 0;
  const alarms = board.answer?.waiting.alarms.length ?? 0;
  return [
    { count: alarms, to: '/faults', says: say('waits.alarms', { count: alarms }) },
    {
      count: repairsOver + repairsSoon,
      to: '/faults',
      says: say('line.repairs', { over: repairsOver, soon: repairsSoon }),
    },
    { count: handBacks, to: '/faults', says: say('line.handBacks', { count: handBacks }) },
    { count: proofs, to: '/proof', says: say('line.proofs', { count: proofs }) },
    { count: mishaps.value.value ?? 0, to: '/rounds', says: say('waits.mishaps', { count: mishaps.value.value ?? 0 }) },
    { count: missed.value.value ?? 0, to: '/asked', says: say('waits.missed', { count: missed.value.value ?? 0 }) },
    { count: late.value, to: '/asked', says: say('waits.asked', { count: late.value }) },
    { count: nobody, to: '/line', says: say('waits.nobody', { count: nobody }) },
  ].filter(({ count }) => count > 0);
});
/** The part that comes next of those that nobody has. */
const next = computed(() => {
  const firsts = board.rows.flatMap((row) => {
    const mark = foremost(row.marks.filter(isIdle));
    return mark && mark.state !== 'noRecord' ? [{ row, mark }] : [];
  });
  return firsts.sort((a, b) => urgency(b.mark) - urgency(a.mark))[0];
});
const unknown = computed(() => board.counts.noRecord);
onMounted(() => Promise.all([board.load(), asked.reload(), mishaps.reload(), missed.reload()]));
</script>

<template>
  <section v-if="board.answer" class="stack close" aria-labelledby="waits">
    <h2 id="waits">{{ say('waits.title') }}</h2>
    <ul v-if="waits.length" class="ruled">
      <li v-for="it in waits" :key="it.says">
        <RouterLink :to="it.to">{{ it.says }}</RouterLink>
      </li>
    </ul>
    <p v-else class="quiet">
      {{ say('waits.nothing') }}
      <RouterLink v-if="next" :to="`/line/${next.mark.number}`">{{
        say('waits.next', { part: next.mark.type.name, home: next.row.name, days: next.mark.daysLeft })
      }}</RouterLink>
      <RouterLink v-else-if="unknown" to="/homes/baseline">{{ say('waits.baseline', { count: unknown }) }}</RouterLink>
      <RouterLink v-else-if="!board.rows.length" to="/homes">{{ say('waits.register') }}</RouterLink>
    </p>
  </section>
</template>
