<script setup lang="ts">
/** What a property is called and where it is, its buildings, and taking it out while nothing hangs on it. */
import { reactive } from 'vue';
import { buildingEdit, propertyEdit, type PropertySummary } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import ZoneField from '../people/ZoneField.vue';

const props = defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [] }>();
const { name, address, zone } = props.property;
const entry = reactive({ name, address, zone });
const names = reactive(Object.fromEntries(props.property.buildings.map((it) => [it.id, it.name])));
const { errors, problem, busy, submit } = useForm(propertyEdit);
const building = useForm(buildingEdit);
const removing = useSending();

async function save(): Promise<void> {
  if (await submit(entry, (form) => api('property.edit', { id: props.property.id, form }))) emit('saved');
}
async function rename(id: string): Promise<void> {
  if (await building.submit({ name: names[id] }, (form) => api('building.edit', { id, form }))) emit('saved');
}
async function remove(what: 'property.remove' | 'building.remove', id: string): Promise<void> {
  if (await removing.run(async () => void (await api(what, { id })))) emit('saved');
}
</script>

<template>
  <div class="panel card stack close">
    <form class="fields" @submit.prevent="save">
      <VTextField v-model="entry.name" :label="say('property.name')" :error-messages="errors.name" />
      <VTextField v-model="entry.address" :label="say('property.address')" :error-messages="errors.address" />
      <ZoneField v-model="entry.zone" :label="say('property.zone')" :error="errors.zone" />
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('save') }}</VBtn>
    </form>
    <form v-for="it in property.buildings" :key="it.id" class="fields inline" @submit.prevent="rename(it.id)">
      <VTextField v-model="names[it.id]" :label="say('building.name')" density="compact" hide-details />
      <VBtn type="submit" variant="outlined" :disabled="names[it.id] === it.name">{{ say('building.rename') }}</VBtn>
      <button type="button" class="plain link" @click="remove('building.remove', it.id)">
        {{ say('building.remove') }}
      </button>
    </form>
    <Notice :says="building.problem.value" />
    <p class="small">
      <button
        v-if="!property.places.length"
        type="button"
        class="plain link"
        @click="remove('property.remove', property.id)"
      >
        {{ say('property.remove') }}</button><span v-else class="quiet">{{ say('property.remove.why') }}</span>
    </p>
    <Notice :says="removing.failure.value" />
  </div>
</template>
