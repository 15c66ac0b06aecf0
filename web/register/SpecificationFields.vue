<script setup lang="ts">
/** The fields of a specification that a point has. */
import { FORBIDDABLE_AGENTS, type Specification } from '../../contract/register.ts';
import type { SpecificationField } from '../../core/catalogue/types.ts';
import { say } from '../language/say.ts';

defineProps<{ fields: readonly SpecificationField[]; errors: Readonly<Record<string, string>> }>();
const value = defineModel<Specification>({ required: true });
const TEXT: readonly SpecificationField[] = ['filterSize', 'position', 'airflow', 'note'];
</script>

<template>
  <template v-for="field in fields" :key="field">
    <VTextField
      v-if="TEXT.includes(field)" v-model="value[field as 'note']" :label="say(`spec.${field}`)" :hint="field === 'filterSize' ? say('spec.filterSize.hint') : ''"
      :error-messages="errors[`specification.${field}`]"
    />
    <VTextField v-else-if="field === 'makerLimitDays' || field === 'localLimitDays'" v-model.number="value[field]" type="number" :label="say(`spec.${field}`)" :error-messages="errors[`specification.${field}`]" @update:model-value="(text) => { if (String(text) === '') value[field] = null; }" />
    <fieldset v-else class="agents">
      <legend class="small">{{ say('spec.forbiddenAgents') }}</legend>
      <VCheckbox v-for="agent in FORBIDDABLE_AGENTS" :key="agent" v-model="value.forbiddenAgents" :value="agent" :label="say(`agent.${agent}`)" density="compact" />
    </fieldset>
  </template>
</template>

<style scoped>
.agents { border: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; }
.agents legend { padding: 0; }
</style>
