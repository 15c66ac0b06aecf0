<script setup lang="ts" generic="T">
/** One of a few: tiles for a thumb, chips in a row, or plain options where a manager picks from a form. */
import { useId } from 'vue';
import { LOOKS, type Choice, type Look } from './choices.ts';

withDefaults(
  defineProps<{
    legend: string;
    choices: readonly Choice<T>[];
    look?: Look;
    hideLegend?: boolean;
    error?: string | undefined;
  }>(),
  { look: 'tiles', error: '' },
);
const chosen = defineModel<T>({ required: true });
const name = useId();
</script>

<template>
  <fieldset :class="LOOKS[look]">
    <legend :class="{ unseen: hideLegend }">{{ legend }}</legend>
    <template v-for="choice in choices" :key="String(choice.value)">
      <label :class="[{ choice: look === 'tiles', quiet: choice.disabled && !choice.mark }, choice.mark]"
        ><input
          v-model="chosen"
          type="radio"
          :name="name"
          :value="choice.value"
          :disabled="choice.disabled ?? false"
        />{{ ' '
        }}<span
          >{{ choice.says }} <span v-if="choice.note" class="quiet small">{{ choice.note }}</span></span
        ></label
      >
      <slot :choice="choice" />
    </template>
    <p v-if="error" class="alarm small" role="alert">{{ error }}</p>
  </fieldset>
</template>
