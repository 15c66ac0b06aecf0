<script setup lang="ts">
/** Tables that were taken in before, each with its way back while nothing has happened to what it made. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { ImportSummary } from '../../contract/register/bulk.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';

defineProps<{ imports: readonly ImportSummary[] }>();
const emit = defineEmits<{ undo: [id: string] }>();
const dayOf = (at: number) => say.day(dayOfInstant(at, deviceZone()));
</script>

<template>
  <details v-if="imports.length">
    <summary>{{ say('import.earlier', { count: imports.length }) }}</summary>
    <ul class="ruled">
      <li v-for="it in imports" :key="it.id" class="row apart">
        <span
          >{{ say('import.made', { units: it.units, machines: it.machines, changes: it.changes }) }}
          <span class="quiet small">{{ say('import.by', { day: dayOf(it.at), by: it.by }) }}</span></span
        >
        <span v-if="it.undone" class="quiet small">{{ say('import.isUndone') }}</span>
        <button v-else type="button" class="plain link small" @click="emit('undo', it.id)">
          {{ say('import.undo') }}
        </button>
      </li>
    </ul>
  </details>
</template>
