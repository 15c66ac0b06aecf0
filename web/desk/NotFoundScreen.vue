<script setup lang="ts">
import { say } from '../language/say.ts';
</script>

<template>
  <div class="lost">
    <h1>{{ say('notFound.title') }}</h1>
    <RouterLink to="/">{{ say('notFound.go') }}</RouterLink>
  </div>
</template>

<style scoped>
.lost {
  padding: 60px 30px;
  display: grid;
  gap: 10px;
}
</style>
