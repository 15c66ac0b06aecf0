<script setup lang="ts">
/** One machine, added to many units of a property. */
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { type PropertySummary } from '../../contract/register/register.ts';
import { manyMachines } from '../../contract/register/machines.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import CheckList from '../kit/CheckList.vue';
import MachineFields from './MachineFields.vue';

defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [string] }>();
const { value: catalogue, reload } = useLoading(() => api('catalogue.read'));
const entry = reactive({
  type: '',
  maker: '',
  model: '',
  label: '',
  drainBranch: '',
  fuel: 'electric',
  owner: 'landlord',
  hardWired: false,
  leftOut: [] as string[],
});
const type = computed(() => catalogue.value?.machines.find(({ key }) => key === entry.type));
watch(
  () => entry.type,
  () => {
    Object.assign(entry, { leftOut: [], fuel: type.value?.fuels[0] ?? 'electric' });
  },
);
const picked = ref<string[]>([]);
const { errors, problem, busy, submit } = useForm(manyMachines);
let key = newId();
async function save(): Promise<void> {
  if (
    await submit({ placeIds: picked.value, machine: { ...entry } }, (form) =>
      api('machines.createMany', { form, once: key }),
    )
  )
    emit('saved', say('many.done', { count: picked.value.length }));
  else key = newId();
}
onMounted(reload);
</script>

<template>
  <form class="panel card fields" :aria-label="say('many.title')" @submit.prevent="save">
    <VAutocomplete
      v-model="entry.type"
      :items="catalogue?.machines.map(({ key: value, name }) => ({ value, title: name })) ?? []"
      :label="say('machine.type')"
      :error-messages="errors['machine.type']"
      auto-select-first
    />
    <MachineFields v-model="entry" :type="type" :errors="errors" prefix="machine." />
    <CheckList
      v-model="picked"
      class="whole"
      look="many"
      :legend="say('many.units')"
      :choices="property.places.map(({ id: value, name: says }) => ({ value, says }))"
      :error="errors.placeIds"
    >
      <template #legend>
        {{ say('many.units') }}
        <span class="quiet small">{{
          say('many.chosen', { count: picked.length, of: property.places.length })
        }}</span>{{ ' ' }}
        <button type="button" class="plain link small" @click="picked = property.places.map(({ id }) => id)">
          {{ say('many.all') }}</button>{{ ' ' }}
        <button type="button" class="plain link small" @click="picked = []">{{ say('many.none') }}</button>
      </template>
    </CheckList>
    <Notice :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy" :disabled="picked.length === 0">{{
      say('many.save', { count: picked.length })
    }}</VBtn>
  </form>
</template>
