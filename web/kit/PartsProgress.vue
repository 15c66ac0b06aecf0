<script setup lang="ts">
/** How far a list is that goes out in parts, with the way to stop it; nothing while none is under way. */
import type { InParts } from '../api/inParts.ts';
import { say } from '../language/say.ts';
import ProgressBar from './ProgressBar.vue';

defineProps<{ of: InParts }>();
</script>

<template>
  <ProgressBar
    v-if="of.busy.value"
    :done="of.done.value"
    :of="of.of.value"
    :label="say('inParts.going', { done: of.done.value, of: of.of.value })"
    :stop="say('inParts.stop')"
    @stop="of.stop"
  />
</template>
