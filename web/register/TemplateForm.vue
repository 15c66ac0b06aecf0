<script setup lang="ts">
/** A template and its machines, changed together; from one to begin with, one's own is made. */
import { computed, reactive } from 'vue';
import type { AnswerOf } from '../../contract/calls.ts';
import type { TemplateSummary } from '../../contract/register/bulk.ts';
import { templateChange, type MachineSketch } from '../../contract/register/machines.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import MachineFields from './MachineFields.vue';

const props = defineProps<{
  /** Null: a new one. */
  template: TemplateSummary | null;
  catalogue: AnswerOf<'catalogue.read'>['machines'];
}>();
const emit = defineEmits<{ saved: [says: string]; cancelled: [] }>();

/** A machine on the form, known by a number of its own as others come and go. */
interface Entry extends Omit<MachineSketch, 'leftOut'> {
  readonly row: number;
  leftOut: string[];
}
let rows = 0;
const entryOf = (sketch: MachineSketch): Entry => ({ ...sketch, leftOut: [...sketch.leftOut], row: (rows += 1) });
const BARE: MachineSketch = {
  type: '',
  label: '',
  maker: '',
  model: '',
  installed: null,
  fuel: 'electric',
  owner: 'landlord',
  drainBranch: '',
  hardWired: false,
  lastDone: null,
  leftOut: [],
  specifications: {},
};
const entry = reactive({
  name:
    props.template?.own === false
      ? say('template.copyName', { name: props.template.name })
      : (props.template?.name ?? ''),
  machines: (props.template?.machines ?? [BARE]).map(entryOf),
});
const typeOf = (key: string) => props.catalogue.find((it) => it.key === key);
const types = computed(() => props.catalogue.map(({ key: value, name }) => ({ value, title: name })));
/** Another type has other parts, fuels and specifications. */
function retype(machine: Entry): void {
  const fuel = typeOf(machine.type)?.fuels[0] ?? 'electric';
  Object.assign(machine, { leftOut: [], fuel, specifications: {} });
}
const points = computed(() =>
  entry.machines.reduce((sum, { type, leftOut }) => sum + (typeOf(type)?.points.length ?? 0) - leftOut.length, 0),
);

const { errors, problem, busy, submit } = useForm(templateChange);
async function save(): Promise<void> {
  const machines = entry.machines.map(({ row: _, ...sketch }) => sketch);
  const own = props.template?.own ? props.template.id : null;
  const id = own ?? newId();
  const went = await submit({ name: entry.name, machines }, (form) =>
    own ? api('template.change', { id, form }) : api('template.create', { form: { ...form, id }, once: id }),
  );
  if (went) emit('saved', say('template.kept', { name: entry.name }));
}
</script>

<template>
  <form class="stack" :aria-label="say('template.title')" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <p v-if="template?.own === false" class="quiet small">{{ say('template.fromReady') }}</p>
    <VTextField v-model="entry.name" :label="say('template.name')" :error-messages="errors.name" />
    <fieldset v-for="(machine, i) in entry.machines" :key="machine.row" class="panel card fields">
      <legend class="unseen">{{ typeOf(machine.type)?.name ?? say('machine.type') }}</legend>
      <p class="row apart whole">
        <b>{{ typeOf(machine.type)?.name ?? say('template.machine') }}</b>
        <span class="row small">
          <button type="button" class="plain link" @click="entry.machines.splice(i + 1, 0, entryOf(machine))">
            {{ say('template.twice') }}
          </button>
          <button type="button" class="plain link" @click="entry.machines.splice(i, 1)">
            {{ say('template.without') }}
          </button>
        </span>
      </p>
      <VAutocomplete
        v-model="machine.type"
        auto-select-first
        :items="types"
        :label="say('machine.type')"
        :error-messages="errors[`machines[${i}].type`]"
        @update:model-value="retype(machine)"
      />
      <MachineFields :model-value="machine" :type="typeOf(machine.type)" :errors="errors" :prefix="`machines[${i}].`" />
    </fieldset>
    <p class="row apart middle">
      <button type="button" class="plain link" @click="entry.machines.push(entryOf(BARE))">
        {{ say('template.addMachine') }}
      </button>
      <span class="quiet small" role="status">{{
        say('units.says', { machines: entry.machines.length, points })
      }}</span>
    </p>
    <Notice :says="errors.machines ?? problem" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('template.keep') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
    <p class="quiet small">{{ say('template.later') }}</p>
  </form>
</template>
