<script setup lang="ts">
/** Why something is sent back, as its doer will read it. */
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';

defineProps<{ error?: string | undefined; label: string; busy: boolean }>();
const emit = defineEmits<{ send: [] }>();
const reason = defineModel<string>({ required: true });
</script>

<template>
  <form class="panel card stack close start short-form" @submit.prevent="emit('send')">
    <VTextarea
      v-model="reason"
      :label="say('proof.reason')"
      rows="2"
      :error-messages="error"
      v-focus-first
      hide-details="auto"
    />
    <slot />
    <VBtn type="submit" color="primary" :loading="busy">{{ label }}</VBtn>
  </form>
</template>
