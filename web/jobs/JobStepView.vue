<script setup lang="ts">
/** One step: in which state, what to do, the caution beside the hazard, and what it asks for. */
import { computed } from 'vue';
import type { Finding } from '../../core/catalogue/types.ts';
import type { Asks } from '../../core/jobs/asks.ts';
import type { JobAnswer, JobStep, StepNeed } from '../../contract/jobs/jobs.ts';
import { photoUrl } from '../api/api.ts';
import Illustration from '../catalogue/Illustration.vue';
import { say } from '../language/say.ts';
import type { Draft } from '../outbox/draft.ts';
import { isSwitching } from './plan.ts';
import NeedField from './NeedField.vue';
import StepTicks from './StepTicks.vue';
import WhereItIs from './WhereItIs.vue';

const props = defineProps<{
  job: JobAnswer;
  draft: Draft;
  step: JobStep;
  steps: readonly JobStep[];
  asks: Asks<StepNeed>;
  /** What is still to be given, and whether that was tried without. */
  open: readonly string[];
  tried: boolean;
  leftNames: string;
}>();
const emit = defineEmits<{ found: [Finding]; noSwitch: []; none: [taskId: string] }>();

const expected = computed(() =>
  props.job.tasks
    .filter((task) => props.step.taskIds.includes(task.id))
    .map((task) => task.expected)
    .filter(Boolean)
    .join(' · '),
);
/** The part that this step is the first of, where it can be said where it is, or that there is none. */
const sought = computed(() => {
  const [taskId, more] = props.step.taskIds;
  const task = taskId !== undefined && more === undefined ? props.job.tasks.find(({ id }) => id === taskId) : undefined;
  const first = props.steps.find((it) => !isSwitching(it) && it.taskIds.length === 1 && it.taskIds[0] === taskId);
  return task && first?.key === props.step.key && props.draft.tasks[task.id] ? task : undefined;
});
</script>

<template>
  <section class="stack">
    <p v-if="step.stateSays" class="state marked small" :class="{ turned: isSwitching(step) }">
      <span class="quiet">{{ say(isSwitching(step) ? 'job.state.then' : 'job.state') }}</span>{{ ' '
      }}<b>{{ step.stateSays }}</b>
    </p>
    <div>
      <h1 tabindex="-1">{{ step.title }}</h1>
      <p v-if="step.taskName" class="quiet">{{ step.taskName }}</p>
    </div>
    <p v-if="step.caution" class="caution">{{ step.caution }}</p>
    <p>{{ step.body }}</p>
    <Illustration v-if="step.illustration" :drawing="step.illustration" />
    <p
      v-if="expected && (step.phase === 'open' || step.needs.some(({ need }) => need.kind === 'size'))"
      class="small quiet"
    >
      {{ say('job.expected') }}: {{ expected }}
    </p>
    <figure v-if="step.shutoffPhotoId">
      <img class="picture" :src="photoUrl(step.shutoffPhotoId)" :alt="say('job.shutoff')" />
      <figcaption class="small quiet">{{ say('job.shutoff') }}</figcaption>
    </figure>
    <WhereItIs
      v-if="sought?.where"
      :key="sought.id"
      v-model="draft.tasks[sought.id]!.where"
      :job="job.id"
      :known="sought.where"
      @none="emit('none', sought.id)"
    />
    <NeedField
      v-for="need in asks.fields"
      :key="`${step.key} ${need.need.kind} ${need.need.key} ${need.taskIds[0]}`"
      :need="need"
      :step="step"
      :job="job.id"
      :draft="draft"
      :procedure="job.tasks.find(({ id: it }) => it === need.taskIds[0])!.procedure"
      @found="emit('found', $event)"
    />
    <StepTicks v-if="asks.ticks.length" :needs="asks.ticks" :step="step" :draft="draft" />
    <WhereItIs
      v-if="sought && !sought.where"
      :key="sought.id"
      v-model="draft.tasks[sought.id]!.where"
      :job="job.id"
      :known="null"
      @none="emit('none', sought.id)"
    />
    <p v-if="leftNames" class="caution small" role="status">{{ say('job.left', { points: leftNames }) }}</p>
    <button
      v-if="step.phase === 'isolate' && step.state.power === 'off' && !draft.noSwitch"
      type="button"
      class="plain link"
      @click="emit('noSwitch')"
    >
      {{ say('job.noSwitch') }}
    </button>
    <p v-if="tried && open.length" class="alarm" role="alert">
      {{ say('job.missing', { what: open.join('; ') }) }}
    </p>
  </section>
</template>

<style scoped>
.state {
  background: var(--panel);
  padding-top: 5px;
  padding-bottom: 5px;
}
.state.turned {
  border-color: var(--edge);
}
</style>
