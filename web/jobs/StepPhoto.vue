<script setup lang="ts">
/** Taking a step's photo: straight from the camera, or chosen. Sent at once, so that nothing waits at the end. */
import { photoUrl, sendPhoto } from '../door/door.ts';
import { pickedFile, useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

defineProps<{ label: string }>();
const photoId = defineModel<string | null>({ required: true });
const { busy, failure, run } = useSending();

async function pick(event: Event, source: 'camera' | 'gallery'): Promise<void> {
  const file = pickedFile(event);
  if (file) await run(async () => { photoId.value = await sendPhoto(file, source); });
}
</script>

<template>
  <div class="photo" role="group" :aria-label="label">
    <p class="strong">{{ label }}</p>
    <img v-if="photoId" :src="photoUrl(photoId)" :alt="label">
    <p v-if="busy" class="quiet" role="status">{{ say('job.photo.sending') }}</p>
    <div v-else class="ways">
      <label class="take" :class="{ again: photoId }"><input type="file" accept="image/jpeg" capture="environment" class="unseen" @change="pick($event, 'camera')"><span>{{ say(photoId ? 'job.retake' : 'job.take') }}</span></label>
      <label class="take again"><input type="file" accept="image/jpeg,image/png,image/webp" class="unseen" @change="pick($event, 'gallery')"><span>{{ say('job.gallery') }}</span></label>
    </div>
    <p v-if="failure" class="tell small" role="alert">{{ failure }}</p>
  </div>
</template>

<style scoped>
.photo { display: grid; gap: 8px; }
img { width: 100%; max-height: 220px; object-fit: cover; border-radius: 8px; }
.ways { display: flex; gap: 8px; flex-wrap: wrap; }
.take { display: inline-flex; flex: 1 1 auto; justify-content: center; align-items: center; min-height: 48px; padding: 0 16px; border: 1.5px solid var(--dew-deep); border-radius: 10px; color: var(--on-dew); background: var(--dew-deep); font-weight: 600; cursor: pointer; }
.take.again { background: none; color: var(--dew-deep); }
.take:focus-within { outline: 3px solid var(--dew); outline-offset: 2px; }
</style>
