<script setup lang="ts">
/** Adding one photo outside a job. Phones are asked for JPEG. */
import { photoUrl, sendPhoto } from '../api/api.ts';
import { shrink } from './shrink.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import FileButton from '../kit/FileButton.vue';

defineProps<{ label: string; hint?: string; quiet?: boolean; camera?: boolean }>();
const photoId = defineModel<string | null>({ required: true });
const { busy, failure, run } = useSending();

async function pick(file: File): Promise<void> {
  await run(async () => {
    const { photo, takenAt } = await shrink(file);
    photoId.value = await sendPhoto(photo, 'unknown', takenAt);
  });
}
</script>

<template>
  <div class="photo stack tight start">
    <FileButton again :quiet="quiet" :camera="camera" @picked="pick">{{
      busy ? say('job.photo.sending') : label
    }}</FileButton>
    <span v-if="hint" class="quiet small">{{ hint }}</span>
    <img class="thumb" v-if="photoId && !camera" :src="photoUrl(photoId)" alt="" width="96" />
    <p v-if="failure" class="alarm small" role="alert">{{ failure }}</p>
  </div>
</template>
