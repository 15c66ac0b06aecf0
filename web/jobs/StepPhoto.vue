<script setup lang="ts">
/**
 * Taking a step's photo: straight from the camera, or chosen. Made small, kept on the phone, and sent as soon as there
 * is a line.
 */
import { pickedFile, useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';
import KeptPhoto from '../outbox/KeptPhoto.vue';

const props = defineProps<{ label: string; job: string }>();
const photoId = defineModel<string | null>({ required: true });
const { busy, failure, run } = useSending();

async function pick(event: Event, from: 'camera' | 'gallery'): Promise<void> {
  const file = pickedFile(event);
  if (!file) return;
  await run(async () => {
    const [{ shrink }, { keepPhoto, dropPhoto }] = await Promise.all([
      import('../outbox/shrink.ts'),
      import('../outbox/outbox.ts'),
    ]);
    const { photo, takenAt } = await shrink(file);
    const id = await keepPhoto(props.job, photo, from, takenAt);
    if (photoId.value) await dropPhoto(photoId.value);
    photoId.value = id;
  });
}
</script>

<template>
  <div class="photo" role="group" :aria-label="label">
    <p class="strong">{{ label }}</p>
    <KeptPhoto v-if="photoId" :id="photoId" :alt="label" />
    <p v-if="busy" class="quiet" role="status">{{ say('job.photo.sending') }}</p>
    <div v-else class="ways">
      <label class="take" :class="{ again: photoId }"
        ><input
          type="file"
          accept="image/jpeg"
          capture="environment"
          class="unseen"
          @change="pick($event, 'camera')"
        /><span>{{ say(photoId ? 'job.retake' : 'job.take') }}</span></label
      >
      <label class="take again"
        ><input
          type="file"
          accept="image/jpeg,image/png,image/webp"
          class="unseen"
          @change="pick($event, 'gallery')"
        /><span>{{ say('job.gallery') }}</span></label
      >
    </div>
    <p v-if="failure" class="tell small" role="alert">{{ failure }}</p>
  </div>
</template>

<style scoped>
.photo {
  display: grid;
  gap: 8px;
}
img {
  width: 100%;
  max-height: 220px;
  object-fit: cover;
  border-radius: 8px;
}
.ways {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.take {
  display: inline-flex;
  flex: 1 1 auto;
  justify-content: center;
  align-items: center;
  min-height: 48px;
  padding: 0 16px;
  border: 1.5px solid var(--dew-deep);
  border-radius: 10px;
  color: var(--on-dew);
  background: var(--dew-deep);
  font-weight: 600;
  cursor: pointer;
}
.take.again {
  background: none;
  color: var(--dew-deep);
}
.take:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 2px;
}
</style>
