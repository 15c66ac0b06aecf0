<script setup lang="ts">
/** What is seldom wanted of a machine: its contractor, its signals, its end. */
import { computed, onMounted, reactive, ref } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { contractOf, type MachineSummary } from '../../contract/register.ts';
import { api, photoUrl } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { useLoading } from '../door/load.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ machine: MachineSummary; placeId: string; today: number }>();
const emit = defineEmits<{ saved: [] }>();
const entry = reactive({
  everyMonths: props.machine.contract?.everyMonths ?? 6,
  lastVisit: props.machine.contract?.lastVisit ?? isoFromDay(props.today),
});
const { errors, refusal, busy, submit } = useForm(contractOf);
const sending = useSending();
const secret = ref<{ id: string; privateKey: string } | null>(null);
const sure = ref(false);
const catalogue = useLoading(() => api('catalogue.read'));
const homes = useLoading(() => api('homes.read'));
const parts = computed(
  () => catalogue.value.value?.machines.find(({ key }) => key === props.machine.type)?.points ?? [],
);
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
  if (!sure.value) {
    sure.value = true;
    return;
  }
  if (
    await sending.run(async () => {
      await api('machine.retire', { id: props.machine.id, form: { day: isoFromDay(props.today) } });
    })
  )
    emit('saved');
}
</script>

<template>
  <div class="more panel small">
    <form @submit.prevent="saveContract(entry)">
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
        :error-messages="errors['contract.lastVisit']"
      />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('machine.contract.save') }}</VBtn>
      <button v-if="machine.contract" type="button" class="plain link" @click="saveContract(null)">
        {{ say('machine.contract.none') }}
      </button>
    </form>
    <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
    <form class="parts" @submit.prevent="saveParts">
      <fieldset>
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
    <form class="move" @submit.prevent="move">
      <VAutocomplete v-model="target" :items="targets" :label="say('machine.move')" density="compact" hide-details />
      <VBtn type="submit" variant="outlined" :disabled="!target">{{ say('machine.move.save') }}</VBtn>
    </form>
    <img
      v-if="machine.platePhotoId"
      :src="photoUrl(machine.platePhotoId)"
      :alt="say('machine.plate.alt')"
      width="160"
    />
    <p class="acts">
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
      <button type="button" class="plain link end" :class="{ alarm: sure }" @click="retire">
        {{ say(sure ? 'machine.retire.sure' : 'machine.retire') }}
      </button>
    </p>
    <div v-if="secret" class="secret" role="status">
      <p>{{ say('machine.emitter.once') }}</p>
      <code>{{ secret.id }}</code><code>{{ secret.privateKey }}</code>
    </div>
    <p v-if="sending.failure.value" class="tell" role="alert">{{ sending.failure.value }}</p>
  </div>
</template>

<style scoped>
.more {
  padding: 12px;
  display: grid;
  gap: 8px;
  margin-top: 6px;
}
form {
  display: grid;
  grid-template-columns: 190px 170px auto auto;
  gap: 10px;
  align-items: start;
}
form .v-btn {
  min-height: 40px;
}
form.parts {
  grid-template-columns: minmax(0, 1fr) 180px auto;
}
form.move {
  grid-template-columns: 320px auto;
  justify-content: start;
}
fieldset {
  border: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
legend {
  font-weight: 640;
  padding: 0;
}
label {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  min-height: 26px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
.end {
  margin-left: auto;
}
.secret {
  display: grid;
  gap: 4px;
}
code {
  overflow-wrap: anywhere;
  user-select: all;
  background: var(--ground);
  padding: 2px 6px;
}
.link.alarm {
  color: var(--alarm);
}
@media (max-width: 860px) {
  form,
  form.parts,
  form.move {
    grid-template-columns: 1fr;
  }
}
</style>
