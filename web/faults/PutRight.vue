<script setup lang="ts">
/** Closing a deficiency, or answering an inspector's finding: what was done, and what it looks like now. */
import { reactive } from 'vue';
import { closeDeficiency } from '../../contract/faults/deficiencies.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import PhotosField from '../outbox/PhotosField.vue';

const props = defineProps<{ id: string; action: string }>();
const emit = defineEmits<{ closed: [] }>();
const entry = reactive({ done: '', photoIds: [] as string[] });
const { errors, problem, busy, submit } = useForm(closeDeficiency);

async function close(): Promise<void> {
  if (await submit(entry, (form) => api('deficiencies.close', { id: props.id, form }))) emit('closed');
}
</script>

<template>
  <form class="stack close" @submit.prevent="close">
    <VTextarea v-model="entry.done" :label="say('deficiencies.done')" rows="2" :error-messages="errors.done" />
    <PhotosField v-model="entry.photoIds" :label="say('closing.photo')" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ action }}</VBtn>
  </form>
</template>
