<script setup lang="ts">
/** Where a part is: its photo where somebody took one; else a way to take it, once, and to say that there is none. */
import { ref } from 'vue';
import { photoUrl } from '../api/api.ts';
import { say } from '../language/say.ts';
import StepPhoto from '../outbox/StepPhoto.vue';

defineProps<{ job: string; known: string | null }>();
const photo = defineModel<string | null>({ required: true });
const emit = defineEmits<{ none: [] }>();
const showing = ref(photo.value !== null);
</script>

<template>
  <figure v-if="known">
    <img class="picture" :src="photoUrl(known)" :alt="say('job.where')" />
    <figcaption class="small quiet">{{ say('job.where') }}</figcaption>
  </figure>
  <StepPhoto v-else-if="showing" v-model="photo" :label="say('job.where.take')" :job="job" />
  <button v-else type="button" class="plain link" @click="showing = true">{{ say('job.where.show') }}</button>
  <button type="button" class="plain link" @click="emit('none')">{{ say('job.none') }}</button>
</template>
