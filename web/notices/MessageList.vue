<script setup lang="ts">
/** What was told, or will be: when, how, how it went; its words where it has any. */
import type { MessageSummary } from '../../contract/notices/messages.ts';

defineProps<{ messages: readonly MessageSummary[] }>();
const WRONG = ['failed', 'unsure'];
</script>

<template>
  <ul class="stack tight small">
    <li v-for="it in messages" :key="it.id">
      <details v-if="it.body">
        <summary :class="{ alarm: WRONG.includes(it.state) }">{{ it.says }}</summary>
        <p v-if="it.heading" class="strong">{{ it.heading }}</p>
        <pre class="letter">{{ it.body }}</pre>
      </details>
      <span v-else :class="{ alarm: WRONG.includes(it.state) }">{{ it.says }}</span>
    </li>
  </ul>
</template>
