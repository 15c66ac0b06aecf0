<script setup lang="ts">
/**
 * Taking a step's photo: straight from the camera, or chosen. Made small, kept on the phone, and sent as soon as there
 * is a connection.
 */
import { nextTick, ref } from 'vue';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import KeptPhoto from './KeptPhoto.vue';
import Notice from '../kit/Notice.vue';
import FileButton from '../kit/FileButton.vue';

const props = defineProps<{ label: string; job: string }>();
const photoId = defineModel<string | null>({ required: true });
const { busy, failure, run } = useSending();
const group = ref<HTMLElement>();

async function pick(file: File, from: 'camera' | 'gallery'): Promise<void> {
  await run(async () => {
    const [{ shrink }, { keepPhoto, dropPhoto }] = await Promise.all([import('./shrink.ts'), import('./outbox.ts')]);
    const { photo, takenAt } = await shrink(file);
    const id = await keepPhoto(props.job, photo, from, takenAt);
    if (photoId.value) await dropPhoto(photoId.value);
    photoId.value = id;
  });
  // The button that was pressed is another one now; the keyboard stays here.
  await nextTick();
  group.value?.querySelector('input')?.focus();
}
</script>

<template>
  <div ref="group" class="photo stack close" role="group" :aria-label="label">
    <p class="strong">{{ label }}</p>
    <KeptPhoto v-if="photoId" :id="photoId" :alt="label" class="picture" />
    <p v-if="busy" class="quiet" role="status">{{ say('job.photo.sending') }}</p>
    <div v-else class="row close even">
      <FileButton accept="image/jpeg" camera :again="photoId !== null" @picked="pick($event, 'camera')">{{
        say(photoId ? 'job.retake' : 'job.take')
      }}</FileButton>
      <FileButton again @picked="pick($event, 'gallery')">{{ say('job.gallery') }}</FileButton>
    </div>
    <Notice class="small" :says="failure" />
  </div>
</template>
