<script setup lang="ts">
/** Closing a fault: what it was and what was done, by code; words, minutes and money beside it. */
import { computed, reactive, watch } from 'vue';
import { causesToName } from '../../core/faults/causes.ts';
import { PAYERS, REMEDIES, usualRemedy, type Payer, type Remedy } from '../../core/faults/closing.ts';
import { OTHER } from '../../core/faults/other.ts';
import { closeFault } from '../../contract/faults/faults.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import PhotosField from '../outbox/PhotosField.vue';

const props = defineProps<{ id: string; machineType: string; symptom: string; cause?: string }>();
const emit = defineEmits<{ closed: [] }>();
const { errors, problem, busy, submit } = useForm(closeFault);
const causes = computed(() => causesToName(props.machineType, props.symptom));
const entry = reactive({
  cause: props.cause ?? null,
  remedy: null as Remedy | null,
  minutes: '',
  parts: '',
  cost: '',
  payer: 'landlord' as Payer,
  found: '',
  photoIds: [] as string[],
});
watch(
  () => entry.cause,
  (key) => {
    const cause = causes.value.find((it) => it.key === key);
    if (cause) entry.remedy = usualRemedy(cause);
  },
  { immediate: true },
);
const numberOr = (text: string) => (String(text).trim() === '' ? null : Number(text));

async function close(): Promise<void> {
  const form = { ...entry, minutes: numberOr(entry.minutes), cost: numberOr(entry.cost) };
  if (await submit(form, (checked) => api('faults.close', { id: props.id, form: checked }))) emit('closed');
}
</script>

<template>
  <form class="stack close" @submit.prevent="close">
    <VAutocomplete
      v-model="entry.cause"
      :items="causes.map(({ key: value }) => ({ value, title: say.text(`cause.${value}`) }))"
      :label="say('faults.cause')"
      :error-messages="errors.cause"
      auto-select-first
    />
    <div class="fields narrow">
      <VSelect
        v-model="entry.remedy"
        :items="REMEDIES.map((value) => ({ value, title: say(`remedy.${value}`) }))"
        :label="say('faults.remedy')"
        :error-messages="errors.remedy"
      />
      <VTextField
        v-model="entry.minutes"
        inputmode="numeric"
        :label="say('faults.minutes')"
        :error-messages="errors.minutes"
      />
      <VTextField
        v-model="entry.cost"
        inputmode="decimal"
        :label="say('faults.cost', { currency: ownCurrency })"
        :error-messages="errors.cost"
      />
      <VSelect
        v-model="entry.payer"
        :items="PAYERS.map((value) => ({ value, title: say(`payer.${value}`) }))"
        :label="say('faults.payer')"
      />
    </div>
    <VTextField v-model="entry.parts" :label="say('faults.parts')" :error-messages="errors.parts" />
    <VTextarea
      v-model="entry.found"
      :label="say(entry.cause === OTHER ? 'faults.found.other' : 'faults.found')"
      rows="2"
      :error-messages="errors.found"
    />
    <PhotosField v-model="entry.photoIds" :label="say('closing.photo')" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('faults.closeNow') }}</VBtn>
  </form>
</template>
