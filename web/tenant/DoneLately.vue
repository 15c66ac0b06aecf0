<script setup lang="ts">
/** What this person has done lately, and what became of it. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { HomeAnswer } from '../../contract/jobs.ts';
import { say } from '../language/say.ts';

defineProps<{ done: HomeAnswer['done'] }>();
</script>

<template>
  <section v-if="done.length" class="done">
    <h2>{{ say('home.done') }}</h2>
    <ul>
      <li v-for="it in done" :key="it.id">
        <span
          >{{ it.says }}<br /><span class="quiet small">{{ it.verdict }}</span></span
        ><span class="quiet small">{{ say.shortDay(dayFromIso(it.day)) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.done {
  display: grid;
  gap: 10px;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-top: 1px solid var(--hair);
  padding: 9px 0;
}
li .small {
  white-space: nowrap;
}
</style>
