<script setup lang="ts">
/** What was left undone of many, each with its reason: the first of them, and how many more. */
import { say } from '../language/say.ts';

const SHOWN = 12;
defineProps<{ says: string; left: readonly { readonly to: string; readonly what: string; readonly says: string }[] }>();
</script>

<template>
  <template v-if="left.length">
    <p>{{ says }}</p>
    <ul class="ruled small">
      <li v-for="(it, i) in left.slice(0, SHOWN)" :key="i">
        <RouterLink :to="it.to">{{ it.what }}</RouterLink>: <span class="quiet">{{ it.says }}</span>
      </li>
    </ul>
    <p v-if="left.length > SHOWN" class="quiet small">{{ say('more', { count: left.length - SHOWN }) }}</p>
  </template>
</template>
