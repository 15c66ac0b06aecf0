<script setup lang="ts">
/** Saying that something is wrong: which machine, what is noticed, a photo. */
import { pathOf } from '../../contract/calls.ts';
import { computed, reactive, ref } from 'vue';
import { reportFault, type FaultSummary, type ReportableMachine } from '../../contract/faults/faults.ts';
import { reportSignal } from '../../contract/due/signals.ts';
import { reportDeficiency } from '../../contract/faults/deficiencies.ts';
import { newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import StepPhoto from '../outbox/StepPhoto.vue';
import { sendOrKeep } from '../outbox/outbox.ts';
import PlainField from '../kit/PlainField.vue';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';

const props = defineProps<{
  machines: readonly ReportableMachine[];
  /** What is open already, as far as whoever reports may see it. */
  open?: readonly Pick<
    FaultSummary,
    'id' | 'machineId' | 'symptom' | 'openedAt' | 'correctBy' | 'responsible' | 'zone'
  >[];
}>();
const emit = defineEmits<{
  /** `kept`: on the device, until there is a connection. `fault`: whose cause can be found by checks. */
  sent: [kept: boolean, fault: string | null];
}>();
const id = newId();
const entry = reactive({
  machineId: props.machines.length === 1 ? props.machines[0]!.id : '',
  symptom: '',
  note: '',
  noticed: '',
});
const photos = ref<string[]>([]);
const { errors, problem, busy, submit } = useForm(reportFault);
const signals = useForm(reportSignal);
const machine = computed(() => props.machines.find(({ id: it }) => it === entry.machineId));
const symptom = computed(() => machine.value?.symptoms.find(({ key }) => key === entry.symptom));
/** The office has this one already. */
const known = computed(() =>
  props.open?.find(({ machineId, symptom: key }) => machineId === entry.machineId && key === entry.symptom),
);
/** Not broken, but asking for upkeep: a lamp, a code, weak flow, a smell. */
const signal = computed(() => machine.value?.signals.find(({ key }) => key === entry.symptom));
/** It works, and upkeep will not cure it. */
const deficiency = computed(() => machine.value?.deficiencies.find(({ key }) => key === entry.symptom));
const deficiencies = useForm(reportDeficiency);
const refused = computed(() => problem.value || signals.problem.value || deficiencies.problem.value);
const choicesOf = (all: readonly { key: string; says: string }[]) =>
  all.map(({ key: value, says }) => ({ value, says }));
const MOST_PHOTOS = 4;
function setPhoto(at: number, photo: string | null): void {
  photos.value = [...photos.value.slice(0, at), ...(photo ? [photo] : []), ...photos.value.slice(at + 1)];
}

async function hand(name: 'signal.report' | 'deficiencies.report' | 'faults.report', form: object): Promise<void> {
  const outcome = await sendOrKeep(id, { kind: 'form', path: pathOf(name, {}), form }, id);
  const findable = name === 'faults.report' && symptom.value?.findable === true;
  emit('sent', outcome.ended === 'kept', findable ? id : null);
}
async function send(): Promise<void> {
  const { machineId, symptom: type, note } = entry;
  if (signal.value)
    await signals.submit({ id, machineId, type, note, photoIds: photos.value }, (form) => hand('signal.report', form));
  else if (deficiency.value)
    await deficiencies.submit({ id, machineId, type, note, photoIds: photos.value }, (form) =>
      hand('deficiencies.report', form),
    );
  else
    await submit({ id, ...entry, noticed: entry.noticed || null, photoIds: photos.value }, (form) =>
      hand('faults.report', form),
    );
}
</script>

<template>
  <form class="stack" @submit.prevent="send">
    <ChoiceList
      v-model="entry.machineId"
      :legend="say('fault.machine')"
      :choices="machines.map(({ id: value, name: says }) => ({ value, says }))"
      :error="errors.machineId"
      @update:model-value="entry.symptom = ''"
    />
    <ChoiceList
      v-if="machine"
      v-slot="{ choice }"
      v-model="entry.symptom"
      :legend="say('fault.what')"
      :choices="choicesOf([...machine.symptoms, ...machine.signals])"
      :error="errors.symptom"
    >
      <Notice v-if="choice.value === entry.symptom && symptom?.tip" class="small" done :says="symptom.tip" />
    </ChoiceList>
    <ChoiceList
      v-if="machine?.deficiencies.length"
      v-model="entry.symptom"
      :legend="say('fault.seen')"
      :choices="choicesOf(machine.deficiencies)"
    />
    <p v-if="symptom?.stopUsing" class="caution strong" role="alert">{{ say('fault.stop') }}</p>
    <p v-if="known" class="told">
      {{
        say('fault.known', {
          at: say.time(known.openedAt, known.zone),
          by: say.time(known.correctBy, known.zone),
          who: known.responsible ?? 'none',
        })
      }}
    </p>
    <template v-if="symptom || signal || deficiency">
      <PlainField v-model="entry.note" :label="say('fault.note')" :rows="2" :error="errors.note" />
      <PlainField
        v-if="symptom"
        v-model="entry.noticed"
        type="date"
        :label="say('fault.noticed')"
        :error="errors.noticed"
      />
      <StepPhoto
        v-for="at in Math.min(photos.length + 1, MOST_PHOTOS)"
        :key="at"
        :label="say('fault.photo', { at })"
        :job="id"
        :model-value="photos[at - 1] ?? null"
        @update:model-value="setPhoto(at - 1, $event)"
      />
    </template>
    <Notice :says="refused" />
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
