<script setup lang="ts">
/** Asks for the reason of a verdict. */
import { vFocusFirst } from '../kit/focusFirst.ts';

/** @param label what is asked for; @param action what sending it does */
defineProps<{ label: string; error?: string | undefined; action: string; busy: boolean }>();
const emit = defineEmits<{ send: [] }>();
const reason = defineModel<string>({ required: true });
</script>

<template>
  <form class="panel card stack close start short-form" @submit.prevent="emit('send')">
    <VTextarea v-model="reason" :label="label" rows="2" :error-messages="error" v-focus-first hide-details="auto" />
    <slot />
    <VBtn type="submit" color="primary" :loading="busy">{{ action }}</VBtn>
  </form>
</template>
