<script setup lang="ts">
/** Saying that something is wrong: which machine, what is noticed, a photo. */
import { computed, reactive, ref } from 'vue';
import { reportFault } from '../../contract/faults.ts';
import { reportSignal } from '../../contract/signals.ts';
import type { HomeAnswer } from '../../contract/jobs.ts';
import { newId, write } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';
import PhotoField from '../register/PhotoField.vue';

const props = defineProps<{ machines: HomeAnswer['machines'] }>();
const emit = defineEmits<{ sent: [] }>();
const id = newId();
const entry = reactive({ machineId: props.machines.length === 1 ? props.machines[0]!.id : '', symptom: '', note: '' });
const photos = ref<string[]>([]);
const { errors, refusal, busy, submit } = useForm(reportFault);
const signals = useForm(reportSignal);
const machine = computed(() => props.machines.find(({ id: it }) => it === entry.machineId));
const symptom = computed(() => machine.value?.symptoms.find(({ key }) => key === entry.symptom));
/** Not broken, but asking for upkeep: a lamp, a code, weak flow, a smell. */
const signal = computed(() => machine.value?.signals.find(({ key }) => key === entry.symptom));
const addPhoto = (photo: string | null) => { if (photo) photos.value = [...photos.value, photo]; };

async function send(): Promise<void> {
  if (signal.value) {
    const { machineId, symptom: type, note } = entry;
    if (await signals.submit({ id, machineId, type, note }, (form) => write('POST', '/signals', form, id))) emit('sent');
    return;
  }
  if (await submit({ id, ...entry, photoIds: photos.value }, (form) => write('POST', '/faults', form, id))) emit('sent');
}
</script>

<template>
  <form class="report" @submit.prevent="send">
    <fieldset>
      <legend>{{ say('fault.machine') }}</legend>
      <label v-for="it in machines" :key="it.id" class="choice"><input v-model="entry.machineId" type="radio" name="machine" :value="it.id" @change="entry.symptom = ''"> {{ it.name }}</label>
      <p v-if="errors.machineId" class="alarm small" role="alert">{{ errors.machineId }}</p>
    </fieldset>
    <fieldset v-if="machine">
      <legend>{{ say('fault.what') }}</legend>
      <label v-for="it in [...machine.symptoms, ...machine.signals]" :key="it.key" class="choice"><input v-model="entry.symptom" type="radio" name="symptom" :value="it.key"> {{ it.says }}</label>
      <p v-if="errors.symptom" class="alarm small" role="alert">{{ errors.symptom }}</p>
    </fieldset>
    <p v-if="symptom?.stopUsing" class="caution strong" role="alert">{{ say('fault.stop') }}</p>
    <template v-if="symptom || signal">
      <VTextarea v-model="entry.note" :label="say('fault.note')" rows="2" :error-messages="errors.note" />
      <PhotoField v-if="symptom" :label="say('fault.photo')" :model-value="photos.at(-1) ?? null" @update:model-value="addPhoto" />
      <p v-if="photos.length" class="small quiet">{{ say('fault.photos', { count: photos.length }) }}</p>
    </template>
    <p v-if="refusal || signals.refusal.value" class="tell" role="alert">{{ refusal || signals.refusal.value }}</p>
    <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('fault.send') }}</VBtn>
  </form>
</template>

<style scoped>
.report { display: grid; gap: 14px; }
fieldset { border: 0; padding: 0; display: grid; gap: 6px; }
legend { font-weight: 640; padding: 0; margin-bottom: 6px; }
.choice { display: flex; align-items: center; gap: 10px; min-height: 46px; padding: 0 12px; border: 1.5px solid var(--hair); border-radius: 8px; background: var(--panel); }
.choice:has(:checked) { border-color: var(--dew); background: var(--pick); }
</style>
