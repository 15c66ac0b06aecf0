<script setup lang="ts">
/** The language and the units that somebody reads in; as the office reads, where they choose nothing. */
import type { Language } from '../../core/language/languages.ts';
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';
import { say } from '../language/say.ts';
import LanguageField from './LanguageField.vue';

defineProps<{
  /** Whether “as the office” may be chosen: for a person, not for the office. */
  ofPerson?: boolean;
}>();
const language = defineModel<Language | null>('language', { required: true });
const units = defineModel<UnitSystem | null>('units', { required: true });
</script>

<template>
  <LanguageField v-model="language" :of-person="ofPerson" />
  <VSelect
    v-model="units"
    :items="[
      ...(ofPerson ? [{ value: null, title: say('reading.asOffice') }] : []),
      ...UNIT_SYSTEMS.map((value) => ({ value, title: say(`reading.units.${value}`) })),
    ]"
    :label="say('reading.units')"
  />
</template>
