<script setup lang="ts">
/** Registering a property. */
import { reactive } from 'vue';
import { newProperty } from '../../contract/register.ts';
import { newId, write } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';
import type { Practice } from '../../core/due/practice.ts';
import ZoneField from '../people/ZoneField.vue';
import WaterAndPractice from './WaterAndPractice.vue';

const emit = defineEmits<{ saved: [] }>();
const entry = reactive({
  id: newId(), name: '', address: '', zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  water: { source: 'public' as 'public' | 'well', hardnessMgL: null as number | null }, practice: null as Practice | null,
});
const { errors, refusal, busy, submit } = useForm(newProperty);

async function save(): Promise<void> {
  if (await submit(entry, (form) => write('POST', '/properties', form, entry.id))) emit('saved');
}
</script>

<template>
  <form class="panel form" @submit.prevent="save">
    <VTextField v-model="entry.name" :label="say('property.name')" :error-messages="errors.name" autofocus />
    <VTextField v-model="entry.address" :label="say('property.address')" :error-messages="errors.address" />
    <ZoneField v-model="entry.zone" :label="say('property.zone')" :error="errors.zone" />
    <WaterAndPractice v-model:water="entry.water" v-model:practice="entry.practice" :errors="errors" />
    <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
    <VBtn type="submit" color="primary" :loading="busy">{{ say('property.save') }}</VBtn>
  </form>
</template>

<style scoped>
.form { padding: 18px; display: grid; grid-template-columns: repeat(auto-fit, minmax(260px, 1fr)); gap: 4px 16px; }
.tell, .v-btn { grid-column: 1 / -1; justify-self: start; }
</style>
