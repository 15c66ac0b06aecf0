<script setup lang="ts">
/** Giving a sitting: this point, the near ones beside it, and to whom. */
import { computed, ref, watch } from 'vue';
import type { PointAnswer } from '../../contract/due.ts';
import { giveContracted, giveJob } from '../../contract/jobs.ts';
import { api, newId } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ point: PointAnswer }>();
const emit = defineEmits<{ given: [] }>();

const able = computed(() => props.point.assignees.filter(({ may }) => may));
/** Somebody from outside: a name, and a link that opens this job alone. Nobody else may do what a licence is for. */
const CONTRACTOR = 'contractor';
const who = ref(able.value[0]?.id ?? CONTRACTOR);
const along = ref<string[]>([]);
/** What the chosen person may not do does not come along. */
const offered = computed(() =>
  props.point.rideAlong.filter(
    ({ forTenant }) => forTenant || props.point.assignees.find(({ id }) => id === who.value)?.role !== 'tenant',
  ),
);
/** For a tenant only as much is ticked beforehand as this month still holds. */
watch(
  who,
  (id) => {
    let left = props.point.assignees.find((it) => it.id === id)?.left ?? Infinity;
    left -= props.point.minutes;
    along.value = props.point.rideAlong
      .filter(({ chosen, minutes }) => chosen && (left -= minutes) >= 0)
      .map((it) => it.id);
  },
  { immediate: true },
);
const { errors, refusal, busy, submit } = useForm(giveJob);
const jobId = newId();
const name = ref('');
const link = ref('');
const contracted = useForm(giveContracted);
const refused = computed(() => refusal.value || contracted.refusal.value);

async function give(): Promise<void> {
  const pointIds = [props.point.id, ...offered.value.filter(({ id }) => along.value.includes(id)).map(({ id }) => id)];
  if (who.value === CONTRACTOR) {
    await contracted.submit({ id: jobId, pointIds, name: name.value }, async (job) => {
      link.value = `${location.origin}${(await api('jobs.contract', { form: job, once: jobId })).path}`;
    });
    return;
  }
  const form = { id: jobId, pointIds, assigneeId: who.value };
  if (await submit(form, (job) => api('jobs.give', { form: job, once: jobId }))) emit('given');
}
</script>

<template>
  <div v-if="link" class="give panel small" role="status">
    <p>{{ say('point.contractor.link', { name }) }}</p>
    <code>{{ link }}</code>
    <VBtn variant="outlined" @click="emit('given')">{{ say('close') }}</VBtn>
  </div>
  <form v-else class="give panel" @submit.prevent="give">
    <fieldset>
      <legend>{{ say('point.who') }}</legend>
      <label v-for="it in point.assignees" :key="it.id" :class="{ quiet: !it.may }">
        <input v-model="who" type="radio" name="who" :value="it.id" :disabled="!it.may" /> {{ it.name }}
        <span class="quiet small"
          >{{ it.budget ?? say(it.may ? `point.role.${it.role}` : 'point.mayNot')
          }}<template v-if="it.role === 'tenant' && !it.may && it.budget">, {{ say('point.mayNot') }}</template></span
        >
      </label>
      <label
        ><input v-model="who" type="radio" name="who" :value="CONTRACTOR" /> {{ say('point.contractor') }}
        <span class="quiet small">{{ say('point.contractor.why') }}</span></label
      >
    </fieldset>
    <VTextField
      v-if="who === CONTRACTOR"
      v-model="name"
      :label="say('point.contractor.name')"
      :error-messages="contracted.errors.name"
    />
    <fieldset v-if="offered.length">
      <legend>{{ say('point.rideAlong') }}</legend>
      <label v-for="it in offered" :key="it.id"
        ><input v-model="along" type="checkbox" :value="it.id" /> {{ it.name }}</label
      >
    </fieldset>
    <p v-if="refused || errors.assigneeId" class="tell small" role="alert">{{ errors.assigneeId ?? refused }}</p>
    <VBtn type="submit" color="primary" block :loading="busy || contracted.busy.value">{{ say('point.giveNow') }}</VBtn>
  </form>
</template>

<style scoped>
.give {
  padding: 12px;
  display: grid;
  gap: 10px;
  background: var(--ground);
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 2px;
}
legend {
  font-weight: 640;
  padding: 0;
}
code {
  overflow-wrap: anywhere;
  user-select: all;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 3px 0;
}
</style>
