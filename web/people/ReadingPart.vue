<script setup lang="ts">
/** What one reads in oneself. */
import { reactive } from 'vue';
import { preferences, type AccountAnswer } from '../../contract/people/people.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import ReadingFields from './ReadingFields.vue';

const props = defineProps<{ of: Pick<AccountAnswer, 'language' | 'units'> }>();
const entry = reactive({ language: props.of.language, units: props.of.units });
const { problem, busy, submit } = useForm(preferences);

async function save(): Promise<void> {
  // Everything that is on the page was said in the other language.
  if (await submit({ ...entry }, (form) => api('me.prefer', { form }))) location.reload();
}
</script>

<template>
  <section class="stack close" aria-labelledby="account-reading">
    <h2 id="account-reading">{{ say('reading.title') }}</h2>
    <form class="fields" @submit.prevent="save">
      <ReadingFields v-model:language="entry.language" v-model:units="entry.units" of-person />
      <Notice :says="problem" />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('reading.save') }}</VBtn>
    </form>
  </section>
</template>
