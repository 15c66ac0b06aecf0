<script setup lang="ts">
/** What several machines share: a sentence each, and which they are. */
import type { SharedAnswer } from '../../contract/faults/shared.ts';
import { say } from '../language/say.ts';

defineProps<{ answer: SharedAnswer }>();
</script>

<template>
  <p v-if="!answer.shared.length" class="quiet">{{ say('shared.none', answer) }}</p>
  <template v-else>
    <p class="quiet small lead">{{ say('shared.lead') }}</p>
    <ul class="ruled">
      <li v-for="it in answer.shared" :key="`${it.by} ${it.what} ${it.group}`" class="stack tight">
        <p>
          <b>{{ it.symptom }}</b>
        </p>
        <p class="small lead">{{ it.says }}</p>
        <details class="small">
          <summary>{{ say('shared.homes') }}</summary>
          <ul class="ruled tight">
            <li v-for="machine in it.machines" :key="machine.number">
              <RouterLink :to="`/homes/${machine.placeId}`">{{ machine.place }}</RouterLink> ·
              <RouterLink :to="`/m/${machine.number}`">{{ machine.machine }}</RouterLink>
            </li>
          </ul>
        </details>
      </li>
    </ul>
  </template>
</template>
