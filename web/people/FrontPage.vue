<script setup lang="ts">
import LanguageSwitch from '../kit/LanguageSwitch.vue';
import { say } from '../language/say.ts';

defineProps<{ title: string; why: string }>();
</script>

<template>
  <div class="front">
    <div class="panel stack">
      <p class="brand">{{ say('app.name') }}</p>
      <h1>{{ title }}</h1>
      <p class="quiet">{{ why }}</p>
      <slot />
      <LanguageSwitch />
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
.panel {
  width: min(420px, 100%);
  padding: 28px;
}
.brand {
  font-weight: 720;
  font-size: 18px;
}
</style>
