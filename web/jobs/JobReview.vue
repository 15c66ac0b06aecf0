<script setup lang="ts">
/** What is about to be sent, line by line; each leads back to its step. */
import { computed, ref } from 'vue';
import type { JobAnswer, StepNeed } from '../../contract/jobs.ts';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import KeptPhoto from '../outbox/KeptPhoto.vue';
import { isAnswered, type Draft } from './draft.ts';
import { stepsOn } from './plan.ts';
import PlainField from '../theme/PlainField.vue';

const props = defineProps<{ job: JobAnswer; draft: Draft; frozen?: boolean }>();
const emit = defineEmits<{ go: [number] }>();

const seeing = ref(false);
const told = ref<'fault.sent' | 'fault.kept' | null>(null);
function seen(kept: boolean): void {
  seeing.value = false;
  told.value = kept ? 'fault.kept' : 'fault.sent';
}

interface Line {
  readonly step: number;
  readonly label: string;
  readonly value: string;
  readonly photoId: string | null;
  readonly open: boolean;
}

function valueOf({ need, taskIds, choices, reading }: StepNeed): string {
  const task = props.draft.tasks[taskIds[0]!];
  if (!task) return say('job.none.entered');
  const named = (value: string | null) =>
    choices.find((choice) => choice.value === value)?.label ?? say('job.none.entered');
  switch (need.kind) {
    case 'confirm':
      return say(task.confirmed.includes(need.key) ? 'job.confirmed' : 'job.notConfirmed');
    case 'grade':
      return named(need.key === 'part' ? task.grade : task.cavityGrade);
    case 'agent':
      return named(task.agent);
    case 'finds':
      return task.finds.map(named).join(', ') || '–';
    case 'size':
      return task.size || say('job.none.entered');
    case 'reading':
      return task.readings[need.key] ? `${task.readings[need.key]} ${reading?.unit ?? ''}` : say('job.none.entered');
    case 'photo':
      return say(task.photos[need.key] ? 'job.photo' : 'job.none.entered');
    case 'finding':
    case 'timer':
      return '';
  }
}

const lines = computed<Line[]>(() =>
  stepsOn(props.job, props.draft).flatMap((step, i) =>
    step.needs
      .filter(({ need }) => need.kind !== 'timer' && need.kind !== 'finding')
      .map((need) => ({
        step: i,
        label: need.need.kind === 'finds' ? say('job.finds') : need.label,
        value: valueOf(need),
        photoId:
          need.need.kind === 'photo' ? (props.draft.tasks[need.taskIds[0]!]?.photos[need.need.key] ?? null) : null,
        open: !isAnswered(props.draft, step, need),
      })),
  ),
);
/** Parts that were graded before, and may be once more after; the two cleanest are what is hoped for. */
const graded = computed(() =>
  props.job.tasks
    .filter(({ id }) => props.draft.tasks[id] && !props.draft.left.some(({ taskId }) => taskId === id))
    .flatMap(({ id, name }) => {
      const need = props.job.steps
        .flatMap(({ needs }) => needs)
        .find((it) => it.need.kind === 'grade' && it.need.key === 'part' && it.taskIds.includes(id));
      return need ? [{ id, name, choices: need.choices.slice(0, 3) }] : [];
    }),
);
</script>

<template>
  <section class="review">
    <template v-if="!frozen"
      ><h1>{{ say('job.review') }}</h1>
      <p class="quiet">{{ say('job.review.why') }}</p></template
    >
    <ul>
      <li v-for="(line, i) in lines" :key="i">
        <button type="button" class="plain" :disabled="frozen" @click="emit('go', line.step)">
          <span>{{ line.label }}</span><span :class="{ alarm: line.open }" class="strong">{{ line.value }}</span>
          <KeptPhoto v-if="line.photoId" :id="line.photoId" alt="" width="56" height="42" />
        </button>
      </li>
    </ul>
    <fieldset v-for="{ id, name, choices } in frozen ? [] : graded" :key="id" class="after chips">
      <legend>{{ say('job.after', { point: name }) }}</legend>
      <label v-for="choice in choices" :key="choice.value"
        ><input v-model="draft.tasks[id]!.after" type="radio" :name="`after ${id}`" :value="choice.value" /><span>{{
          choice.label
        }}</span></label
      >
    </fieldset>
    <template v-if="!frozen">
      <p v-if="told" class="told" role="status">{{ say(told) }}</p>
      <ReportFault v-if="seeing" :machines="[job.reportable]" @sent="seen" />
      <VBtn v-else variant="outlined" min-height="44" @click="seeing = true">{{ say('job.seen') }}</VBtn>
    </template>
    <p v-if="frozen && draft.note">{{ draft.note }}</p>
    <PlainField v-else-if="!frozen" v-model="draft.note" :label="say('job.note')" :rows="2" />
  </section>
</template>

<style scoped>
.review {
  display: grid;
  gap: 10px;
  flex: 1;
  align-content: start;
}
li button {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  min-height: 46px;
  border-top: 1px solid var(--hair);
  font-size: 16px;
}
li span:first-child {
  flex: 1;
}
li .strong {
  text-align: right;
}
img {
  object-fit: cover;
  border-radius: 4px;
}
</style>
