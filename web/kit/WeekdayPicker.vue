<script setup lang="ts">
/** Some days of the week, each a box to tick; 0 is Monday. */
import { MONDAY } from '../../core/language/calendar.ts';
import { say } from '../language/say.ts';
import TickBox from './TickBox.vue';

defineProps<{ label: string }>();
const chosen = defineModel<number[]>({ required: true });
const set = (weekday: number, on: boolean) => {
  chosen.value = on ? [...chosen.value, weekday].sort() : chosen.value.filter((it) => it !== weekday);
};
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="row close">
      <TickBox
        v-for="weekday in [0, 1, 2, 3, 4, 5, 6]"
        :key="weekday"
        :model-value="chosen.includes(weekday)"
        @update:model-value="set(weekday, $event)"
        >{{ say.weekday(MONDAY + weekday) }}</TickBox
      >
    </div>
  </fieldset>
</template>
