<script setup lang="ts">
/** What waits on this device, where one always sees it; nothing where all is sent. */
import { computed } from 'vue';
import { offline } from '../api/api.ts';
import { say } from '../language/say.ts';
import { waiting } from './outbox.ts';

const refused = computed(() => waiting.value.filter((it) => it.refused !== null).length);
const count = computed(() => waiting.value.length - refused.value);
</script>

<template>
  <p v-if="offline || count || refused" class="on-top told row no-print" role="status">
    <span v-if="offline">{{ say('kept.bar.offline') }}</span><span v-if="count">{{
      say('kept.bar.count', { count })
    }}</span
    ><b v-if="refused" class="alarm">{{ say('kept.bar.refused', { count: refused }) }}</b>
    <RouterLink v-if="count || refused" to="/kept">{{ say('kept.bar.see') }}</RouterLink>
  </p>
</template>
