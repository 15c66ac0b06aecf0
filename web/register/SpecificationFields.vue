<script setup lang="ts">
/** The fields of a specification that a point has, with what follows from them. */
import { computed } from 'vue';
import type { Specification } from '../../contract/register/machines.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { isDefined, kindOfPart, specificationOf } from '../../core/catalogue/definition.ts';
import { agentsInUse } from '../../core/catalogue/methods.ts';
import { ACCESSES, type SpecificationField } from '../../core/catalogue/types.ts';
import { ductWorking } from '../../core/measure/ductRun.ts';
import { faceWorking } from '../../core/measure/faceVelocity.ts';
import { workingWords, type WorkingWords } from '../../core/measure/words.ts';
import { parseFilterSize } from '../../core/quantities/filterSize.ts';
import { units } from '../measure/units.ts';
import { say } from '../language/say.ts';
import DuctFields from './DuctFields.vue';

const props = defineProps<{ procedure: string; errors: Readonly<Record<string, string>> }>();
const served = computed(() => (isDefined(props.procedure) ? null : procedureOf(props.procedure)));
const surfaces = computed(
  () => served.value?.surface?.choices.map((value) => ({ value, title: say(`surface.${value}`) })) ?? [],
);
const value = defineModel<Specification>({ required: true });
const TEXT: readonly SpecificationField[] = ['filterSize', 'position', 'airflow', 'note'];
const NUMBERS: readonly SpecificationField[] = [
  'airflowCfm',
  'drainCount',
  'runMinutes',
  'rating',
  'makerLimitDays',
  'localLimitDays',
];
const HINTED: readonly SpecificationField[] = ['filterSize', 'airflowCfm', 'runMinutes', 'rating'];
type NumberField = 'rating' | 'airflowCfm' | 'drainCount' | 'runMinutes' | 'makerLimitDays' | 'localLimitDays';

const emptied = (field: SpecificationField, text: unknown) => {
  if (text === '' || text === null) value.value[field as NumberField] = null;
};
/** What is worked out from what stands here; nothing while it is incomplete. */
function worked(field: SpecificationField): WorkingWords | null {
  const { filterSize, airflowCfm, duct } = value.value;
  const size = filterSize ? parseFilterSize(filterSize) : undefined;
  try {
    if (field === 'airflowCfm' && size && airflowCfm)
      return workingWords(say, faceWorking(size, airflowCfm), units.value);
    if (field === 'duct' && duct) return workingWords(say, ductWorking(duct), units.value);
  } catch {
    /* not yet values that can be */
  }
  return null;
}
const workings = computed(() => ({ airflowCfm: worked('airflowCfm'), duct: worked('duct') }));
</script>

<template>
  <template v-for="field in served?.specification ?? specificationOf(kindOfPart(procedure))" :key="field">
    <VTextField
      v-if="TEXT.includes(field)"
      v-model="value[field as 'note']"
      :label="say(`spec.${field}`)"
      :hint="HINTED.includes(field) ? say(`spec.${field}.hint`) : ''"
      :error-messages="errors[`specification.${field}`]"
    />
    <VTextField
      v-else-if="NUMBERS.includes(field)"
      v-model.number="value[field as NumberField]"
      type="number"
      :label="say(`spec.${field}`)"
      :hint="HINTED.includes(field) ? say(`spec.${field}.hint`) : ''"
      :error-messages="errors[`specification.${field}`]"
      @update:model-value="emptied(field, $event)"
    />
    <DuctFields v-else-if="field === 'duct'" v-model="value.duct" />
    <VSelect
      v-else-if="field === 'access'"
      v-model="value.access"
      :items="ACCESSES.map((it) => ({ value: it, title: say(`access.${it}`) }))"
      clearable
      :label="say('spec.access')"
    />
    <VSelect
      v-else-if="field === 'surface'"
      v-model="value.surface"
      :items="surfaces"
      clearable
      :label="say('spec.surface')"
      :hint="
        served?.surface?.unknown
          ? say('spec.surface.unknown', { surface: say(`surface.${served.surface.unknown}`) })
          : ''
      "
      persistent-hint
    />
    <fieldset v-else class="columns two">
      <legend class="small">{{ say('spec.forbiddenAgents') }}</legend>
      <VCheckbox
        v-for="agent in served ? agentsInUse(served) : []"
        :key="agent"
        v-model="value.forbiddenAgents"
        :value="agent"
        :label="say(`agent.${agent}`)"
        density="compact"
      />
    </fieldset>
    <div v-if="(field === 'airflowCfm' || field === 'duct') && workings[field]" class="stack tight small" role="status">
      <p v-for="term in workings[field]!.terms" :key="term" class="quiet">{{ term }}</p>
      <p v-for="limit in workings[field]!.limits" :key="limit.says" :class="{ caution: !limit.met }">
        {{ limit.says }}
      </p>
    </div>
  </template>
</template>
