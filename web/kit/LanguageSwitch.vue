<script setup lang="ts">
/** The other languages, each in its own words: for whoever cannot read the one that is spoken. */
import { computed } from 'vue';
import { LANGUAGES, LANGUAGE_NAMES, type Language } from '../../core/language/languages.ts';
import { api, signedIn } from '../api/api.ts';
import { keepLanguage } from '../api/reading.ts';
import { useSending } from '../api/sending.ts';
import { speak, spoken } from '../language/say.ts';
import Notice from './Notice.vue';

const others = computed(() => LANGUAGES.filter((it) => it !== spoken.value));
const sending = useSending();

const choose = (language: Language) =>
  sending.run(async () => {
    if (signedIn()) {
      await api('me.prefer', { form: { language } });
      keepLanguage(language);
      // What the server said stands on the page in the other language.
      location.reload();
      return;
    }
    keepLanguage(language);
    await speak(language);
  });
</script>

<template>
  <p class="row middle">
    <button
      v-for="it in others"
      :key="it"
      type="button"
      class="plain link"
      :lang="it"
      :disabled="sending.busy.value"
      @click="choose(it)"
    >
      {{ LANGUAGE_NAMES[it] }}
    </button>
    <Notice :says="sending.failure.value" />
  </p>
</template>
