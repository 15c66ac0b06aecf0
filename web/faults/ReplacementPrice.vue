<script setup lang="ts">
/** The replacement case of a pattern, and the price that it is reckoned against. */
import { ref } from 'vue';
import { priceReplacement, type ReplacementCase } from '../../contract/faults/patterns.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ machineId: string; of: ReplacementCase; mayEnter: boolean }>();
const emit = defineEmits<{ entered: [] }>();
const price = ref(String(props.of.price ?? ''));
const { errors, problem, busy, submit } = useForm(priceReplacement);

async function enter(): Promise<void> {
  const form = { price: price.value === '' ? undefined : Number(price.value) };
  if (await submit(form, (it) => api('machine.replacementPrice', { id: props.machineId, form: it }))) emit('entered');
}
</script>

<template>
  <p class="small lead">{{ of.says }}</p>
  <form v-if="mayEnter" class="row close middle" @submit.prevent="enter">
    <VTextField
      v-model="price"
      class="find"
      density="compact"
      hide-details="auto"
      inputmode="decimal"
      :label="say('replacement.price', { currency: ownCurrency })"
      :error-messages="errors.price ?? problem"
    />
    <VBtn type="submit" size="small" variant="outlined" :loading="busy">{{ say('replacement.enter') }}</VBtn>
  </form>
</template>
