<script setup lang="ts">
/** Entering what an inspector found: where, at which machine and part, how severe, in the inspector's words. */
import { computed, reactive, ref } from 'vue';
import { SEVERITIES, type Severity } from '../../core/faults/clock.ts';
import { newFinding, type InspectionAnswer } from '../../contract/faults/inspections.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import PhotosField from '../outbox/PhotosField.vue';

const props = defineProps<{ inspection: Pick<InspectionAnswer, 'id' | 'homes'> }>();
const emit = defineEmits<{ entered: [] }>();
const homeId = ref<string | null>(null);
const entry = reactive({
  machineId: '',
  pointId: null as string | null,
  severity: 'moderate' as Severity,
  note: '',
  correctBy: '',
  photoIds: [] as string[],
});
const { errors, problem, busy, submit } = useForm(newFinding);
const machines = computed(() => props.inspection.homes.find(({ id }) => id === homeId.value)?.machines ?? []);
const parts = computed(() => machines.value.find(({ id }) => id === entry.machineId)?.parts ?? []);
const choice = ({ id: value, name: title }: { readonly id: string; readonly name: string }) => ({ value, title });

async function enter(): Promise<void> {
  const form = { id: newId(), ...entry, machineId: entry.machineId || undefined, correctBy: entry.correctBy || null };
  if (!(await submit(form, (it) => api('finding.enter', { id: props.inspection.id, form: it })))) return;
  Object.assign(entry, { pointId: null, note: '', photoIds: [] });
  emit('entered');
}
</script>

<template>
  <form class="stack close" @submit.prevent="enter">
    <div class="fields narrow">
      <VAutocomplete
        v-model="homeId"
        :items="inspection.homes.map(choice)"
        :label="say('finding.home')"
        auto-select-first
        @update:model-value="Object.assign(entry, { machineId: '', pointId: null })"
      />
      <VSelect
        v-model="entry.machineId"
        :items="machines.map(choice)"
        :disabled="!homeId"
        :label="say('finding.machine')"
        :error-messages="errors.machineId"
        @update:model-value="entry.pointId = null"
      />
      <VSelect
        v-model="entry.pointId"
        :items="[{ value: null, title: say('finding.part.none') }, ...parts.map(choice)]"
        :disabled="!entry.machineId"
        :label="say('finding.part')"
        :error-messages="errors.pointId"
      />
      <VSelect
        v-model="entry.severity"
        :items="SEVERITIES.map((value) => ({ value, title: say(`severity.${value}`) }))"
        :label="say('clock.severity')"
        :error-messages="errors.severity"
      />
      <VTextField
        v-model="entry.correctBy"
        type="date"
        persistent-placeholder
        :label="say('finding.correctBy')"
        :error-messages="errors.correctBy"
      />
    </div>
    <VTextarea v-model="entry.note" rows="2" :label="say('finding.note')" :error-messages="errors.note" />
    <PhotosField v-model="entry.photoIds" :label="say('finding.photo')" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('finding.enter') }}</VBtn>
  </form>
</template>
