<script setup lang="ts">
/** What comes back: machine by machine, with the evidence, what it comes of, and what may be decided. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { PatternSummary } from '../../contract/faults/patterns.ts';
import type { Decision } from '../../core/faults/remedies.ts';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import ReplacementPrice from './ReplacementPrice.vue';
import PatternTape from './PatternTape.vue';
import { say } from '../language/say.ts';

defineProps<{ patterns: readonly PatternSummary[]; mayDecide: boolean }>();
const emit = defineEmits<{ decided: [id: string]; priced: [] }>();
const { failure, run } = useSending();

const sortOf = ({ sort, inOrder }: PatternSummary) => (sort === 'upkeep' && inOrder ? 'tooLong' : (sort ?? 'unknown'));

async function decide({ machineId, group, replacement }: PatternSummary, decision: Decision): Promise<void> {
  const form = {
    id: newId(),
    machineId,
    group,
    decision,
    note: decision === 'replacement' ? (replacement?.says ?? '') : '',
  };
  if (await run(async () => void (await api('remedy.decide', { form })))) emit('decided', form.id);
}
</script>

<template>
  <p v-if="patterns.length === 0" class="quiet">{{ say('patterns.none') }}</p>
  <Notice class="small" :says="failure" />
  <ul class="ruled">
    <li v-for="it in patterns" :key="`${it.machineId} ${it.symptom}`" class="stack tight">
      <p>
        <b>{{ it.symptom }}</b>{{ ' ' }} <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' ' }}
        <RouterLink class="small" :to="`/m/${it.machineNumber}`">{{ it.machine }}</RouterLink>
      </p>
      <p class="small" :class="{ quiet: it.level === 'watch' }">
        {{ say(`patterns.level.${it.level}`) }}
      </p>
      <p v-if="it.level === 'stated'" class="small strong">{{ say(`patterns.sort.${sortOf(it)}`) }}</p>
      <p class="small lead">{{ it.says.join(' ') }}</p>
      <ReplacementPrice
        v-if="it.replacement"
        :machine-id="it.machineId"
        :of="it.replacement"
        :may-enter="mayDecide"
        @entered="emit('priced')"
      />
      <PatternTape v-if="it.level === 'stated'" :pattern="it" />
      <p v-if="it.level === 'stated' && !it.decisions.length" class="small">{{ say('patterns.watched') }}</p>
      <p v-else-if="it.level === 'stated' && mayDecide" class="row close middle">
        <VBtn
          v-for="(decision, i) in it.decisions"
          :key="decision"
          size="small"
          :variant="i === 0 ? 'flat' : 'outlined'"
          :color="i === 0 ? 'primary' : undefined"
          @click="decide(it, decision)"
          >{{ say(`decision.${decision}`) }}</VBtn
        >
        <RouterLink v-if="it.pointNumber" class="small" :to="`/line/${it.pointNumber}`">{{
          say('decision.point')
        }}</RouterLink>
      </p>
      <details class="small">
        <summary>{{ say('patterns.faults', { count: it.faults.length }) }}</summary>
        <ul class="ruled">
          <li v-for="fault in it.faults" :key="fault.id">
            {{ say.day(dayFromIso(fault.day)) }} · {{ say(`patterns.upkeep.${fault.upkeep}`) }} ·
            <q v-if="fault.found">{{ fault.found }}</q><template v-else>{{ say('patterns.open') }}</template>
          </li>
        </ul>
      </details>
    </li>
  </ul>
</template>
