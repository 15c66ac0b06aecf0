<script setup lang="ts">
/** What a label opens for the office: the machine, and what was read at it over time. */
import { say } from '../language/say.ts';
import MachineView from './MachineView.vue';
import ReadingLine from '../catalogue/ReadingLine.vue';

defineProps<{ number: string }>();
</script>

<template>
  <MachineView :number="number" place-link>
    <template #office="{ machine }">
      <RouterLink :to="`/machines/${machine.id}/tape`">{{ say('tape.open') }}</RouterLink>
      <section v-if="machine.series.length" class="stack close">
        <h2>{{ say('label.readings') }}</h2>
        <ReadingLine v-for="series in machine.series" :key="series.name" :series="series" />
      </section>
    </template>
  </MachineView>
</template>
