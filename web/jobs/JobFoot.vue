<script setup lang="ts">
/** One large button to go on by; beside it quietly the way back, the alarm, and ways out that are no failure. */
import { ref } from 'vue';
import { say } from '../language/say.ts';
import type { StuckReason } from './stuck.ts';

/** `began`: a step is open, or all are `done` and the whole is looked over. */
defineProps<{ main: string; sending: boolean; began: boolean; done: boolean; home: string }>();
const inTheWay = ref(false);
const emit = defineEmits<{ main: []; back: []; stuck: [StuckReason] }>();
</script>

<template>
  <div class="stack close">
    <VBtn color="primary" size="x-large" block :loading="sending" @click="emit('main')">{{ main }}</VBtn>
    <div class="ways row close">
      <VBtn v-if="began" variant="text" @click="emit('back')">{{ say('back') }}</VBtn>
      <VBtn v-if="!done" variant="text" :aria-expanded="inTheWay" @click="inTheWay = !inTheWay">{{
        say('job.inTheWay')
      }}</VBtn>
      <!-- Whoever is in danger looks for it: it is never a second press away. -->
      <VBtn v-if="!done" variant="text" class="push" color="error" @click="emit('stuck', 'notSafe')">{{
        say('job.notSafe')
      }}</VBtn>
      <VBtn v-else variant="text" :to="home">{{ say('job.later') }}</VBtn>
    </div>
    <div v-if="inTheWay && !done" class="ways row close even" role="group" :aria-label="say('job.inTheWay')">
      <template v-if="began">
        <VBtn variant="outlined" @click="emit('stuck', 'willNotMove')">{{ say('job.wontMove') }}</VBtn>
        <VBtn variant="outlined" @click="emit('stuck', 'partMissing')">{{ say('job.partMissing') }}</VBtn>
      </template>
      <VBtn variant="outlined" @click="emit('stuck', 'away')">{{ say('job.away') }}</VBtn>
      <VBtn variant="outlined" :to="home">{{ say('job.later') }}</VBtn>
    </div>
  </div>
</template>
