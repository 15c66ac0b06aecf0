<script setup lang="ts">
import { defineAsyncComponent } from 'vue';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

/** For a phone that is not theirs alone: what was read is forgotten, what waits to be sent stays. */
const SignOut = defineAsyncComponent(() => import('./SignOut.vue'));
const WaitingBar = defineAsyncComponent(() => import('../outbox/WaitingBar.vue'));
defineProps<{ problem: string }>();
</script>

<template>
  <VApp>
    <main v-if="problem" class="page phone">
      <h1>{{ say('home.title') }}</h1>
      <Notice :says="problem" />
    </main>
    <template v-else
      ><WaitingBar />
      <main><RouterView /></main>
      <SignOut
    /></template>
  </VApp>
</template>
