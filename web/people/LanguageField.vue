<script setup lang="ts">
/** The language that somebody reads in; as the office reads, where a person may leave it to that. */
import { LANGUAGES, LANGUAGE_NAMES, type Language } from '../../core/language/languages.ts';
import { say } from '../language/say.ts';

defineProps<{ ofPerson?: boolean }>();
const language = defineModel<Language | null>({ required: true });
</script>

<template>
  <VSelect
    v-model="language"
    :items="[
      ...(ofPerson ? [{ value: null, title: say('reading.asOffice') }] : []),
      ...LANGUAGES.map((value) => ({ value, title: LANGUAGE_NAMES[value] })),
    ]"
    :label="say('reading.language')"
  />
</template>
