<script setup lang="ts">
/** Who has a tenancy, and since when or from when. */
import { reactive } from 'vue';
import { tenancyChange, type TenancySummary } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import LanguageField from '../people/LanguageField.vue';

const props = defineProps<{ tenancy: TenancySummary }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const entry = reactive({ name: props.tenancy.name, from: props.tenancy.from, language: props.tenancy.language });
const { errors, problem, busy, submit } = useForm(tenancyChange);

async function save(): Promise<void> {
  if (await submit({ ...entry }, (form) => api('tenancy.change', { id: props.tenancy.id, form }))) emit('saved');
}
</script>

<template>
  <form class="panel card stack close" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <VTextField v-model="entry.name" :label="say('tenancy.name')" :error-messages="errors.name" />
    <VTextField v-model="entry.from" type="date" :label="say('tenancy.from')" :error-messages="errors.from" />
    <LanguageField v-model="entry.language" of-person />
    <Notice class="small" :says="problem" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('tenancy.coming.save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
