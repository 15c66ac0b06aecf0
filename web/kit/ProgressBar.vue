<script setup lang="ts">
/** How far something is, in parts of the whole where that is known, and the way to stop it where it can be stopped. */
defineProps<{ done?: number; of: number; label: string; stop?: string }>();
const emit = defineEmits<{ stop: [] }>();
</script>

<template>
  <div v-if="stop" class="row middle" role="status">
    <p>{{ label }}</p>
    <progress class="progress find" :value="done" :max="of" :aria-label="label" />
    <VBtn variant="outlined" size="small" @click="emit('stop')">{{ stop }}</VBtn>
  </div>
  <progress v-else class="progress" :value="done" :max="of" :aria-label="label" />
</template>
