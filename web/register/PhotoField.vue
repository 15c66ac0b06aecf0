<script setup lang="ts">
/** Adding one photo outside a job. Phones are asked for JPEG. */
import { photoUrl, sendPhoto } from '../door/door.ts';
import { shrink } from '../outbox/shrink.ts';
import { pickedFile, useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

defineProps<{ label: string; hint?: string; quiet?: boolean; camera?: boolean }>();
const photoId = defineModel<string | null>({ required: true });
const { busy, failure, run } = useSending();

async function pick(event: Event): Promise<void> {
  const file = pickedFile(event);
  if (!file) return;
  await run(async () => {
    const { photo, takenAt } = await shrink(file);
    photoId.value = await sendPhoto(photo, 'unknown', takenAt);
  });
}
</script>

<template>
  <div class="photo">
    <label class="pick" :class="{ quiet }"
      ><input
        type="file"
        accept="image/jpeg,image/png,image/webp"
        class="unseen"
        :capture="camera ? 'environment' : undefined"
        @change="pick"
      /><span>{{ busy ? say('job.photo.sending') : label }}</span></label
    >
    <span v-if="hint" class="quiet small">{{ hint }}</span>
    <img v-if="photoId && !camera" :src="photoUrl(photoId)" alt="" width="96" />
    <p v-if="failure" class="alarm small" role="alert">{{ failure }}</p>
  </div>
</template>

<style scoped>
.photo {
  display: grid;
  gap: 4px;
  justify-items: start;
}
.pick {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 16px;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  font-weight: 600;
  cursor: pointer;
  color: var(--dew-deep);
}
.pick.quiet {
  min-height: 26px;
  padding: 0;
  border: 0;
  border-radius: 0;
  font-weight: 400;
  text-decoration: underline;
  text-underline-offset: 3px;
  color: var(--dew-deep);
}
.pick:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 2px;
}
img {
  border-radius: 6px;
}
</style>
