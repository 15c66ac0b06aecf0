<script setup lang="ts">
/** What a person must hear at once: what went wrong (said as an alert), or with `done` what was done (as a status). */
defineProps<{ says?: string | null | undefined; done?: boolean }>();
</script>

<template>
  <p v-if="says || $slots.default" :class="done ? 'told' : 'tell'" :role="done ? 'status' : 'alert'">
    <slot>{{ says }}</slot>
  </p>
</template>
