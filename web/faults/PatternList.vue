<script setup lang="ts">
/** What comes back: machine by machine, with the evidence and each fault of it. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { PatternSummary } from '../../contract/faults/patterns.ts';
import { say } from '../language/say.ts';

defineProps<{ patterns: readonly PatternSummary[] }>();
</script>

<template>
  <p v-if="patterns.length === 0" class="quiet">{{ say('patterns.none') }}</p>
  <ul class="ruled">
    <li v-for="it in patterns" :key="`${it.machineId} ${it.symptom}`" class="stack tight">
      <p>
        <b>{{ it.symptom }}</b>{{ ' ' }} <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' ' }}
        <RouterLink class="small" :to="`/m/${it.machineNumber}`">{{ it.machine }}</RouterLink>
      </p>
      <p class="small" :class="it.level === 'stated' ? 'strong' : 'quiet'">
        {{ say(`patterns.level.${it.level}`) }}
      </p>
      <p class="small">{{ it.says.join(' ') }}</p>
      <details class="small">
        <summary>{{ say('patterns.faults', { count: it.faults.length }) }}</summary>
        <ul class="ruled">
          <li v-for="fault in it.faults" :key="fault.id">
            {{ say.day(dayFromIso(fault.day)) }} · {{ say(`patterns.upkeep.${fault.upkeep}`) }} ·
            {{ fault.found ? `“${fault.found}”` : say('patterns.open') }}
          </li>
        </ul>
      </details>
    </li>
  </ul>
</template>
