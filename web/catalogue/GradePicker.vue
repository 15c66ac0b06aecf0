<script setup lang="ts">
/** Picking the condition found, from drawn pictures. */
import { GRADES, type Grade } from '../../core/catalogue/grades.ts';
import { referencePicture } from '../../core/catalogue/picture.ts';

const props = defineProps<{
  procedure: string;
  label: string;
  choices: readonly { value: string; label: string }[];
  error?: string;
}>();
const chosen = defineModel<string | null>({ required: true });
const picture = (grade: string) =>
  `data:image/svg+xml;utf8,${encodeURIComponent(referencePicture(props.procedure, grade as Grade))}`;
const options = () => props.choices.filter(({ value }) => GRADES.includes(value as Grade));
const group = `grade-${Math.random().toString(36).slice(2)}`;
</script>

<template>
  <fieldset class="grades">
    <legend class="strong">{{ label }}</legend>
    <label v-for="{ value, label: words } in options()" :key="value" :class="{ on: chosen === value }">
      <input v-model="chosen" type="radio" :name="group" :value="value" />
      <img :src="picture(value)" alt="" width="132" height="99" />
      <span>{{ words }}</span>
    </label>
    <p v-if="error" class="alarm small" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.grades {
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(96px, 1fr));
  gap: 8px;
}
legend {
  margin-bottom: 6px;
  padding: 0;
}
label {
  position: relative;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  background: #eef1ec;
  color: #18262b;
  padding: 6px 6px 4px;
  text-align: center;
  cursor: pointer;
  font-size: 14px;
  min-height: 44px;
}
label.on {
  border-color: var(--dew);
  box-shadow: 0 0 0 2px var(--dew);
  font-weight: 640;
}
label:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 2px;
}
input {
  position: absolute;
  opacity: 0;
}
img {
  display: block;
  width: 100%;
  height: auto;
}
.grades p {
  grid-column: 1 / -1;
}
</style>
