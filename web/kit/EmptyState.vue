<script setup lang="ts">
/** Nothing here: what that means, and what can be done about it. */
defineProps<{ title: string; why?: string }>();
</script>

<template>
  <div class="empty">
    <h2>{{ title }}</h2>
    <p v-if="why" class="quiet">{{ why }}</p>
    <slot />
  </div>
</template>
