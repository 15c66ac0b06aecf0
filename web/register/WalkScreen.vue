<script setup lang="ts">
/** Walking a home with a phone: pick what stands there, snap its rating plate, next. */
import { computed, onMounted, reactive, ref } from 'vue';
import { newMachine } from '../../contract/register/machines.ts';
import { api, newId, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import PhotoField from '../outbox/PhotoField.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';

const props = defineProps<{ id: string }>();
const home = useLoading(() => api('place.read', { id: props.id }));
const { value: place, reload } = home;
const catalogue = useLoading(() => api('catalogue.read'));
const find = ref('');
const fresh = () => ({
  id: newId(),
  type: '',
  label: '',
  maker: '',
  model: '',
  fuel: 'electric',
  owner: 'landlord',
  drainBranch: '',
  platePhotoId: null as string | null,
  lastDone: '',
});
const entry = reactive(fresh());
const told = ref('');
const last = ref<{ id: string; name: string } | null>(null);
const { errors, problem, busy, submit } = useForm(newMachine);
const sending = useSending();

const types = computed(() =>
  (catalogue.value.value?.machines ?? []).filter(({ name }) =>
    name.toLowerCase().includes(find.value.trim().toLowerCase()),
  ),
);
const type = computed(() => catalogue.value.value?.machines.find(({ key }) => key === entry.type));
const countOf = (key: string) =>
  place.value?.machines.filter((machine) => machine.type === key && !machine.retired).length ?? 0;

async function add(): Promise<void> {
  const name = type.value!.name;
  const { id } = entry;
  if (
    !(await submit({ ...entry, lastDone: entry.lastDone || null, placeId: props.id }, (form) =>
      api('machine.create', { form, once: id }),
    ))
  )
    return;
  last.value = { id, name };
  told.value = say('walk.added', { names: name });
  Object.assign(entry, fresh());
  find.value = '';
  await reload();
  window.scrollTo(0, 0);
}
async function undo(): Promise<void> {
  const it = last.value!;
  await sending.run(async () => {
    await api('machine.remove', { id: it.id });
  });
  last.value = null;
  told.value = say('walk.undone');
  await reload();
}
onMounted(() => Promise.all([reload(), catalogue.reload()]));
</script>

<template>
  <PageFrame width="phone" :title="place ? say('walk.title', { name: place.name }) : ''" :of="home">
    <template v-if="place" #lead
      ><p class="quiet small">{{ place.property.name }}</p></template
    >
    <Notice :says="sending.failure.value" />
    <template v-if="place">
      <UndoBar :says="told" :undoable="last !== null" :label="say('walk.undo')" @undo="undo" />
      <template v-if="!type">
        <VTextField v-model="find" :label="say('walk.find')" hide-details density="compact" clearable />
        <h2>{{ say('walk.pick') }}</h2>
        <p v-if="types.length === 0 && find" class="quiet">{{ say('walk.nothing') }}</p>
        <ul class="stack close">
          <li v-for="it in types" :key="it.key">
            <button type="button" class="choice" @click="entry.type = it.key">
              <span>{{ it.name }}</span><b v-if="countOf(it.key)" class="dew">{{ countOf(it.key) }}</b>
            </button>
          </li>
        </ul>
        <VBtn variant="outlined" size="large" block :to="`/homes/${place.id}`">{{ say('walk.done') }}</VBtn>
      </template>
      <form v-else class="stack" @submit.prevent="add">
        <h2>{{ type.name }}</h2>
        <PhotoField
          v-model="entry.platePhotoId"
          :label="say(entry.platePhotoId ? 'walk.retake' : 'walk.snap')"
          camera
        />
        <img
          v-if="entry.platePhotoId"
          class="picture"
          :src="photoUrl(entry.platePhotoId)"
          :alt="say('machine.plate.alt')"
        />
        <details class="stack close">
          <summary class="strong whole-row">{{ say('walk.details') }}</summary>
          <VTextField v-model="entry.maker" :label="say('machine.maker')" :error-messages="errors.maker" />
          <VTextField v-model="entry.model" :label="say('machine.model')" :error-messages="errors.model" />
          <VTextField
            v-model="entry.lastDone"
            type="date"
            :label="say('machine.lastDone')"
            :hint="say('machine.lastDone.hint')"
            persistent-hint
            :error-messages="errors.lastDone"
          />
          <VTextField v-model="entry.label" :label="say('machine.label')" :error-messages="errors.label" />
          <VSelect
            v-if="type.fuels.length > 1"
            v-model="entry.fuel"
            :items="type.fuels.map((value) => ({ value, title: say(`machine.fuel.${value}`) }))"
            :label="say('machine.fuel')"
          />
          <VTextField
            v-if="type.drains"
            v-model="entry.drainBranch"
            :label="say('machine.branch')"
            :hint="say('machine.branch.hint')"
            persistent-hint
          />
        </details>
        <Notice :says="problem" />
        <VBtn type="submit" color="primary" size="x-large" block :loading="busy">{{ say('walk.next') }}</VBtn>
        <VBtn variant="outlined" size="large" block @click="entry.type = ''">{{ say('back') }}</VBtn>
      </form>
    </template>
  </PageFrame>
</template>
