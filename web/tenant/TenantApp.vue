<script setup lang="ts">
import { defineAsyncComponent } from 'vue';
import { say } from '../language/say.ts';

const WaitingBar = defineAsyncComponent(() => import('../outbox/WaitingBar.vue'));
defineProps<{ refusal: string }>();
</script>

<template>
  <VApp>
    <main v-if="refusal" class="refused">
      <h1>{{ say('home.title') }}</h1>
      <p class="tell" role="alert">{{ refusal }}</p>
    </main>
    <template v-else
      ><WaitingBar />
      <main><RouterView /></main
    ></template>
  </VApp>
</template>

<style scoped>
.refused {
  padding: 24px 18px;
  display: grid;
  gap: 14px;
  max-width: 560px;
  margin: 0 auto;
  width: 100%;
}
</style>
