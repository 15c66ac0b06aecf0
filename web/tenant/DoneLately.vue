<script setup lang="ts">
/** What this person has done lately, and what became of it. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { HomeAnswer } from '../../contract/jobs/jobs.ts';
import { say } from '../language/say.ts';

defineProps<{ done: HomeAnswer['done'] }>();
</script>

<template>
  <section v-if="done.length" class="stack close">
    <h2>{{ say('home.done') }}</h2>
    <ul class="ruled apart">
      <li v-for="it in done" :key="it.id">
        <span
          >{{ it.says }}<br /><span class="quiet small">{{ it.verdict }}</span></span
        ><span class="quiet small last">{{ say.shortDay(dayFromIso(it.day)) }}</span>
      </li>
    </ul>
  </section>
</template>
