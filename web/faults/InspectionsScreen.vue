<script setup lang="ts">
/** Visits of outside inspectors, and entering one. */
import { onMounted, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { dayFromIso } from '../../core/calendar/day.ts';
import { newInspection } from '../../contract/faults/inspections.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import EmptyState from '../kit/EmptyState.vue';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';

const desk = useDesk();
const router = useRouter();
const inspections = useLoading(() => api('inspections.list'));
const { value: answer } = inspections;
const entering = ref(false);
const entry = reactive({ propertyId: '', day: '', inspector: '', reference: '' });
const { errors, problem, busy, submit } = useForm(newInspection);

async function enter(): Promise<void> {
  const id = newId();
  if (await submit({ id, ...entry }, (form) => api('inspection.create', { form })))
    await router.push(`/inspections/${id}`);
}
onMounted(async () => {
  await inspections.reload();
  entry.propertyId = answer.value?.properties[0]?.id ?? '';
});
</script>

<template>
  <PageFrame width="text" :title="say('inspections.title')" :of="inspections">
    <template #above
      ><RouterLink to="/faults">{{ say('faults.title') }}</RouterLink></template
    >
    <template #actions
      ><VBtn v-if="desk.isManager" variant="outlined" @click="entering = !entering">{{
        say('inspections.enter')
      }}</VBtn></template
    >
    <template v-if="answer">
      <form v-if="entering" class="stack close" @submit.prevent="enter">
        <div class="fields narrow">
          <VSelect
            v-model="entry.propertyId"
            :items="answer.properties.map(({ id: value, name: title }) => ({ value, title }))"
            :label="say('inspections.property')"
            :error-messages="errors.propertyId"
          />
          <VTextField
            v-model="entry.day"
            type="date"
            persistent-placeholder
            :label="say('inspections.day')"
            :error-messages="errors.day"
          />
          <VTextField
            v-model="entry.inspector"
            :label="say('inspections.inspector')"
            :error-messages="errors.inspector"
          />
          <VTextField
            v-model="entry.reference"
            :label="say('inspections.reference')"
            :error-messages="errors.reference"
          />
        </div>
        <Notice class="small" :says="problem" />
        <VBtn type="submit" color="primary" :loading="busy">{{ say('inspections.save') }}</VBtn>
      </form>
      <EmptyState v-if="!answer.inspections.length" :title="say('inspections.none')">
        {{ say('inspections.none.why') }}
      </EmptyState>
      <ul class="ruled">
        <li v-for="it in answer.inspections" :key="it.id" class="stack tight">
          <p>
            <RouterLink :to="`/inspections/${it.id}`"
              ><b>{{ it.inspector }}</b></RouterLink
            >
            · {{ it.property }} · {{ say.day(dayFromIso(it.day)) }}
            <span v-if="it.reference" class="quiet small">{{ it.reference }}</span>
          </p>
          <p class="small" :class="{ alarm: it.overdue > 0 }">{{ say('inspections.sum', it) }}</p>
        </li>
      </ul>
    </template>
  </PageFrame>
</template>
