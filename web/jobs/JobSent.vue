<script setup lang="ts">
/** The work is at the office: what was noticed of it, and the way to mend that. */
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

defineProps<{
  notes: readonly string[];
  mendable: boolean;
  sending: boolean;
  problem: string;
  home: string;
  homeName: string;
}>();
const emit = defineEmits<{ mend: [] }>();
</script>

<template>
  <div class="stack" role="status">
    <h1>{{ say('job.sent') }}</h1>
    <p class="quiet">{{ say('job.sent.why') }}</p>
    <div v-if="notes.length" class="caution">
      <p class="strong">{{ say('job.sent.notes') }}</p>
      <p v-for="note in notes" :key="note">{{ note }}</p>
    </div>
    <VBtn
      v-if="notes.length && mendable"
      variant="outlined"
      size="large"
      block
      :loading="sending"
      @click="emit('mend')"
      >{{ say('job.mend') }}</VBtn
    >
    <Notice :says="problem" />
    <VBtn color="primary" size="large" block :to="home">{{ homeName }}</VBtn>
  </div>
</template>
