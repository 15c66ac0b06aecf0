<script setup lang="ts">
/** One machine, added to many units of a property. */
import { computed, onMounted, reactive, ref } from 'vue';
import { type PropertySummary } from '../../contract/register/register.ts';
import { manyMachines } from '../../contract/register/machines.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import CheckList from '../kit/CheckList.vue';

defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [string] }>();
const { value: catalogue, reload } = useLoading(() => api('catalogue.read'));
const entry = reactive({ type: '', maker: '', model: '', drainBranch: '', fuel: 'electric' });
const picked = ref<string[]>([]);
const type = computed(() => catalogue.value?.machines.find(({ key }) => key === entry.type));
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
