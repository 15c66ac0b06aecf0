<script setup lang="ts">
/** Giving a sitting: this point, the near ones beside it, and to whom. */
import { computed, onMounted, ref, watch } from 'vue';
import type { PointAnswer } from '../../contract/due/due.ts';
import { giveContracted, giveJob } from '../../contract/jobs/jobs.ts';
import { api, newId, publicAddress } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import AskInTime from './AskInTime.vue';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import CheckList from '../kit/CheckList.vue';

const props = defineProps<{ point: PointAnswer }>();
const emit = defineEmits<{ given: [] }>();

const able = computed(() => props.point.assignees.filter(({ may }) => may));
/** Somebody from outside: a name, and a link that opens this job alone. Nobody else may do what a licence is for. */
const CONTRACTOR = 'contractor';
const who = ref(props.point.contract ? CONTRACTOR : (able.value[0]?.id ?? CONTRACTOR));
const asked = computed(() => props.point.assignees.find(({ id }) => id === who.value));
const along = ref<string[]>([]);
const doers = computed(() => [
  ...props.point.assignees.map(({ id: value, name: says, may, budget, role }) => {
    const words = budget ?? say(may ? `point.role.${role}` : 'point.mayNot');
    const note = role === 'tenant' && !may && budget ? `${words}, ${say('point.mayNot')}` : words;
    return { value, says, note, disabled: !may };
  }),
  { value: CONTRACTOR, says: say('point.contractor'), note: say('point.contractor.why') },
]);
/** What the chosen person may not do does not come along. */
const offered = computed(() =>
  props.point.rideAlong.filter(({ forTenant }) => forTenant || asked.value?.role !== 'tenant'),
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
const { errors, problem, busy, submit } = useForm(giveJob);
/** Of whoever lives there; nothing waits for it. */
const { value: answers, reload } = useLoading(() => api('place.answering', { id: props.point.place.id }));
const answering = computed(() => answers.value?.answering);
onMounted(() => props.point.level === 'tenant' && reload());
const jobId = newId();
const name = ref(props.point.contract?.name ?? '');
const email = ref(props.point.contract?.email ?? '');
const link = ref('');
const contracted = useForm(giveContracted);
const refused = computed(() => problem.value || contracted.problem.value);

async function give(): Promise<void> {
  const pointIds = [props.point.id, ...offered.value.filter(({ id }) => along.value.includes(id)).map(({ id }) => id)];
  if (who.value === CONTRACTOR) {
    await contracted.submit({ id: jobId, pointIds, name: name.value, email: email.value }, async (job) => {
      link.value = `${publicAddress()}${(await api('jobs.contract', { form: job, once: jobId })).path}`;
    });
    return;
  }
  const form = { id: jobId, pointIds, assigneeId: who.value };
  if (await submit(form, (job) => api('jobs.give', { form: job, once: jobId }))) emit('given');
}
</script>

<template>
  <div v-if="link" class="give panel card stack close small" role="status">
    <p>{{ say('point.contractor.link', { name }) }} {{ email && say('point.contractor.letter', { email }) }}</p>
    <code>{{ link }}</code>
    <VBtn variant="outlined" @click="emit('given')">{{ say('close') }}</VBtn>
  </div>
  <form v-else class="give panel card stack close" @submit.prevent="give">
    <ChoiceList v-model="who" look="options" :legend="say('point.who')" :choices="doers" />
    <AskInTime v-if="answering" :answering="answering" :mark="point.mark" :today="point.place.today" />
    <template v-if="who === CONTRACTOR">
      <VTextField v-model="name" :label="say('point.contractor.name')" :error-messages="contracted.errors.name" />
      <VTextField
        v-model="email"
        type="email"
        :label="say('point.contractor.email')"
        :error-messages="contracted.errors.email"
      />
    </template>
    <CheckList
      v-if="offered.length"
      v-model="along"
      look="options"
      :legend="say('point.rideAlong')"
      :choices="offered.map(({ id: value, name: says }) => ({ value, says }))"
    />
    <Notice class="small" :says="errors.assigneeId ?? refused" />
    <VBtn type="submit" color="primary" block :loading="busy || contracted.busy.value">{{ say('point.giveNow') }}</VBtn>
  </form>
</template>
