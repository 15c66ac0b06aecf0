<script setup lang="ts">
/** A manager changes a clock: how severe it is, by which day it is right, who answers for it. */
import { reactive } from 'vue';
import { SEVERITIES } from '../../core/faults/clock.ts';
import { changeClock, type ClockItem, type OfficePerson } from '../../contract/faults/clocks.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{
  item: Pick<ClockItem, 'kind' | 'id' | 'severity' | 'correctOn' | 'responsibleId'>;
  people: readonly OfficePerson[];
}>();
const emit = defineEmits<{ changed: [] }>();
const entry = reactive({
  severity: props.item.severity,
  correctBy: props.item.correctOn,
  responsibleId: props.item.responsibleId,
});
const { errors, problem, busy, submit } = useForm(changeClock);

async function change(): Promise<void> {
  const { kind, id } = props.item;
  const route = kind === 'fault' ? 'fault.change' : 'deficiencies.change';
  if (await submit(entry, (form) => api(route, { id, form }))) emit('changed');
}
</script>

<template>
  <form class="stack close" @submit.prevent="change">
    <div class="fields narrow">
      <VSelect
        v-model="entry.severity"
        :items="SEVERITIES.map((value) => ({ value, title: say(`severity.${value}`) }))"
        :label="say('clock.severity')"
        :error-messages="errors.severity"
      />
      <VTextField
        v-model="entry.correctBy"
        type="date"
        :label="say('clock.correctBy')"
        :error-messages="errors.correctBy"
      />
      <VSelect
        v-model="entry.responsibleId"
        :items="[
          { value: null, title: say('clock.nobody') },
          ...people.map(({ id, name }) => ({ value: id, title: name })),
        ]"
        :label="say('clock.responsible')"
        :error-messages="errors.responsibleId"
      />
    </div>
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('clock.save') }}</VBtn>
  </form>
</template>
