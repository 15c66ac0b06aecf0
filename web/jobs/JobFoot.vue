<script setup lang="ts">
/** One large button to go on by, and the ways out, none of which is a failure. */
import { say } from '../language/say.ts';
import type { StuckReason } from './stuck.ts';

/** `began`: a step is open, or all are `done` and the whole is looked over. */
defineProps<{ main: string; sending: boolean; began: boolean; done: boolean; home: string }>();
const emit = defineEmits<{ main: []; back: []; stuck: [StuckReason] }>();
</script>

<template>
  <div class="stack close">
    <VBtn color="primary" size="x-large" block :loading="sending" @click="emit('main')">{{ main }}</VBtn>
    <div class="ways row close even">
      <VBtn v-if="began" variant="outlined" @click="emit('back')">{{ say('back') }}</VBtn>
      <template v-if="!done">
        <VBtn v-if="began" variant="outlined" @click="emit('stuck', 'willNotMove')">{{ say('job.wontMove') }}</VBtn>
        <VBtn variant="outlined" @click="emit('stuck', 'notSafe')">{{ say('job.notSafe') }}</VBtn>
        <VBtn v-if="began" variant="outlined" @click="emit('stuck', 'partMissing')">{{ say('job.partMissing') }}</VBtn>
        <VBtn v-else variant="outlined" @click="emit('stuck', 'away')">{{ say('job.away') }}</VBtn>
      </template>
      <VBtn variant="outlined" :to="home">{{ say('job.later') }}</VBtn>
    </div>
  </div>
</template>
