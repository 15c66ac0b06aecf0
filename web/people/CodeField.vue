<script setup lang="ts">
/** The code of an authenticator, or a recovery code in its place. */
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';

const code = defineModel<string>({ required: true });
defineProps<{ errors: string | undefined }>();
</script>

<template>
  <VTextField
    v-model="code"
    v-focus-first
    :label="say('signIn.code')"
    autocomplete="one-time-code"
    :error-messages="errors"
  />
</template>
