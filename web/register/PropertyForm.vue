<script setup lang="ts">
/** Registering a property. */
import { onMounted, reactive } from 'vue';
import { newProperty } from '../../contract/register/register.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import ZoneField from '../people/ZoneField.vue';
import { namesBy, useTemplates } from './useTemplates.ts';
import WaterAndPractice from './WaterAndPractice.vue';
import Notice from '../kit/Notice.vue';

const emit = defineEmits<{ saved: [says: string, ids: readonly string[]] }>();
const { load, chosen, template, items } = useTemplates(null);
const units = reactive({ count: 0, pattern: 'Flat #' });
chosen.value = 'oneBed';
const entry = reactive({
  id: newId(),
  name: '',
  address: '',
  zone: deviceZone(),
  water: { source: 'public' as 'public' | 'well', hardnessMgL: null as number | null },
  practice: null as Practice | null,
});
const { errors, problem, busy, submit } = useForm(newProperty);

async function save(): Promise<void> {
  let says = '';
  let ids: readonly string[] = [];
  const done = await submit(entry, async (form) => {
    await api('property.create', { form, once: entry.id });
    const names = namesBy(units.pattern, 1, Math.min(300, Number(units.count) || 0));
    if (names.length === 0) return;
    const added = await api('units.create', {
      form: { propertyId: entry.id, buildingId: null, names, machines: template.value?.machines ?? [] },
      once: unitsKey,
    });
    ids = added.ids;
    says = say('units.done', { count: names.length, points: added.points });
  });
  if (done) emit('saved', says, ids);
}
const unitsKey = newId();
onMounted(load);
</script>

<template>
  <form class="panel card fields wide-ones" @submit.prevent="save">
    <VTextField v-model="entry.name" :label="say('property.name')" :error-messages="errors.name" v-focus-first />
    <VTextField v-model="entry.address" :label="say('property.address')" :error-messages="errors.address" />
    <ZoneField v-model="entry.zone" :label="say('property.zone')" :error="errors.zone" />
    <WaterAndPractice v-model:water="entry.water" v-model:practice="entry.practice" :errors="errors" />
    <fieldset class="whole fields">
      <legend>{{ say('units.first') }}</legend>
      <VTextField v-model.number="units.count" type="number" min="0" max="300" :label="say('units.count')" />
      <VTextField v-model="units.pattern" :label="say('units.pattern')" :hint="say('units.pattern.hint')" />
      <VSelect
        v-model="chosen"
        class="template"
        :items="items"
        :label="say('units.template')"
        :hint="template ? say('units.says', { machines: template.machines.length, points: template.points }) : ''"
        persistent-hint
      />
    </fieldset>
    <Notice :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('property.save') }}</VBtn>
  </form>
</template>
