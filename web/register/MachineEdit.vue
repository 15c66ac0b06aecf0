<script setup lang="ts">
/** What a machine is: its maker, its name here, since when, and taking it out while nothing has happened with it. */
import { reactive } from 'vue';
import { machineChange, type MachineSummary } from '../../contract/register/machines.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import MachineFields from './MachineFields.vue';

const props = defineProps<{ machine: MachineSummary; fuels: readonly string[] }>();
const emit = defineEmits<{ saved: [] }>();
const { maker, model, label, installed, fuel, owner } = props.machine;
const entry = reactive({ maker, model, label, installed, fuel: fuel as string, owner: owner as string });
const { errors, problem, busy, submit } = useForm(machineChange);
const removing = useSending();

async function save(): Promise<void> {
  const sent = await submit({ ...entry, installed: entry.installed || null }, (form) =>
    api('machine.change', { id: props.machine.id, form }),
  );
  if (sent) emit('saved');
}
async function remove(): Promise<void> {
  if (await removing.run(async () => void (await api('machine.remove', { id: props.machine.id })))) emit('saved');
}
</script>

<template>
  <form class="fields" @submit.prevent="save">
    <MachineFields v-model="entry" :type="{ fuels }" :errors="errors">
      <VTextField
        v-model="entry.installed"
        type="date"
        :label="say('machine.installed')"
        :error-messages="errors.installed"
      />
    </MachineFields>
    <Notice :says="problem || removing.failure.value" />
    <p class="row middle whole">
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('machine.change') }}</VBtn>
      <button type="button" class="plain link" @click="remove">{{ say('machine.remove') }}</button>
    </p>
  </form>
</template>
