<script setup lang="ts">
/** A field on a phone: its name above, large, and nothing that must be loaded first. */
import { useId } from 'vue';

defineProps<{
  label: string;
  rows?: number;
  type?: string;
  inputmode?: 'decimal' | 'text' | 'numeric';
  suffix?: string;
  placeholder?: string;
  max?: string;
  error?: string | undefined;
}>();
const value = defineModel<string>({ required: true });
const id = useId();
</script>

<template>
  <div class="field" :class="{ wrong: error }">
    <label :for="id">{{ label }}</label>
    <textarea
      v-if="rows"
      :id="id"
      v-model="value"
      :rows="rows"
      :aria-invalid="Boolean(error)"
      :aria-describedby="error ? `${id}-error` : undefined"
    />
    <span v-else class="line"
      ><input
        :id="id"
        v-model="value"
        :type="type ?? 'text'"
        :inputmode="inputmode"
        :placeholder="placeholder"
        :max="max"
        :aria-invalid="Boolean(error)"
        :aria-describedby="error ? `${id}-error` : undefined"
      /><span v-if="suffix" class="quiet">{{ suffix }}</span></span
    >
    <p v-if="error" :id="`${id}-error`" class="alarm small" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
}
label {
  font-weight: 600;
  font-size: 15px;
}
.line {
  display: flex;
  align-items: center;
  gap: 10px;
}
input,
textarea {
  flex: 1;
  min-width: 0;
  width: 100%;
  min-height: 48px;
  padding: 10px 12px;
  font: inherit;
  color: var(--ink);
  background: var(--panel);
  border: 1.5px solid var(--edge);
  border-radius: 8px;
}
input:focus-visible,
textarea:focus-visible {
  outline: 3px solid var(--dew);
  outline-offset: 1px;
}
.wrong input,
.wrong textarea {
  border-color: var(--alarm);
}
</style>
