<script setup lang="ts">
/** One step of a part that is being defined: its words, what it wants of the machine, what it asks for. */
import { computed } from 'vue';
import { STEP_STATES, type Isolation } from '../../core/catalogue/definition.ts';
import { AGENTS } from '../../core/catalogue/types.ts';
import { DEFINED_PHASES } from '../../contract/catalogue/defined.ts';
import { say } from '../language/say.ts';
import type { PartDraft } from './draft.ts';

const props = defineProps<{
  step: PartDraft['steps'][number];
  place: number;
  errors: Readonly<Record<string, string>>;
  isolation: Isolation;
  first: boolean;
  last: boolean;
}>();
const emit = defineEmits<{ up: []; down: []; add: []; remove: [] }>();
const entry = props.step;
const wrong = (field: string) => props.errors[`steps[${props.place}].${field}`];
const states = computed(() =>
  STEP_STATES.filter((it) => props.isolation !== 'none' || it === 'either' || it === 'runs').map((value) => ({
    value,
    title: value === 'off' ? say(`define.step.off.${props.isolation}`) : say(`define.step.${value}`),
  })),
);
const PARTS = [
  { value: null, title: say('define.step.part.none') },
  { value: 'out', title: say('define.step.part.out') },
  { value: 'in', title: say('define.step.part.in') },
];
</script>

<template>
  <fieldset class="panel card stack close">
    <legend class="small strong">{{ place + 1 }}. {{ entry.title || say('define.step') }}</legend>
    <p class="row small">
      <button v-if="!first" type="button" class="plain link" @click="emit('up')">{{ say('edit.step.up') }}</button>
      <button v-if="!last" type="button" class="plain link" @click="emit('down')">{{ say('edit.step.down') }}</button>
      <button type="button" class="plain link" @click="emit('add')">{{ say('edit.step.add') }}</button>
      <button type="button" class="plain link push" @click="emit('remove')">{{ say('edit.step.remove') }}</button>
    </p>
    <div class="fields">
      <VTextField
        v-model="entry.title"
        :label="say('edit.step.title')"
        density="compact"
        :error-messages="wrong('title')"
      />
      <VSelect
        v-model="entry.phase"
        :items="DEFINED_PHASES.map((value) => ({ value, title: say(`phase.${value}`) }))"
        :label="say('define.step.phase')"
        density="compact"
      />
      <VSelect v-model="entry.wants" :items="states" :label="say('define.step.wants')" density="compact" />
      <VSelect v-model="entry.part" :items="PARTS" :label="say('define.step.part')" density="compact" />
      <VTextarea
        v-model="entry.body"
        :label="say('edit.step.body')"
        rows="1"
        auto-grow
        density="compact"
        :error-messages="wrong('body')"
      />
      <VTextField v-model="entry.caution" :label="say('define.step.caution')" density="compact" />
      <VTextField v-model="entry.photo" :label="say('define.step.photo')" density="compact" />
      <VTextField v-model="entry.confirm" :label="say('define.step.confirm')" density="compact" />
      <VSelect
        v-model="entry.agents"
        multiple
        :items="AGENTS.map((value) => ({ value, title: say(`agent.${value}`) }))"
        :label="say('define.step.agents')"
        density="compact"
        :error-messages="wrong('agents')"
      />
      <VTextField
        v-model.number="entry.wait"
        type="number"
        min="0"
        max="480"
        :label="say('define.step.wait')"
        density="compact"
        :error-messages="wrong('wait')"
      />
    </div>
    <p class="row">
      <label><input v-model="entry.grade" type="checkbox" /> {{ say('define.step.grade') }}</label>
      <label><input v-model="entry.finds" type="checkbox" /> {{ say('define.step.finds') }}</label>
    </p>
  </fieldset>
</template>
