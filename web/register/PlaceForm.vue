<script setup lang="ts">
/** Registering a unit or a shared space, and a building for it where there is none yet. */
import { reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { newBuilding, newPlace, PLACE_KINDS, type PropertySummary } from '../../contract/register/register.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [] }>();
const router = useRouter();

const entry = reactive({
  id: newId(),
  propertyId: props.property.id,
  buildingId: props.property.buildings[0]?.id ?? null,
  kind: 'unit' as const,
  name: '',
});
const building = reactive({ id: newId(), propertyId: props.property.id, name: '' });
const addingBuilding = ref(false);
const place = useForm(newPlace);
const house = useForm(newBuilding);

async function saveBuilding(): Promise<void> {
  if (!(await house.submit(building, (form) => api('building.create', { form, once: building.id })))) return;
  emit('saved');
}
async function save(): Promise<void> {
  if (await place.submit(entry, (form) => api('place.create', { form, once: entry.id })))
    await router.push(`/homes/${entry.id}`);
}
</script>

<template>
  <div class="panel card stack close">
    <form class="fields" @submit.prevent="save">
      <VTextField v-model="entry.name" :label="say('place.name')" :error-messages="place.errors.name" v-focus-first />
      <VSelect
        v-model="entry.kind"
        :items="PLACE_KINDS.map((value) => ({ value, title: say(`place.kind.${value}`) }))"
        :label="say('place.kind')"
      />
      <VSelect
        v-model="entry.buildingId"
        :items="[
          { value: null, title: say('building.none') },
          ...property.buildings.map(({ id, name }) => ({ value: id, title: name })),
        ]"
        :label="say('place.building')"
        :error-messages="place.errors.buildingId"
      />
      <Notice :says="place.problem.value" />
      <VBtn type="submit" color="primary" :loading="place.busy.value">{{ say('place.save') }}</VBtn>
      <VBtn variant="text" @click="addingBuilding = !addingBuilding">{{ say('homes.addBuilding') }}</VBtn>
    </form>
    <form v-if="addingBuilding" class="fields" @submit.prevent="saveBuilding">
      <VTextField v-model="building.name" :label="say('building.name')" :error-messages="house.errors.name" />
      <Notice :says="house.problem.value" />
      <VBtn type="submit" variant="outlined" :loading="house.busy.value">{{ say('building.save') }}</VBtn>
    </form>
  </div>
</template>
