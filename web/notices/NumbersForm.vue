<script setup lang="ts">
/** The numbers that a doer is shown when something is not safe, of one property. */
import { reactive, ref } from 'vue';
import { changeNumbers, type EmergencyNumbers } from '../../contract/faults/alarms.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ propertyId: string; numbers: EmergencyNumbers }>();
const entry = reactive({ ...props.numbers });
const saved = ref(false);
const { errors, problem, busy, submit } = useForm(changeNumbers);
async function save(): Promise<void> {
  saved.value = await submit(entry, (form) => api('property.numbers', { id: props.propertyId, form }));
}
</script>

<template>
  <form class="numbers panel card fields" @submit.prevent="save">
    <VTextField
      v-for="who in ['emergency', 'gas', 'office'] as const"
      :key="who"
      v-model="entry[who]"
      type="tel"
      :label="say(`numbers.${who}`)"
      :error-messages="errors[who]"
    />
    <Notice :says="problem" />
    <p class="quiet small whole">{{ say('numbers.why') }}</p>
    <p class="whole">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('numbers.save') }}</VBtn>{{ ' ' }}
      <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
    </p>
  </form>
</template>
