<script setup lang="ts">
/** Registering a machine: picked by type; its service points appear by themselves. */
import { computed, onMounted, reactive, watch } from 'vue';
import { type PlaceAnswer } from '../../contract/pages/place.ts';
import { newMachine } from '../../contract/register/machines.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import PhotoField from '../outbox/PhotoField.vue';
import Notice from '../kit/Notice.vue';
import MachineFields from './MachineFields.vue';

const props = defineProps<{ place: PlaceAnswer }>();
const emit = defineEmits<{ saved: [] }>();

const { value: catalogue, reload } = useLoading(() => api('catalogue.read'));
const homes = useLoading(() => api('homes.read'));
const entry = reactive({
  id: newId(),
  placeId: props.place.id,
  type: '',
  label: '',
  maker: '',
  model: '',
  installed: null as string | null,
  lastDone: null as string | null,
  fuel: 'electric',
  owner: 'landlord',
  drainBranch: '',
  hardWired: false,
  serves: [] as string[],
  shutoffPhotoId: null as string | null,
  platePhotoId: null as string | null,
  leftOut: [] as string[],
});
const { errors, problem, busy, submit } = useForm(newMachine);
const type = computed(() => catalogue.value?.machines.find(({ key }) => key === entry.type));
const neighbours = computed(
  () =>
    homes.value.value?.properties
      .find(({ id }) => id === props.place.property.id)
      ?.places.filter(({ id, kind }) => id !== props.place.id && kind === 'unit') ?? [],
);

watch(
  () => entry.type,
  () => {
    Object.assign(entry, { leftOut: [], fuel: type.value?.fuels[0] ?? 'electric' });
  },
);

async function save(): Promise<void> {
  if (
    await submit({ ...entry, installed: entry.installed || null, lastDone: entry.lastDone || null }, (form) =>
      api('machine.create', { form, once: entry.id }),
    )
  )
    emit('saved');
}
onMounted(() => Promise.all([reload(), homes.reload()]));
</script>

<template>
  <form class="panel card fields" @submit.prevent="save">
    <VAutocomplete
      v-model="entry.type"
      auto-select-first
      :items="catalogue?.machines.map(({ key, name }) => ({ value: key, title: name })) ?? []"
      :label="say('machine.type')"
      :error-messages="errors.type"
    />
    <MachineFields v-model="entry" :type="type" :errors="errors">
      <VTextField
        v-model="entry.installed"
        type="date"
        :label="say('machine.installed')"
        :error-messages="errors.installed"
      />
      <VTextField
        v-model="entry.lastDone"
        type="date"
        :label="say('machine.lastDone')"
        :hint="say('machine.lastDone.hint')"
        :error-messages="errors.lastDone"
      />
      <template #more>
        <VSelect
          v-if="place.kind === 'shared'"
          v-model="entry.serves"
          multiple
          chips
          :items="neighbours.map(({ id, name }) => ({ value: id, title: name }))"
          :label="say('machine.serves')"
          :error-messages="errors.serves"
        />
        <PhotoField
          v-model="entry.shutoffPhotoId"
          :label="say('machine.shutoff')"
          :hint="say('machine.shutoff.hint')"
        />
        <PhotoField v-model="entry.platePhotoId" :label="say('machine.plate')" />
      </template>
    </MachineFields>
    <Notice :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('machine.save') }}</VBtn>
  </form>
</template>
