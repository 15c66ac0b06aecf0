<script setup lang="ts">
/** Adding some photos to a form at the desk: each is sent when it is picked, and can be left out again. */
import { photoUrl } from '../api/api.ts';
import { say } from '../language/say.ts';
import PhotoField from './PhotoField.vue';

const MOST = 6;
defineProps<{ label: string }>();
const photoIds = defineModel<string[]>({ required: true });
</script>

<template>
  <div class="stack tight start">
    <div v-if="photoIds.length" class="photos">
      <button
        v-for="(photo, i) in photoIds"
        :key="photo"
        type="button"
        class="plain"
        :aria-label="say('photos.remove', { at: i + 1 })"
        :title="say('photos.remove', { at: i + 1 })"
        @click="photoIds = photoIds.filter((it) => it !== photo)"
      >
        <img :src="photoUrl(photo)" alt="" width="96" />
      </button>
    </div>
    <PhotoField
      v-if="photoIds.length < MOST"
      quiet
      :label="label"
      :model-value="null"
      @update:model-value="$event && (photoIds = [...photoIds, $event])"
    />
  </div>
</template>
