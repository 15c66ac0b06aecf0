<script setup lang="ts">
/** The facts of a property that may change: its water, in the unit of its report, and its practice. */
import { computed, ref } from 'vue';
import { WATER_SOURCES } from '../../contract/register/register.ts';
import { PRACTICES, type Practice } from '../../core/catalogue/practice.ts';
import { HARDNESS_UNITS, hardnessMgL, likelierMeant, type HardnessUnit } from '../../core/quantities/hardness.ts';
import { say } from '../language/say.ts';

defineProps<{ errors: Readonly<Record<string, string>> }>();
const water = defineModel<{ source: 'public' | 'well'; hardnessMgL: number | null }>('water', { required: true });
const practice = defineModel<Practice | null>('practice', { required: true });
const unit = ref<HardnessUnit>('mgL');
const entered = ref(water.value.hardnessMgL === null ? '' : String(water.value.hardnessMgL));

function enter(text: string, as: HardnessUnit): void {
  entered.value = text;
  unit.value = as;
  water.value = { ...water.value, hardnessMgL: text === '' ? null : hardnessMgL(Number(text), as) };
}
/** A very low number of mg/L is oftener grains or degrees. */
const meant = computed(() =>
  unit.value === 'mgL' && entered.value !== '' ? likelierMeant(Number(entered.value)) : [],
);
</script>

<template>
  <VSelect
    v-model="water.source"
    :items="WATER_SOURCES.map((value) => ({ value, title: say(`property.source.${value}`) }))"
    :label="say('property.source')"
    :error-messages="errors['water.source']"
  />
  <div class="columns unit">
    <VTextField
      :model-value="entered"
      type="number"
      min="0"
      step="any"
      :label="say('property.hardness')"
      :hint="
        unit === 'mgL' || entered === ''
          ? say('property.hardness.hint')
          : say('hardness.is', { mgL: water.hardnessMgL ?? 0 })
      "
      persistent-hint
      :error-messages="errors['water.hardnessMgL']"
      @update:model-value="enter(String($event ?? ''), unit)"
    />
    <VSelect
      :model-value="unit"
      :items="HARDNESS_UNITS.map((value) => ({ value, title: say(`hardness.unit.${value}`) }))"
      :label="say('hardness.unit')"
      hide-details
      @update:model-value="enter(entered, $event)"
    />
    <p v-if="meant.length" class="row small whole" role="status">
      {{ say('hardness.meant', { value: Number(entered) }) }}
      <button v-for="it in meant" :key="it.unit" type="button" class="plain link" @click="enter(entered, it.unit)">
        {{ say('hardness.as', { value: Number(entered), unit: say(`hardness.unit.${it.unit}`), mgL: it.mgL }) }}?
      </button>
    </p>
  </div>
  <VSelect
    v-model="practice"
    :items="[
      { value: null, title: say('practice.follows') },
      ...PRACTICES.map((value) => ({ value, title: say(`practice.${value}`) })),
    ]"
    :label="say('property.practice')"
    :hint="practice ? say(`practice.${practice}.why`) : ''"
    persistent-hint
    :error-messages="errors.practice"
  />
</template>
