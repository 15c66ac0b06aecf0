<script setup lang="ts">
/**
 * A job, step by step: one thing a screen, the caution beside the hazard, one large button, a way out that is no
 * failure.
 */
import { computed, nextTick, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { asksOf, SHORT_STEPS } from '../../core/jobs/asks.ts';
import type { StuckReason } from './stuck.ts';
import { say } from '../language/say.ts';
import { askToPersist } from '../outbox/device.ts';
import { deliverNow, enqueue } from '../outbox/outbox.ts';
import { confirm, openOn, useDraft, wantsEntry, type Draft } from '../outbox/draft.ts';
import { isDoable, useJobAsTheirs } from './jobAsTheirs.ts';
import { useSubmission } from './submission.ts';
import { useSoleTab } from './soleTab.ts';
import { useListening } from './listening.ts';
import { replanning } from './replanning.ts';
import { freeze, stepsOn, stillBefore } from './plan.ts';
import AlarmForm from '../faults/AlarmForm.vue';
import AlarmTold from '../faults/AlarmTold.vue';
import JobBegin from './JobBegin.vue';
import JobFoot from './JobFoot.vue';
import JobHead from './JobHead.vue';
import JobKept from './JobKept.vue';
import JobReview from './JobReview.vue';
import JobSent from './JobSent.vue';
import JobStepView from './JobStepView.vue';
import JobStuck from './JobStuck.vue';
import { usePageTitle } from '../kit/pageTitle.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ id: string; home: string; homeName: string }>();
const router = useRouter();
const { value: job, failure, reload, lost } = useJobAsTheirs(props.id);
const draft = shallowRef<Draft | null>(null);
const safe = ref(false);
const tried = ref(false);
const stuck = ref<StuckReason | null>(null);
const frame = ref<HTMLElement>();
const title = ref<HTMLElement>();
usePageTitle(() => job.value?.title, title);

const doable = computed(() => job.value !== null && isDoable(job.value));
const steps = computed(() => (draft.value && job.value ? stepsOn(job.value, draft.value) : []));
const step = computed(() => (draft.value ? steps.value[draft.value.step] : undefined));
const asks = computed(() => asksOf(step.value?.needs ?? []));
const isLast = computed(
  () =>
    draft.value !== null &&
    job.value !== null &&
    draft.value.step === steps.value.length - 1 &&
    steps.value.length <= SHORT_STEPS,
);
const open = computed(() => (step.value && draft.value ? openOn(draft.value, step.value) : []));

/** Reads the job as it is now, and holds what was entered against it. */
async function read(): Promise<void> {
  await reload();
  if (job.value && (doable.value || lost.value)) draft.value = useDraft(job.value);
}
const still = computed(() =>
  job.value && draft.value ? stillBefore(job.value, draft.value, draft.value.step) : { keys: [], says: '' },
);
const { sent, sending, problem, send, mend, follow } = useSubmission(props.id, draft, {
  steps: () => steps.value,
  read,
});
const { stopped, takenOut, listen } = useListening(props.id, job, {
  idle: () => !draft.value || draft.value.queued || sent.value !== null || stuck.value !== null,
  read,
});

const { elsewhere, takeOver } = useSoleTab(`dewline.job.${props.id}`, async () => {
  await read();
  stopped.value = job.value?.stopped ?? null;
  follow();
});

async function turn(to: number): Promise<void> {
  void listen();
  draft.value!.step = to;
  tried.value = false;
  problem.value = '';
  await nextTick();
  window.scrollTo(0, 0);
  frame.value?.querySelector('h1')?.focus();
}

/** Tells the office how far one is, when there is a connection; what is sent at the end tells it too. */
function tell(move: 'start' | 'workDone'): void {
  if (!job.value || job.value.state !== (move === 'start' ? 'given' : 'started')) return;
  const { revision } = job.value;
  job.value = { ...job.value, revision: revision + 1, state: move === 'start' ? 'started' : 'awaitingTest' };
  void enqueue(props.id, {
    kind: 'form',
    path: `/jobs/${props.id}/moves`,
    form: { move, reason: null, note: '', revision, entry: move === 'start' ? draft.value!.entry : null },
    passing: true,
  })
    .then(deliverNow)
    .catch(() => undefined);
}

async function start(): Promise<void> {
  if (!safe.value || wantsEntry(job.value!, draft.value!)) {
    tried.value = true;
    return;
  }
  draft.value!.startedAt ??= Date.now();
  freeze(job.value!, draft.value!);
  askToPersist();
  await turn(0);
  tell('start');
}

async function next(): Promise<void> {
  if (asks.value.button) confirm(draft.value!, [asks.value.button], true);
  if (open.value.length > 0) {
    tried.value = true;
    await nextTick();
    // Said where one looks, not below the fold.
    frame.value?.querySelector('.body [role="alert"]')?.scrollIntoView({ block: 'center' });
    return;
  }
  if (isLast.value) return void (await send());
  const upcoming = steps.value[draft.value!.step + 1];
  await turn(draft.value!.step + 1);
  if (upcoming?.phase === 'test') tell('workDone');
}

const { found, begins, noSwitch, thereIsNone } = replanning(job, draft, stuck);

/** Parts of this job that the sitting cannot do as things stand. */
const leftNames = computed(
  () =>
    job.value?.tasks
      .filter(({ id }) => draft.value?.left.some(({ taskId }) => taskId === id))
      .map(({ name }) => name)
      .join(', ') ?? '',
);

const mainWords = computed(() => {
  if (draft.value!.step < 0) return say('job.start');
  if (!step.value || isLast.value) return say('job.send');
  return step.value.button ?? asks.value.button?.label ?? say('job.next');
});
const goOn = () => {
  if (draft.value!.step < 0) return start();
  return step.value ? next() : send();
};
</script>

<template>
  <div ref="frame" class="run">
    <JobSent
      v-if="sent"
      class="end"
      :notes="sent"
      :mendable="job !== null && isDoable(job)"
      :sending="sending"
      :problem="problem"
      :home="home"
      :home-name="homeName"
      @mend="mend"
    />
    <div v-else-if="elsewhere" class="end stack" role="status">
      <h1>{{ say('job.elsewhere') }}</h1>
      <p>{{ say('job.elsewhere.why') }}</p>
      <VBtn color="primary" size="large" block @click="takeOver">{{ say('job.elsewhere.here') }}</VBtn><VBtn
        variant="outlined"
        :to="home"
        >{{ homeName }}</VBtn
      >
    </div>
    <div v-else-if="failure" class="end stack">
      <Notice :says="failure" />
      <VBtn variant="outlined" @click="reload">{{ say('again') }}</VBtn><VBtn variant="text" :to="home">{{
        homeName
      }}</VBtn>
    </div>
    <AlarmTold
      v-else-if="stopped && !stuck"
      :id="stopped.id"
      class="end stack"
      :kind="stopped.kind"
      :answer="stopped"
      :numbers="stopped.numbers"
      :still-says="still.says"
      @left="router.push(home)"
    />
    <JobKept
      v-else-if="job && draft && (draft.queued || lost)"
      :job="job"
      :draft="draft"
      :lost="lost"
      :home="home"
      :home-name="homeName"
      :sending="sending"
      :problem="problem"
      @send="send"
      @forgotten="router.push(home)"
    />
    <div v-else-if="job && !doable" class="end stack">
      <h1 ref="title" tabindex="-1">{{ job.title }}</h1>
      <p>{{ say('job.over', { state: job.stateSays }) }}</p>
      <VBtn variant="outlined" :to="home">{{ homeName }}</VBtn>
    </div>
    <p v-else-if="!job || !draft" class="quiet end">{{ say('loading') }}</p>

    <template v-else>
      <JobHead :job="job" :step="draft.step" :steps="steps.length" :taken-out="takenOut" />
      <!-- In danger nothing else is on the screen. -->
      <template v-if="stuck !== 'notSafe'">
        <JobBegin
          v-if="draft.step < 0"
          v-model="safe"
          class="body"
          :job="job"
          :draft="draft"
          :left-names="leftNames"
          :tried="tried"
          @begins="begins"
        />
        <JobStepView
          v-else-if="step"
          :key="step.key"
          class="body"
          :job="job"
          :draft="draft"
          :step="step"
          :steps="steps"
          :asks="asks"
          :open="open"
          :tried="tried"
          :left-names="leftNames"
          @found="found"
          @no-switch="noSwitch"
          @none="thereIsNone"
        />

        <JobReview v-else :job="job" :draft="draft" @go="turn" />
      </template>
      <Notice :says="problem" />

      <footer class="foot">
        <AlarmForm
          v-if="stuck === 'notSafe'"
          :job-id="id"
          :numbers="job.numbers"
          :still="still.keys"
          :still-says="still.says"
          @close="stuck = null"
          @left="router.push(home)"
        />
        <JobStuck
          v-else-if="stuck"
          :job="job"
          :reason="stuck"
          :still="still"
          @close="stuck = null"
          @left="router.push(home)"
        />
        <JobFoot
          v-else
          :main="mainWords"
          :sending="sending"
          :began="draft.step >= 0"
          :done="draft.step >= steps.length"
          :home="home"
          @main="goOn"
          @back="turn(draft.step - 1)"
          @stuck="stuck = $event"
        />
      </footer>
    </template>
  </div>
</template>

<style scoped>
.run {
  max-width: 560px;
  margin: 0 auto;
  min-height: 100dvh;
  display: flex;
  flex-direction: column;
  padding: 14px 18px 0;
  font-size: 17px;
}
.body {
  flex: 1;
  padding-bottom: 18px;
}
.end {
  padding: 40px 0;
}
</style>
