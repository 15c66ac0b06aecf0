<script setup lang="ts">
/** One machine, added to many units of a property. */
import { computed, onMounted, reactive, ref } from 'vue';
import { manyMachines, type PropertySummary } from '../../contract/register.ts';
import { api, newId } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';

defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [string] }>();
const { value: catalogue, reload } = useLoading(() => api('catalogue.read'));
const entry = reactive({ type: '', maker: '', model: '', drainBranch: '', fuel: 'electric' });
const picked = ref<string[]>([]);
const type = computed(() => catalogue.value?.machines.find(({ key }) => key === entry.type));
const { errors, refusal, busy, submit } = useForm(manyMachines);
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
  <form class="panel form" :aria-label="say('many.title')" @submit.prevent="save">
    <VAutocomplete
      v-model="entry.type"
      :items="catalogue?.machines.map(({ key: value, name }) => ({ value, title: name })) ?? []"
      :label="say('machine.type')"
      :error-messages="errors['machine.type']"
      auto-select-first
    />
    <VTextField v-model="entry.maker" :label="say('machine.maker')" :error-messages="errors['machine.maker']" />
    <VTextField v-model="entry.model" :label="say('machine.model')" :error-messages="errors['machine.model']" />
    <VSelect
      v-if="(type?.fuels.length ?? 0) > 1"
      v-model="entry.fuel"
      :items="type!.fuels.map((value) => ({ value, title: say(`machine.fuel.${value}`) }))"
      :label="say('machine.fuel')"
    />
    <VTextField
      v-if="type?.drains"
      v-model="entry.drainBranch"
      :label="say('machine.branch')"
      :hint="say('machine.branch.hint')"
    />
    <fieldset class="wide">
      <legend>
        {{ say('many.units') }}
        <span class="quiet small">{{
          say('many.chosen', { count: picked.length, of: property.places.length })
        }}</span>{{ ' ' }}
        <button type="button" class="plain link small" @click="picked = property.places.map(({ id }) => id)">
          {{ say('many.all') }}</button>{{ ' ' }}
        <button type="button" class="plain link small" @click="picked = []">{{ say('many.none') }}</button>
      </legend>
      <label v-for="place in property.places" :key="place.id"
        ><input v-model="picked" type="checkbox" :value="place.id" /> {{ place.name }}</label
      >
      <p v-if="errors.placeIds" class="alarm small" role="alert">{{ errors.placeIds }}</p>
    </fieldset>
    <p v-if="refusal" class="tell wide" role="alert">{{ refusal }}</p>
    <VBtn type="submit" color="primary" :loading="busy" :disabled="picked.length === 0">{{
      say('many.save', { count: picked.length })
    }}</VBtn>
  </form>
</template>

<style scoped>
.form {
  padding: 16px;
  margin-top: 10px;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 4px 14px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 2px 12px;
}
legend {
  font-weight: 640;
  padding: 0 0 4px;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  min-height: 28px;
}
.v-btn {
  justify-self: start;
}
</style>
