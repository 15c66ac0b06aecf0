<script setup lang="ts">
/** One part of a machine that is being defined, with its steps. */
import { SCHOOLS } from '../../core/catalogue/practice.ts';
import { LEVELS, PART_KINDS, type PartKind } from '../../core/catalogue/types.ts';
import type { Isolation } from '../../core/catalogue/definition.ts';
import { RISKS } from '../../contract/catalogue/defined.ts';
import { say } from '../language/say.ts';
import LinesField from '../kit/LinesField.vue';
import StepFields from './StepFields.vue';
import { emptyStep, nextStepKey, type PartDraft } from './draft.ts';

const props = defineProps<{
  part: PartDraft;
  errors: Readonly<Record<string, string>>;
  /** Its kind stays: machines stand in homes. */
  fixed: boolean;
  isolation: Isolation;
}>();
const emit = defineEmits<{ kind: [PartKind] }>();
const entry = props.part;

function add(after: number): void {
  entry.steps.splice(after + 1, 0, emptyStep(nextStepKey(entry.steps), entry.steps[after]!.phase));
}
function swap(i: number, j: number): void {
  [entry.steps[i], entry.steps[j]] = [entry.steps[j]!, entry.steps[i]!];
}
</script>

<template>
  <div class="fields">
    <VTextField v-model="entry.name" :label="say('define.part.name')" :error-messages="errors.name" />
    <VSelect
      :model-value="entry.kind"
      :items="PART_KINDS.map((value) => ({ value, title: say(`kind.${value}`) }))"
      :label="say('define.part.kind')"
      :disabled="fixed"
      @update:model-value="emit('kind', $event)"
    />
    <VTextField v-model="entry.task" :label="say('define.part.task')" :error-messages="errors.task" />
    <VSelect
      v-model="entry.level"
      :items="LEVELS.map((value) => ({ value, title: say(`level.${value}`) }))"
      :label="say('edit.level')"
    />
    <VTextField
      v-model.number="entry.minutes"
      type="number"
      min="1"
      max="480"
      :label="say('edit.minutes')"
      :error-messages="errors.minutes"
    />
    <VSelect
      v-model="entry.risk"
      :items="RISKS.map((value) => ({ value, title: say(`risk.${value}`) }))"
      :label="say('define.part.risk')"
    />
    <VTextField
      v-for="school in SCHOOLS"
      :key="school"
      v-model.number="entry.days[school]"
      type="number"
      min="1"
      max="3650"
      :label="say('define.part.days', { school: say(`practice.${school}`) })"
      :error-messages="errors[`days.${school}`]"
    />
    <VTextarea v-model="entry.why" :label="say('define.part.why')" rows="1" auto-grow :error-messages="errors.why" />
    <VTextarea
      v-model="entry.mistakes"
      :label="say('procedure.mistakes')"
      rows="1"
      auto-grow
      :error-messages="errors.mistakes"
    />
    <LinesField v-model="entry.kit" :label="say('define.part.kit')" />
    <LinesField v-model="entry.cautions" :label="say('define.part.cautions')" />
  </div>
  <p class="row">
    <label><input v-model="entry.safetyCritical" type="checkbox" /> {{ say('define.part.critical') }}</label>
    <label><input v-model="entry.scheduled" type="checkbox" /> {{ say('define.part.scheduled') }}</label>
  </p>
  <h3>{{ say('procedure.steps') }}</h3>
  <ol class="stack close">
    <li v-for="(step, i) in entry.steps" :key="step.key">
      <StepFields
        :step="step"
        :place="i"
        :errors="errors"
        :isolation="isolation"
        :first="i === 0"
        :last="i === entry.steps.length - 1"
        @up="swap(i, i - 1)"
        @down="swap(i, i + 1)"
        @add="add(i)"
        @remove="entry.steps.length > 1 && entry.steps.splice(i, 1)"
      />
    </li>
  </ol>
</template>
