<script setup lang="ts">
/** In place of what is loaded: that it is on its way, or what went wrong and the way to try again. */
import type { Loading } from '../api/load.ts';
import { say } from '../language/say.ts';
import Notice from './Notice.vue';

defineProps<{ of: Pick<Loading<unknown>, 'value' | 'failure' | 'mayHelp' | 'reload'> }>();
</script>

<template>
  <Notice v-if="of.failure.value"
    >{{ of.failure.value }}{{ ' ' }}
    <button v-if="of.mayHelp.value" type="button" class="plain link" @click="of.reload()">
      {{ say('again') }}
    </button></Notice
  >
  <p v-else-if="!of.value.value" class="quiet">{{ say('loading') }}</p>
</template>
