<script setup lang="ts">
/** How a household is reached. */
import { reactive } from 'vue';
import { contact, CONTACT_WAYS, NO_CONTACT, RHYTHMS, type Contact } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ tenancyId: string; known: Contact | null }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const entry = reactive<Contact>({ ...(props.known ?? NO_CONTACT) });
const { errors, problem, busy, submit } = useForm(contact);

async function save(): Promise<void> {
  if (await submit({ ...entry }, (form) => api('tenancy.contact', { id: props.tenancyId, form }))) emit('saved');
}
</script>

<template>
  <form class="panel card stack close" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <ChoiceList
      v-model="entry.way"
      look="options"
      :legend="say('contact.way')"
      :choices="CONTACT_WAYS.map((value) => ({ value, says: say(`contact.way.${value}`) }))"
    />
    <VTextField
      v-if="entry.way === 'mail'"
      v-model="entry.email"
      type="email"
      :label="say('contact.email')"
      :error-messages="errors.email"
    />
    <VTextField
      v-if="entry.way === 'text'"
      v-model="entry.phone"
      type="tel"
      :label="say('contact.phone')"
      :error-messages="errors.phone"
    />
    <template v-if="entry.way !== 'none'">
      <ChoiceList
        v-model="entry.rhythm"
        look="options"
        :legend="say('contact.rhythm')"
        :choices="RHYTHMS.map((value) => ({ value, says: say(`contact.rhythm.${value}`) }))"
      />
      <VCheckbox v-model="entry.reminders" :label="say('contact.reminders')" hide-details />
    </template>
    <p class="quiet small">{{ say('contact.why') }}</p>
    <Notice class="small" :says="problem" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('contact.save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
