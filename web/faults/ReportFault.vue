<script setup lang="ts">
/** Saying that something is wrong: which machine, what is noticed, a photo. */
import { pathOf } from '../../contract/calls.ts';
import { computed, reactive, ref } from 'vue';
import { reportFault, type ReportableMachine } from '../../contract/faults.ts';
import { reportSignal } from '../../contract/signals.ts';
import { reportDeficiency } from '../../contract/deficiencies.ts';
import { newId } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';
import StepPhoto from '../jobs/StepPhoto.vue';
import { sendOrKeep } from '../outbox/outbox.ts';
import PlainField from '../theme/PlainField.vue';

const props = defineProps<{ machines: readonly ReportableMachine[] }>();
const emit = defineEmits<{ /** `kept`: on the device, until there is a line. */ sent: [kept: boolean] }>();
const id = newId();
const entry = reactive({ machineId: props.machines.length === 1 ? props.machines[0]!.id : '', symptom: '', note: '' });
const photos = ref<string[]>([]);
const { errors, refusal, busy, submit } = useForm(reportFault);
const signals = useForm(reportSignal);
const machine = computed(() => props.machines.find(({ id: it }) => it === entry.machineId));
const symptom = computed(() => machine.value?.symptoms.find(({ key }) => key === entry.symptom));
/** Not broken, but asking for upkeep: a lamp, a code, weak flow, a smell. */
const signal = computed(() => machine.value?.signals.find(({ key }) => key === entry.symptom));
/** It works, and upkeep will not cure it. */
const deficiency = computed(() => machine.value?.deficiencies.find(({ key }) => key === entry.symptom));
const deficiencies = useForm(reportDeficiency);
const refused = computed(() => refusal.value || signals.refusal.value || deficiencies.refusal.value);
const MOST_PHOTOS = 4;
function setPhoto(at: number, photo: string | null): void {
  photos.value = [...photos.value.slice(0, at), ...(photo ? [photo] : []), ...photos.value.slice(at + 1)];
}

async function hand(name: 'signal.report' | 'deficiencies.report' | 'faults.report', form: object): Promise<void> {
  const outcome = await sendOrKeep(id, { kind: 'form', path: pathOf(name, {}), form }, id);
  emit('sent', outcome.ended === 'kept');
}
async function send(): Promise<void> {
  const { machineId, symptom: type, note } = entry;
  if (signal.value)
    await signals.submit({ id, machineId, type, note, photoIds: photos.value }, (form) => hand('signal.report', form));
  else if (deficiency.value)
    await deficiencies.submit({ id, machineId, type, note, photoIds: photos.value }, (form) =>
      hand('deficiencies.report', form),
    );
  else await submit({ id, ...entry, photoIds: photos.value }, (form) => hand('faults.report', form));
}
</script>

<template>
  <form class="report" @submit.prevent="send">
    <fieldset>
      <legend>{{ say('fault.machine') }}</legend>
      <label v-for="it in machines" :key="it.id" class="choice"
        ><input v-model="entry.machineId" type="radio" name="machine" :value="it.id" @change="entry.symptom = ''" />
        {{ it.name }}</label
      >
      <p v-if="errors.machineId" class="alarm small" role="alert">{{ errors.machineId }}</p>
    </fieldset>
    <fieldset v-if="machine">
      <legend>{{ say('fault.what') }}</legend>
      <template v-for="it in [...machine.symptoms, ...machine.signals]" :key="it.key">
        <label class="choice"
          ><input v-model="entry.symptom" type="radio" name="symptom" :value="it.key" /> {{ it.says }}</label
        >
        <p v-if="it.key === entry.symptom && symptom?.tip" class="tip small" role="status">{{ symptom.tip }}</p>
      </template>
      <p v-if="errors.symptom" class="alarm small" role="alert">{{ errors.symptom }}</p>
    </fieldset>
    <fieldset v-if="machine?.deficiencies.length">
      <legend>{{ say('fault.seen') }}</legend>
      <label v-for="it in machine.deficiencies" :key="it.key" class="choice"
        ><input v-model="entry.symptom" type="radio" name="symptom" :value="it.key" /> {{ it.says }}</label
      >
    </fieldset>
    <p v-if="symptom?.stopUsing" class="caution strong" role="alert">{{ say('fault.stop') }}</p>
    <template v-if="symptom || signal || deficiency">
      <PlainField v-model="entry.note" :label="say('fault.note')" :rows="2" :error="errors.note" />
      <StepPhoto
        v-for="at in Math.min(photos.length + 1, MOST_PHOTOS)"
        :key="at"
        :label="say('fault.photo', { at })"
        :job="id"
        :model-value="photos[at - 1] ?? null"
        @update:model-value="setPhoto(at - 1, $event)"
      />
    </template>
    <p v-if="refused" class="tell" role="alert">{{ refused }}</p>
    <VBtn
      type="submit"
      color="primary"
      size="large"
      block
      :loading="busy || signals.busy.value || deficiencies.busy.value"
      >{{ say('fault.send') }}</VBtn
    >
  </form>
</template>

<style scoped>
.report {
  display: grid;
  gap: 14px;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
legend {
  font-weight: 640;
  padding: 0;
  margin-bottom: 6px;
}
.tip {
  border-left: 4px solid var(--dew);
  padding: 8px 12px;
  background: var(--pick);
  border-radius: 0 6px 6px 0;
}
.choice {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 46px;
  padding: 0 12px;
  border: 1.5px solid var(--hair);
  border-radius: 8px;
  background: var(--panel);
}
.choice:has(:checked) {
  border-color: var(--dew);
  background: var(--pick);
}
</style>
