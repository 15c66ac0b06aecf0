<script setup lang="ts">
import { say } from '../language/say.ts';

defineProps<{ refusal: string }>();
</script>

<template>
  <VApp>
    <main v-if="refusal" class="refused"><h1>{{ say('home.title') }}</h1><p class="tell" role="alert">{{ refusal }}</p></main>
    <main v-else><RouterView /></main>
  </VApp>
</template>

<style scoped>
.refused { padding: 24px 18px; display: grid; gap: 14px; max-width: 560px; margin: 0 auto; width: 100%; }
</style>
