<script setup lang="ts">
/** The language and the units that somebody reads in; as the office reads, where they choose nothing. */
import { LANGUAGES, LANGUAGE_NAMES, type Language } from '../../core/language/languages.ts';
import { UNIT_SYSTEMS, type UnitSystem } from '../../core/quantities/units.ts';
import { say } from '../language/say.ts';

defineProps<{
  /** Whether “as the office” may be chosen: for a person, not for the office. */
  ofPerson?: boolean;
}>();
const language = defineModel<Language | null>('language', { required: true });
const units = defineModel<UnitSystem | null>('units', { required: true });
const asOffice = () => ({ value: null, title: say('reading.asOffice') });
</script>

<template>
  <VSelect
    v-model="language"
    :items="[...(ofPerson ? [asOffice()] : []), ...LANGUAGES.map((value) => ({ value, title: LANGUAGE_NAMES[value] }))]"
    :label="say('reading.language')"
  />
  <VSelect
    v-model="units"
    :items="[
      ...(ofPerson ? [asOffice()] : []),
      ...UNIT_SYSTEMS.map((value) => ({ value, title: say(`reading.units.${value}`) })),
    ]"
    :label="say('reading.units')"
  />
</template>
