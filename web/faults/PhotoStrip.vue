<script setup lang="ts">
/** Photos of one thing in a row. */
import { photoUrl } from '../api/api.ts';

defineProps<{ photoIds: readonly string[]; says: string }>();
</script>

<template>
  <div v-if="photoIds.length" class="photos">
    <img v-for="photo in photoIds" :key="photo" :src="photoUrl(photo)" :alt="says" width="110" loading="lazy" />
  </div>
</template>
