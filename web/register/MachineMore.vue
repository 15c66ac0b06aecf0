<script setup lang="ts">
/** What is seldom wanted of a machine: its contractor, its signals, its end. */
import { reactive, ref } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { contractOf, type MachineSummary } from '../../contract/register.ts';
import { newId, write } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ machine: MachineSummary; today: number }>();
const emit = defineEmits<{ saved: [] }>();
const entry = reactive({ everyMonths: props.machine.contract?.everyMonths ?? 6, lastVisit: props.machine.contract?.lastVisit ?? isoFromDay(props.today) });
const { errors, refusal, busy, submit } = useForm(contractOf);
const sending = useSending();
const secret = ref<{ id: string; privateKey: string } | null>(null);
const sure = ref(false);

async function saveContract(contract: typeof entry | null): Promise<void> {
  if (await submit({ contract }, (form) => write('PUT', `/machines/${props.machine.id}/contract`, form, newId()))) emit('saved');
}
async function connect(): Promise<void> {
  await sending.run(async () => { secret.value = await write<{ id: string; privateKey: string }>('POST', `/machines/${props.machine.id}/emitters`, {}, newId()); });
}
async function disconnect(id: string): Promise<void> {
  if (await sending.run(async () => { await write('DELETE', `/emitters/${id}`); })) emit('saved');
}
async function retire(): Promise<void> {
  if (!sure.value) { sure.value = true; return; }
  if (await sending.run(async () => { await write('POST', `/machines/${props.machine.id}/retirement`, { day: isoFromDay(props.today) }, newId()); })) emit('saved');
}
</script>

<template>
  <div class="more panel small">
    <form @submit.prevent="saveContract(entry)">
      <VTextField v-model.number="entry.everyMonths" type="number" min="1" max="24" :label="say('machine.contract')" :suffix="say('machine.contract.months')" density="compact" :error-messages="errors['contract.everyMonths']" />
      <VTextField v-model="entry.lastVisit" type="date" :label="say('machine.contract.last')" density="compact" :error-messages="errors['contract.lastVisit']" />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('machine.contract.save') }}</VBtn>
      <button v-if="machine.contract" type="button" class="plain link" @click="saveContract(null)">{{ say('machine.contract.none') }}</button>
    </form>
    <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
    <p class="acts">
      <RouterLink :to="{ path: '/practice', query: { where: `machine/${machine.id}`, name: machine.name } }">{{ say('practice.here') }}</RouterLink>
      <button type="button" class="plain link" @click="connect">{{ say('machine.emitter') }}</button>
      <template v-for="it in machine.emitters.filter(({ retired }) => !retired)" :key="it.id"><span class="quiet">{{ it.id.slice(-6) }} <button type="button" class="plain link" @click="disconnect(it.id)">{{ say('machine.emitter.end') }}</button></span></template>
      <button type="button" class="plain link end" :class="{ alarm: sure }" @click="retire">{{ say(sure ? 'machine.retire.sure' : 'machine.retire') }}</button>
    </p>
    <div v-if="secret" class="secret" role="status"><p>{{ say('machine.emitter.once') }}</p><code>{{ secret.id }}</code><code>{{ secret.privateKey }}</code></div>
    <p v-if="sending.failure.value" class="tell" role="alert">{{ sending.failure.value }}</p>
  </div>
</template>

<style scoped>
.more { padding: 12px; display: grid; gap: 8px; margin-top: 6px; }
form { display: grid; grid-template-columns: 190px 170px auto auto; gap: 10px; align-items: start; }
form .v-btn { min-height: 40px; }
.acts { display: flex; flex-wrap: wrap; gap: 6px 18px; }
.end { margin-left: auto; }
.secret { display: grid; gap: 4px; }
code { overflow-wrap: anywhere; user-select: all; background: var(--ground); padding: 2px 6px; }
.link.alarm { color: var(--alarm); }
@media (max-width: 860px) { form { grid-template-columns: 1fr; } }
</style>
