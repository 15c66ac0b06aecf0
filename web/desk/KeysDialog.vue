<script setup lang="ts">
import { say } from '../language/say.ts';

const shown = defineModel<boolean>({ required: true });
const KEYS = [
  ['k or Ctrl K', 'search'],
  ['/', 'find'],
  ['↑ ↓ ← →', 'arrows'],
  ['Enter', 'open'],
  ['Esc', 'close'],
  ['x', 'choose'],
  ['a', 'accept'],
  ['s', 'sendBack'],
  ['r', 'register'],
  ['→', 'skip'],
  ['g then l p a f h r c m', 'go'],
  ['?', 'help'],
] as const;
</script>

<template>
  <VDialog v-model="shown" max-width="420" :aria-label="say('keys.title')">
    <div class="panel card stack">
      <h2>{{ say('keys.title') }}</h2>
      <dl class="pairs">
        <div v-for="[key, what] in KEYS" :key="what">
          <dt>
            <kbd>{{ key }}</kbd>
          </dt>
          <dd>{{ say(`keys.${what}`) }}</dd>
        </div>
      </dl>
      <VBtn variant="outlined" @click="shown = false">{{ say('close') }}</VBtn>
    </div>
  </VDialog>
</template>
