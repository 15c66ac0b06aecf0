<script setup lang="ts">
import { say } from '../language/say.ts';

defineProps<{ title: string; why: string }>();
</script>

<template>
  <div class="front">
    <div class="card">
      <p class="brand">{{ say('app.name') }}</p>
      <h1>{{ title }}</h1>
      <p class="quiet">{{ why }}</p>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.front {
  min-height: 100dvh;
  display: grid;
  place-items: center;
  padding: 20px;
  background: linear-gradient(
    90deg,
    transparent 61.8%,
    var(--dew) 61.8%,
    var(--dew) calc(61.8% + 3px),
    var(--past-ground) calc(61.8% + 3px)
  );
}
.card {
  width: min(420px, 100%);
  background: var(--panel);
  border: 1px solid var(--hair);
  border-radius: 10px;
  padding: 28px;
  display: grid;
  gap: 12px;
}
.brand {
  font-weight: 720;
  font-size: 18px;
}
.card :deep(form) {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
</style>
