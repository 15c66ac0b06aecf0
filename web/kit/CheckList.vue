<script setup lang="ts" generic="T, C extends Choice<T>">
/** Any of several: tiles for a thumb, chips in a row, or plain options in one or more columns. */
import { LOOKS, type Choice, type Look } from './choices.ts';

withDefaults(defineProps<{ legend: string; choices: readonly C[]; look?: Look; error?: string | undefined }>(), {
  look: 'tiles',
  error: '',
});
const chosen = defineModel<T[]>({ required: true });
</script>

<template>
  <fieldset :class="LOOKS[look]">
    <legend>
      <slot name="legend">{{ legend }}</slot>
    </legend>
    <label v-for="choice in choices" :key="String(choice.value)" :class="{ choice: look === 'tiles' }"
      ><input v-model="chosen" type="checkbox" :value="choice.value" />{{ ' ' }}
      <span
        ><slot :choice="choice">{{ choice.says }}</slot></span
      ></label
    >
    <p v-if="error" class="alarm small" role="alert">{{ error }}</p>
  </fieldset>
</template>
