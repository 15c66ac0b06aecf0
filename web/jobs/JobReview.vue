<script setup lang="ts">
/** What is about to be sent, line by line; each leads back to its step. */
import { computed, ref } from 'vue';
import type { JobAnswer, StepNeed } from '../../contract/jobs/jobs.ts';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import KeptPhoto from '../outbox/KeptPhoto.vue';
import { isAnswered, type Draft } from '../outbox/draft.ts';
import { stepsOn } from './plan.ts';
import PlainField from '../kit/PlainField.vue';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';

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
  <section class="stack close body">
    <template v-if="!frozen"
      ><h1>{{ say('job.review') }}</h1>
      <p class="quiet">{{ say('job.review.why') }}</p></template
    >
    <ul class="ruled tight">
      <li v-for="(line, i) in lines" :key="i">
        <button type="button" class="plain row apart whole-row" :disabled="frozen" @click="emit('go', line.step)">
          <span>{{ line.label }}</span><span :class="{ alarm: line.open }" class="strong push">{{ line.value }}</span>
          <KeptPhoto v-if="line.photoId" :id="line.photoId" alt="" class="thumb" width="56" height="42" />
        </button>
      </li>
    </ul>
    <ChoiceList
      v-for="{ id, name, choices } in frozen ? [] : graded"
      :key="id"
      v-model="draft.tasks[id]!.after"
      class="after"
      look="chips"
      :legend="say('job.after', { point: name })"
      :choices="choices.map(({ value, label: says }) => ({ value, says }))"
    />
    <template v-if="!frozen">
      <Notice v-if="told" done :says="say(told)" />
      <ReportFault v-if="seeing" :machines="[job.reportable]" @sent="seen" />
      <VBtn v-else variant="outlined" min-height="44" @click="seeing = true">{{ say('job.seen') }}</VBtn>
    </template>
    <p v-if="frozen && draft.note">{{ draft.note }}</p>
    <PlainField v-else-if="!frozen" v-model="draft.note" :label="say('job.note')" :rows="2" />
  </section>
</template>
