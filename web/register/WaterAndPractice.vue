<script setup lang="ts">
/** The facts of a property that may change: its water and its practice. */
import { WATER_SOURCES } from '../../contract/register.ts';
import { PRACTICES } from '../../core/due/practice.ts';
import { say } from '../language/say.ts';

defineProps<{ errors: Readonly<Record<string, string>> }>();
const water = defineModel<{ source: 'public' | 'well'; hardnessMgL: number | null }>('water', { required: true });
const practice = defineModel<string>('practice', { required: true });
const setHardness = (text: string) => { water.value = { ...water.value, hardnessMgL: text === '' ? null : Number(text) }; };
</script>

<template>
  <VSelect v-model="water.source" :items="WATER_SOURCES.map((value) => ({ value, title: say(`property.source.${value}`) }))" :label="say('property.source')" :error-messages="errors['water.source']" />
  <VTextField :model-value="water.hardnessMgL ?? ''" type="number" min="0" :label="say('property.hardness')" :hint="say('property.hardness.hint')" persistent-hint :error-messages="errors['water.hardnessMgL']" @update:model-value="setHardness(String($event))" />
  <VSelect v-model="practice" :items="PRACTICES.map((value) => ({ value, title: say(`practice.${value}`) }))" :label="say('property.practice')" :hint="say(`practice.${practice}.why`)" persistent-hint :error-messages="errors.practice" />
</template>
