<script setup lang="ts">
/** Several units that are alike, from a template or as copies of one. */
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { newUnits } from '../../contract/register/machines.ts';
import type { AnswerOf } from '../../contract/calls.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import { namesBy, useTemplates } from './useTemplates.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{
  propertyId: string;
  buildings: readonly { readonly id: string; readonly name: string }[];
  copyOf?: string | null;
  buildingId?: string | null;
}>();
const desk = useDesk();
const emit = defineEmits<{ saved: [says: string, ids: readonly string[]] }>();
const { load, chosen, template, items } = useTemplates(props.copyOf ?? null);
const entry = reactive({
  pattern: 'Flat #',
  from: 1,
  count: props.copyOf ? 1 : 4,
  buildingId: props.buildingId ?? props.buildings[0]?.id ?? null,
});
const names = ref('');
watch(
  () => [entry.pattern, entry.from, entry.count] as const,
  ([pattern, from, count]) => {
    names.value = namesBy(pattern, Number(from) || 1, Math.min(300, Number(count) || 0)).join('\n');
  },
  { immediate: true },
);
const list = computed(() =>
  names.value
    .split('\n')
    .map((name) => name.trim())
    .filter(Boolean),
);
const { errors, problem, busy, submit } = useForm(newUnits);
let key = newId();
async function save(): Promise<void> {
  const form = {
    propertyId: props.propertyId,
    buildingId: entry.buildingId,
    names: list.value,
    machines: template.value?.machines ?? [],
  };
  let added: AnswerOf<'units.create'> | null = null;
  if (
    !(await submit(form, async (it) => {
      added = await api('units.create', { form: it, once: key });
    }))
  ) {
    key = newId();
    return;
  }
  const { points, ids } = added!;
  emit('saved', say('units.done', { count: ids.length, points }), ids);
}
onMounted(load);
</script>

<template>
  <form class="panel card fields" :aria-label="say('units.title')" @submit.prevent="save">
    <VSelect
      v-model="chosen"
      class="whole"
      :items="items"
      :label="say('units.template')"
      :hint="template ? say('units.says', { machines: template.machines.length, points: template.points }) : ''"
      persistent-hint
    />
    <p v-if="desk.managesAll" class="small whole">
      <RouterLink to="/homes/templates">{{ say('template.change') }}</RouterLink>
    </p>
    <VTextField v-model="entry.pattern" :label="say('units.pattern')" :hint="say('units.pattern.hint')" />
    <VTextField v-model.number="entry.from" type="number" min="0" :label="say('units.from')" />
    <VTextField v-model.number="entry.count" type="number" min="1" max="300" :label="say('units.count')" />
    <VSelect
      v-if="buildings.length"
      v-model="entry.buildingId"
      :items="[
        { value: null, title: say('building.none') },
        ...buildings.map(({ id, name }) => ({ value: id, title: name })),
      ]"
      :label="say('units.building')"
    />
    <VTextarea
      v-model="names"
      class="whole"
      :label="say('units.names')"
      rows="3"
      max-rows="8"
      :error-messages="errors.names"
    />
    <Notice :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy" :disabled="list.length === 0">{{
      say('units.save', { count: list.length })
    }}</VBtn>
  </form>
</template>
