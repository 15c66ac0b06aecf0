<script setup lang="ts">
/** How long whoever lives there takes to do what they are asked for, and by when they are to be asked. */
import { computed } from 'vue';
import type { Answering } from '../../contract/notices/answering.ts';
import { lineOfMark } from '../../contract/due/due.ts';
import type { MarkDates } from '../../contract/register/machines.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ answering: Answering; mark: MarkDates; today: number }>();
/** The last day on which asking meets the line in four cases of five. */
const askBy = computed(() => {
  const { lineDay, servedDay } = lineOfMark(props.mark);
  const { lead } = props.answering;
  return servedDay === null || lead === null || lineDay < props.today ? null : lineDay - lead;
});
const usually = computed(() => {
  const { name, asked, done, usual } = props.answering;
  return asked === 0
    ? say('answering.unknown', { name })
    : say('answering.usual', { name, asked, done, days: usual ?? 'none' });
});
</script>

<template>
  <div class="small stack tight">
    <p v-if="answering.silent" class="strong">{{ say('answering.silent', answering) }}</p>
    <template v-else>
      <p v-if="askBy !== null && answering.lead !== null" :class="{ strong: askBy <= today }">
        {{
          say(askBy < today ? 'answering.late' : 'answering.by', {
            name: answering.name,
            day: say.shortDay(askBy),
            days: answering.lead,
          })
        }}
      </p>
      <p class="quiet">{{ usually }}</p>
    </template>
    <details class="quiet">
      <summary>{{ say('answering.how') }}</summary>
      <p>{{ say('answering.how.why') }}</p>
    </details>
  </div>
</template>
