<script setup lang="ts">
/** Every condition found, with who found it, what it weighs, and the speed believed after it. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { WorkingAnswer } from '../../contract/due/due.ts';
import { say } from '../language/say.ts';

defineProps<{ conditions: WorkingAnswer['conditions'] }>();
</script>

<template>
  <p v-if="conditions.length === 0" class="quiet small">{{ say('working.found.none') }}</p>
  <div v-else class="sideways">
    <table class="table">
      <thead>
        <tr>
          <th v-for="column in ['day', 'what', 'by', 'loads', 'weight', 'after']" :key="column" scope="col">
            {{ say(`working.found.${column}`) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(it, i) in conditions" :key="i">
          <td>{{ say.shortDay(dayFromIso(it.day)) }} {{ it.day.slice(0, 4) }}</td>
          <td>
            <b>{{ it.says }}</b> <small class="quiet">{{ say(`working.found.${it.kind}`) }}</small><small
              v-if="!it.confirmed"
              class="block quiet"
              >{{ say('working.found.unconfirmed') }}</small
            >
          </td>
          <td>{{ it.by }}</td>
          <template v-if="it.loads !== null"
            ><td>{{ it.loads.toFixed(2) }}</td>
            <td>{{ it.weight.toFixed(2) }}</td>
            <td>× {{ it.speedAfter?.toFixed(2) }}</td></template
          >
          <td v-else colspan="3" class="quiet">{{ say('working.found.teaches') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
