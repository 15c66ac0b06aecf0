<script setup lang="ts">
/** One thing that a step asks for. What belongs to several tasks is entered once. */
import { computed, onBeforeUnmount, ref } from 'vue';
import type { Finding } from '../../core/catalogue/types.ts';
import type { JobStep, StepNeed } from '../../contract/jobs/jobs.ts';
import { passes } from '../../core/proof/readings.ts';
import { keptOf, numberIn } from '../../core/quantities/entered.ts';
import GradePicker from '../catalogue/GradePicker.vue';
import { say } from '../language/say.ts';
import { readingsOf, type Draft, type TaskDraft } from '../outbox/draft.ts';
import StepPhoto from '../outbox/StepPhoto.vue';
import PlainField from '../kit/PlainField.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import CheckList from '../kit/CheckList.vue';
import TickBox from '../kit/TickBox.vue';

const emit = defineEmits<{ found: [Finding] }>();
const props = defineProps<{ need: StepNeed; step: JobStep; job: string; draft: Draft; procedure: string }>();

const tasks = computed(() =>
  props.need.taskIds.map((id) => props.draft.tasks[id]).filter((task): task is TaskDraft => task !== undefined),
);
const first = computed(() => tasks.value[0]!);
const key = props.need.need.key;

/** A value that is read from the first task and written to all. */
const shared = <T,>(read: (task: TaskDraft) => T, set: (task: TaskDraft, value: T) => void) =>
  computed<T>({ get: () => read(first.value), set: (value) => tasks.value.forEach((task) => set(task, value)) });

const grade = shared(
  (task) => (key === 'part' ? task.grade : task.cavityGrade),
  (task, value) => {
    if (key === 'part') task.grade = value;
    else task.cavityGrade = value;
  },
);
const finds = shared(
  (task) => task.finds,
  (task, value) => {
    task.finds = value;
  },
);
const agent = shared(
  (task) => task.agent,
  (task, value) => {
    task.agent = value;
  },
);
const size = shared(
  (task) => task.size,
  (task, value) => {
    task.size = value;
  },
);
const reading = shared(
  (task) => task.readings[key] ?? '',
  (task, value) => {
    task.readings[key] = value;
  },
);
const photo = shared(
  (task) => task.photos[key] ?? null,
  (task, value) => {
    if (value) task.photos[key] = value;
    else delete task.photos[key];
  },
);

const choices = computed(() => props.need.choices.map(({ value, label: says }) => ({ value, says })));
/** What was read, as it is kept, against what is likely and what passes. */
const judged = computed(() => {
  const { need, reading: how } = props.need;
  const entered = numberIn(reading.value);
  if (need.kind !== 'reading' || !how || Number.isNaN(entered)) return null;
  const kept = keptOf(entered, how);
  if (how.urgent && kept > how.urgent.beyond) return how.urgent.says;
  if (kept < need.plausible[0] || kept > need.plausible[1]) return how.likely;
  return passes(need, { ...readingsOf([props.step], first.value), [need.key]: kept }) ? null : props.need.help;
});

const now = ref(Date.now());
const ticking = setInterval(() => {
  now.value = Date.now();
  const end = props.draft.timers[props.step.key];
  if (end !== undefined && now.value >= end) waited();
}, 500);
onBeforeUnmount(() => clearInterval(ticking));
const left = computed(() => {
  const end = props.draft.timers[props.step.key];
  return end === undefined ? null : Math.max(0, Math.ceil((end - now.value) / 1000));
});
function waited(): void {
  if (!props.draft.waited.includes(props.step.key)) props.draft.waited.push(props.step.key);
}
const isWaited = computed(() => props.draft.waited.includes(props.step.key));
</script>

<template>
  <StepPhoto v-if="need.need.kind === 'photo'" v-model="photo" :label="need.label" :job="job" />
  <GradePicker
    v-else-if="need.need.kind === 'grade'"
    v-model="grade"
    :procedure="procedure"
    :label="say('job.grade.pick')"
    :choices="need.choices"
  />
  <CheckList
    v-else-if="need.need.kind === 'finds'"
    v-model="finds"
    look="chips"
    :legend="say('job.finds')"
    :choices="choices"
  />
  <ChoiceList
    v-else-if="need.need.kind === 'agent'"
    v-model="agent"
    look="chips"
    :legend="say('job.agent')"
    :choices="choices"
  />
  <PlainField v-else-if="need.need.kind === 'size'" v-model="size" :label="say('job.size')" placeholder="16 x 25 x 1" />
  <div v-else-if="need.need.kind === 'reading'">
    <PlainField
      v-model="reading"
      inputmode="decimal"
      :label="need.need.optional ? `${need.label} (${say('job.optional')})` : need.label"
      :suffix="need.reading?.unit ?? ''"
    />
    <p class="quiet small">{{ need.reading?.wanted }}</p>
    <p v-if="judged" class="caution small" role="status">{{ judged }}</p>
  </div>
  <TickBox
    v-else-if="need.need.kind === 'finding'"
    :model-value="draft.found.includes(need.need.key)"
    @update:model-value="emit('found', need.need.key)"
    >{{ need.label }}</TickBox
  >
  <div v-else-if="need.need.kind === 'timer'" class="row middle" role="timer">
    <p v-if="isWaited" class="strong dew">✓ {{ say('job.timer.done') }}</p>
    <template v-else-if="left !== null"
      ><p class="big">
        {{ say('job.timer.left', { minutes: Math.floor(left / 60), seconds: String(left % 60).padStart(2, '0') }) }}
      </p>
      <VBtn variant="outlined" @click="waited">{{ say('job.timer.already') }}</VBtn></template
    >
    <template v-else>
      <VBtn variant="outlined" size="large" @click="draft.timers[step.key] = Date.now() + need.need.minutes * 60000">{{
        say('job.timer.start', { minutes: need.need.minutes })
      }}</VBtn>
      <VBtn variant="text" @click="waited">{{ say('job.timer.already') }}</VBtn>
    </template>
  </div>
</template>
