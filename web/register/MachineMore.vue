<script setup lang="ts">
/** What is seldom wanted of a machine: what it is, its contractor, its signals, its end. */
import { computed, onMounted, reactive, ref } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { contractOf, type MachineSummary } from '../../contract/register/machines.ts';
import { api, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import MachineEdit from './MachineEdit.vue';

const props = defineProps<{ machine: MachineSummary; placeId: string; today: number }>();
const emit = defineEmits<{ saved: [] }>();
const entry = reactive({
  everyMonths: props.machine.contract?.everyMonths ?? 6,
  lastVisit: props.machine.contract?.lastVisit ?? isoFromDay(props.today),
  name: props.machine.contract?.name ?? '',
  email: props.machine.contract?.email ?? '',
});
const { errors, problem, busy, submit } = useForm(contractOf);
const sending = useSending();
const secret = ref<{ id: string; privateKey: string } | null>(null);
const catalogue = useLoading(() => api('catalogue.read'));
const homes = useLoading(() => api('homes.read'));
const kind = computed(() => catalogue.value.value?.machines.find(({ key }) => key === props.machine.type));
const parts = computed(() => kind.value?.points ?? []);
const leftOut = ref<string[]>([...props.machine.leftOut]);
const target = ref<string | null>(null);
const targets = computed(() =>
  (homes.value.value?.properties ?? []).flatMap(({ name, places }) =>
    places
      .filter(({ id }) => id !== props.placeId)
      .map((place) => ({ value: place.id, title: `${name}, ${place.name}` })),
  ),
);
const branch = ref(props.machine.drainBranch);
const hardWired = ref(props.machine.hardWired);
onMounted(() => Promise.all([catalogue.reload(), homes.reload()]));

async function saveContract(contract: typeof entry | null): Promise<void> {
  if (await submit({ contract }, (form) => api('machine.contract', { id: props.machine.id, form }))) emit('saved');
}
const toggle = (key: string) => {
  leftOut.value = leftOut.value.includes(key) ? leftOut.value.filter((it) => it !== key) : [...leftOut.value, key];
};
async function saveParts(): Promise<void> {
  if (
    await sending.run(async () => {
      await api('machine.change', {
        id: props.machine.id,
        form: { leftOut: leftOut.value, drainBranch: branch.value, hardWired: hardWired.value },
      });
    })
  )
    emit('saved');
}
async function move(): Promise<void> {
  const placeId = target.value;
  if (!placeId) return;
  const moved = await sending.run(async () => {
    await api('machine.move', { id: props.machine.id, form: { placeId } });
  });
  if (moved) emit('saved');
}
async function connect(): Promise<void> {
  await sending.run(async () => {
    secret.value = await api('emitter.create', { id: props.machine.id });
  });
}
async function disconnect(id: string): Promise<void> {
  if (
    await sending.run(async () => {
      await api('emitter.retire', { id });
    })
  )
    emit('saved');
}
async function retire(): Promise<void> {
  if (
    await sending.run(async () => {
      await api('machine.retire', { id: props.machine.id, form: { day: isoFromDay(props.today) } });
    })
  )
    emit('saved');
}
</script>

<template>
  <div class="panel card stack close small">
    <MachineEdit :machine="machine" :fuels="kind?.fuels ?? [machine.fuel]" @saved="emit('saved')" />
    <form class="fields inline" @submit.prevent="saveContract(entry)">
      <VTextField
        v-model.number="entry.everyMonths"
        type="number"
        min="1"
        max="24"
        :label="say('machine.contract')"
        :suffix="say('machine.contract.months')"
        density="compact"
        :error-messages="errors['contract.everyMonths']"
      />
      <VTextField
        v-model="entry.lastVisit"
        type="date"
        :label="say('machine.contract.last')"
        density="compact"
        :max="isoFromDay(today)"
        :error-messages="errors['contract.lastVisit']"
      />
      <VTextField
        v-model="entry.name"
        :label="say('machine.contract.name')"
        density="compact"
        :error-messages="errors['contract.name']"
      />
      <VTextField
        v-model="entry.email"
        type="email"
        :label="say('machine.contract.email')"
        density="compact"
        :error-messages="errors['contract.email']"
      />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('machine.contract.save') }}</VBtn>
      <button v-if="machine.contract" type="button" class="plain link" @click="saveContract(null)">
        {{ say('machine.contract.none') }}
      </button>
    </form>
    <Notice :says="problem" />
    <form class="stack close start" @submit.prevent="saveParts">
      <fieldset class="options across">
        <legend>{{ say('machine.parts') }}</legend>
        <label v-for="part in parts" :key="part.key"
          ><input type="checkbox" :checked="!leftOut.includes(part.key)" @change="toggle(part.key)" />
          {{ part.name }}</label
        >
      </fieldset>
      <label><input v-model="hardWired" type="checkbox" /> {{ say('machine.hardWired') }}</label>
      <VTextField v-model="branch" :label="say('machine.branch.change')" density="compact" hide-details />
      <VBtn type="submit" variant="outlined">{{ say('machine.parts.save') }}</VBtn>
    </form>
    <form class="fields inline" @submit.prevent="move">
      <VAutocomplete v-model="target" :items="targets" :label="say('machine.move')" density="compact" hide-details />
      <VBtn type="submit" variant="outlined" :disabled="!target">{{ say('machine.move.save') }}</VBtn>
    </form>
    <img
      v-if="machine.platePhotoId"
      :src="photoUrl(machine.platePhotoId)"
      :alt="say('machine.plate.alt')"
      width="160"
    />
    <p class="row">
      <RouterLink :to="{ path: '/practice', query: { where: `machine/${machine.id}`, name: machine.name } }">{{
        say('practice.here')
      }}</RouterLink>
      <button type="button" class="plain link" @click="connect">{{ say('machine.emitter') }}</button>
      <template v-for="it in machine.emitters.filter(({ retired }) => !retired)" :key="it.id"
        ><span class="quiet"
          >{{ it.id.slice(-6) }}
          <button type="button" class="plain link" @click="disconnect(it.id)">
            {{ say('machine.emitter.end') }}
          </button></span
        ></template
      >
      <button type="button" class="plain link push" @click="retire">{{ say('machine.retire') }}</button>
    </p>
    <div v-if="secret" class="stack tight" role="status">
      <p>{{ say('machine.emitter.once') }}</p>
      <code>{{ secret.id }}</code><code>{{ secret.privateKey }}</code>
    </div>
    <Notice :says="sending.failure.value" />
  </div>
</template>
