<script setup lang="ts">
/** Somebody of the office: added or changed. */
import { reactive, ref } from 'vue';
import {
  OFFICE_LEVELS,
  newPerson,
  personChange,
  type NamedProperty,
  type Person,
} from '../../contract/people/people.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ person?: Person; properties: readonly NamedProperty[] }>();
/** Who was saved, whether they are new, and how many jobs of theirs are where they do not look any more. */
const emit = defineEmits<{
  saved: [who: { id: string; name: string }, fresh: boolean, elsewhere: number];
  cancelled: [];
}>();
const id = props.person?.id ?? newId();
const entry = reactive({
  name: props.person?.name ?? '',
  email: props.person?.email ?? '',
  roles: [...(props.person?.roles ?? ['staff'])].filter((role) => role === 'manager' || role === 'staff'),
  level: props.person?.level ?? ('staff' as const),
  hoursAWeek: (props.person?.hoursAWeek ?? null) as number | string | null,
});
const limited = ref(Boolean(props.person?.properties));
const chosen = ref(props.person?.properties?.map((it) => it.id) ?? []);
const form = useForm(props.person ? personChange : newPerson);

async function save(): Promise<void> {
  const { person } = props;
  const properties = limited.value ? chosen.value : null;
  let elsewhere = 0;
  const hoursAWeek = entry.hoursAWeek === '' ? null : entry.hoursAWeek;
  const saved = await form.submit({ ...entry, hoursAWeek, properties, id }, async (it) => {
    if (!person) await api('people.create', { form: { ...it, id, password: null }, once: id });
    else {
      const { name, email, roles, level, hoursAWeek: hours } = it;
      const change = { name, email, roles, level, hoursAWeek: hours, properties };
      ({ elsewhere } = await api('people.change', { id, form: change }));
    }
  });
  if (saved) emit('saved', { id, name: entry.name }, !person, elsewhere);
}
const LEVEL_CHOICES = OFFICE_LEVELS.map((value) => ({ value, title: say(`people.level.${value}`) }));
const ROLES = (['manager', 'staff'] as const).map((value) => ({ value, title: say(`people.role.${value}`) }));
</script>

<template>
  <form class="panel card fields" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <VTextField v-model="entry.name" :label="say('people.name')" :error-messages="form.errors.name" />
    <VTextField v-model="entry.email" type="email" :label="say('people.email')" :error-messages="form.errors.email" />
    <VSelect
      v-model="entry.roles"
      multiple
      :items="ROLES"
      :label="say('people.roles')"
      :error-messages="form.errors.roles"
    />
    <VSelect
      v-model="entry.level"
      :items="LEVEL_CHOICES"
      :label="say('people.level')"
      :hint="say('people.level.hint')"
      persistent-hint
      :error-messages="form.errors.level"
    />
    <VTextField
      v-model.number="entry.hoursAWeek"
      type="number"
      min="0"
      max="80"
      step="0.5"
      :label="say('people.hours')"
      :error-messages="form.errors.hoursAWeek"
    />
    <VCheckbox v-model="limited" :label="say('people.limited')" density="compact" hide-details />
    <VSelect
      v-if="limited"
      v-model="chosen"
      multiple
      :items="properties"
      item-value="id"
      item-title="name"
      :label="say('people.limitedTo')"
      :hint="say('people.limited.hint')"
      persistent-hint
      :error-messages="form.errors.properties"
    />
    <Notice :says="form.problem.value" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="form.busy.value">{{ say(person ? 'save' : 'people.save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
