<script setup lang="ts">
/** A home's name and building, and taking it out while nothing has happened in it. */
import { onMounted, reactive } from 'vue';
import { useRouter } from 'vue-router';
import { type PlaceAnswer } from '../../contract/pages/place.ts';
import { placeEdit } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ place: PlaceAnswer }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const router = useRouter();
const entry = reactive({ name: props.place.name, buildingId: props.place.buildingId });
const { errors, problem, busy, submit } = useForm(placeEdit);
const removing = useSending();
const homes = useLoading(() => api('homes.read'));
const buildings = () =>
  homes.value.value?.properties
    .find(({ id }) => id === props.place.property.id)
    ?.buildings.map(({ id, name }) => ({ value: id, title: name })) ?? [];

async function save(): Promise<void> {
  if (await submit(entry, (form) => api('place.edit', { id: props.place.id, form }))) emit('saved');
}
async function remove(): Promise<void> {
  const { id } = props.place;
  if (await removing.run(async () => void (await api('units.remove', { form: { ids: [id] } }))))
    await router.push('/homes');
}
onMounted(homes.reload);
</script>

<template>
  <form class="panel card fields" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <VTextField v-model="entry.name" v-focus-first :label="say('place.name')" :error-messages="errors.name" />
    <VSelect
      v-if="buildings().length"
      v-model="entry.buildingId"
      :items="[{ value: null, title: say('place.noBuilding') }, ...buildings()]"
      :label="say('place.building')"
      :error-messages="errors.buildingId"
    />
    <Notice :says="problem || removing.failure.value" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
      <button type="button" class="plain link push" @click="remove">{{ say('place.remove') }}</button>
    </p>
  </form>
</template>
