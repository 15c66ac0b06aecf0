<script setup lang="ts">
/** What the office reads in and reckons in, where a person says nothing else. */
import { onMounted, reactive } from 'vue';
import { changeOffice, type ChangeOffice } from '../../contract/people/people.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { useDesk } from './deskStore.ts';
import ReadingFields from './ReadingFields.vue';

const desk = useDesk();
const entry = reactive<ChangeOffice>({ language: 'en', units: 'metric', currency: ownCurrency.value });
const office = useLoading(async () => Object.assign(entry, await api('office.read')));
const { errors, problem, busy, submit } = useForm(changeOffice);

onMounted(office.reload);
async function save(): Promise<void> {
  // Everything that is on the page was said in the other language.
  if (await submit({ ...entry }, (form) => api('office.change', { form }))) location.reload();
}
</script>

<template>
  <LoadState :of="office" />
  <form v-if="office.value.value" class="stack close" @submit.prevent="save">
    <h2>{{ say('office.title') }}</h2>
    <p class="quiet lead">{{ say('office.lead') }}</p>
    <div class="stack close lead">
      <ReadingFields v-model:language="entry.language" v-model:units="entry.units" />
      <VTextField
        v-model="entry.currency"
        maxlength="3"
        :label="say('office.currency')"
        :hint="say('office.currency.hint')"
        persistent-hint
        :error-messages="errors.currency"
      />
      <Notice :says="problem" />
      <VBtn v-if="desk.managesAll" type="submit" color="primary" :loading="busy">{{ say('reading.save') }}</VBtn>
    </div>
  </form>
</template>
