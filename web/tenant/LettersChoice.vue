<script setup lang="ts">
/** How a household is written to, and what of it they want. */
import { reactive, ref } from 'vue';
import { ownContact, RHYTHMS, type Contact } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import Notice from '../kit/Notice.vue';
import TickBox from '../kit/TickBox.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ contact: Contact }>();
const entry = reactive({ reminders: props.contact.reminders, rhythm: props.contact.rhythm });
const { problem, busy, submit } = useForm(ownContact);
const saved = ref(false);
async function save(): Promise<void> {
  saved.value = await submit({ ...entry }, (form) => api('home.contact', { form }));
}
</script>

<template>
  <details class="panel card">
    <summary>{{ say('letters.title', { address: contact.way === 'mail' ? contact.email : contact.phone }) }}</summary>
    <form class="stack close" @submit.prevent="save">
      <ChoiceList
        v-model="entry.rhythm"
        look="options"
        :legend="say('letters.rhythm')"
        :choices="RHYTHMS.map((value) => ({ value, says: say(`letters.rhythm.${value}`) }))"
      />
      <TickBox v-model="entry.reminders">{{ say('letters.reminders') }}</TickBox>
      <p class="quiet small">{{ say('letters.safety') }}</p>
      <Notice class="small" :says="problem" />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('letters.save') }}</VBtn>
      <Notice v-if="saved" class="small" done :says="say('letters.saved')" />
    </form>
  </details>
</template>
