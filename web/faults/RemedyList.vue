<script setup lang="ts">
/** Remedies: what was decided, what came before and after it, and whether it held. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { RemedySummary } from '../../contract/faults/patterns.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

defineProps<{
  remedies: readonly RemedySummary[];
  /** Decided just now. */
  latest: string | null;
  mayDecide: boolean;
}>();
const emit = defineEmits<{ changed: [] }>();
const { failure, run } = useSending();

async function withdraw(id: string): Promise<void> {
  if (await run(async () => void (await api('remedy.withdraw', { id })))) emit('changed');
}
</script>

<template>
  <Notice class="small" :says="failure" />
  <ul class="ruled">
    <li v-for="it in remedies" :key="it.id" class="stack tight">
      <p>
        <b>{{ say(`remedy.verdict.${it.verdict}`) }}</b>: {{ it.symptom }}, {{ it.place }}{{ ' ' }}
        <RouterLink class="small" :to="`/m/${it.machineNumber}`">{{ it.machine }}</RouterLink>
      </p>
      <p class="quiet small">
        {{
          say('remedy.decided', {
            decision: say(`decision.${it.decision}`),
            by: it.by,
            day: say.day(dayFromIso(it.day)),
          })
        }}
      </p>
      <p class="small">{{ it.says.join(' ') }}</p>
      <Notice v-if="latest === it.id" done class="small">
        {{ say('patterns.decided') }}
        <button v-if="mayDecide" type="button" class="plain link" @click="withdraw(it.id)">
          {{ say('decision.none') }}
        </button>
      </Notice>
    </li>
  </ul>
</template>
