<script setup lang="ts">
/** Registering a machine: picked by type; its service points appear by themselves. */
import { computed, onMounted, reactive, watch } from 'vue';
import { type PlaceAnswer } from '../../contract/pages/place.ts';
import { newMachine, OWNERS } from '../../contract/register/machines.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import { say } from '../language/say.ts';
import PhotoField from '../outbox/PhotoField.vue';
import Notice from '../kit/Notice.vue';

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
  owner: 'landlord' as const,
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

const toggle = (key: string) => {
  entry.leftOut = entry.leftOut.includes(key) ? entry.leftOut.filter((it) => it !== key) : [...entry.leftOut, key];
};
watch(
  () => entry.type,
  () => {
    entry.leftOut = [];
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
    <VTextField v-model="entry.maker" :label="say('machine.maker')" :error-messages="errors.maker" />
    <VTextField v-model="entry.model" :label="say('machine.model')" :error-messages="errors.model" />
    <VTextField v-model="entry.label" :label="say('machine.label')" :error-messages="errors.label" />
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
    <VSelect
      v-model="entry.fuel"
      :items="(type?.fuels ?? ['electric']).map((value) => ({ value, title: say(`machine.fuel.${value}`) }))"
      :label="say('machine.fuel')"
      :error-messages="errors.fuel"
    />
    <VSelect
      v-model="entry.owner"
      :items="OWNERS.map((value) => ({ value, title: say(`machine.owner.${value}`) }))"
      :label="say('machine.owner')"
    />
    <VCheckbox
      v-model="entry.hardWired"
      :label="say('machine.hardWired')"
      :hint="say('machine.hardWired.hint')"
      persistent-hint
      density="compact"
    />
    <VTextField
      v-if="type?.drains"
      v-model="entry.drainBranch"
      :label="say('machine.branch')"
      :hint="say('machine.branch.hint')"
      persistent-hint
      :error-messages="errors.drainBranch"
    />
    <VSelect
      v-if="place.kind === 'shared'"
      v-model="entry.serves"
      multiple
      chips
      :items="neighbours.map(({ id, name }) => ({ value: id, title: name }))"
      :label="say('machine.serves')"
      :error-messages="errors.serves"
    />
    <PhotoField v-model="entry.shutoffPhotoId" :label="say('machine.shutoff')" :hint="say('machine.shutoff.hint')" />
    <PhotoField v-model="entry.platePhotoId" :label="say('machine.plate')" />
    <fieldset v-if="type" class="points options across whole small">
      <legend>
        <b>{{ say('machine.points') }}</b>{{ ' ' }}
        <span v-if="type.points.length > 1" class="quiet">{{ say('machine.parts.why') }}</span>
      </legend>
      <label v-for="point in type.points" :key="point.key"
        ><input type="checkbox" :checked="!entry.leftOut.includes(point.key)" @change="toggle(point.key)" />{{ ' ' }}
        <KindGlyph :kind="point.kind" /> {{ point.name }}</label
      >
      <p v-if="errors.leftOut" class="alarm" role="alert">{{ errors.leftOut }}</p>
    </fieldset>
    <Notice :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('machine.save') }}</VBtn>
  </form>
</template>
