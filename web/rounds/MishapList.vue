<script setup lang="ts">
/** What came between on rounds and nobody has seen to; nothing where there is nothing. */
import { onMounted } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import MishapNote from './MishapNote.vue';

const read = useLoading(() => api('mishaps.list'));
const { value: answer, reload } = read;
onMounted(reload);
</script>

<template>
  <section v-if="answer?.open.length" class="stack close" aria-labelledby="mishaps">
    <h2 id="mishaps">{{ say('mishap.title') }}</h2>
    <ul class="ruled">
      <li v-for="it in answer.open" :key="it.id" class="stack tight">
        <p>
          <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' '
          }}<span class="quiet small">{{ it.person }}</span>
        </p>
        <p v-for="part in it.parts" :key="part.number" class="small">
          <RouterLink :to="`/line/${part.number}`">{{ part.says }}</RouterLink>
        </p>
        <MishapNote :mishap="it" :of="it.place" manages @changed="reload" />
      </li>
    </ul>
  </section>
</template>
