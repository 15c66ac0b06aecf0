<script setup lang="ts">
/** The numbers that a doer is shown when something is not safe, of one property. */
import { reactive, ref } from 'vue';
import { changeNumbers, type EmergencyNumbers } from '../../contract/alarms.ts';
import { api } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ propertyId: string; numbers: EmergencyNumbers }>();
const entry = reactive({ ...props.numbers });
const saved = ref(false);
const { errors, refusal, busy, submit } = useForm(changeNumbers);
async function save(): Promise<void> {
  saved.value = await submit(entry, (form) => api('property.numbers', { id: props.propertyId, form }));
}
</script>

<template>
  <form class="panel numbers" @submit.prevent="save">
    <VTextField
      v-for="who in ['emergency', 'gas', 'office'] as const"
      :key="who"
      v-model="entry[who]"
      type="tel"
      :label="say(`numbers.${who}`)"
      :error-messages="errors[who]"
    />
    <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
    <p class="quiet small">{{ say('numbers.why') }}</p>
    <p>
      <VBtn type="submit" color="primary" :loading="busy">{{ say('numbers.save') }}</VBtn>{{ ' ' }}
      <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
    </p>
  </form>
</template>

<style scoped>
.numbers {
  padding: 16px;
  margin-top: 10px;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 4px 16px;
}
.numbers p {
  grid-column: 1 / -1;
}
</style>
