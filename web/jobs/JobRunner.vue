<script setup lang="ts">
/**
 * A job, step by step: one thing a screen, the caution beside the hazard, one large button, a way out that is no
 * failure.
 */
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { asksOf, SHORT_STEPS } from '../../core/jobs/asks.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { AlarmAnswer } from '../../contract/alarms.ts';
import type { JobAnswer } from '../../contract/jobs.ts';
import type { StuckReason } from './stuck.ts';
import { api, photoUrl, Problem } from '../api/api.ts';
import { sentenceOf } from '../api/sentence.ts';
import { useSending } from '../api/sending.ts';
import { useLoading } from '../api/load.ts';
import StripGauge from '../strip/StripGauge.vue';
import { say } from '../language/say.ts';
import { askToPersist } from '../outbox/device.ts';
import { getKept, keepAnswer, keptAnswer } from '../outbox/kept.ts';
import { deliverNow, enqueue, sendOrKeep, submissionPath, submissionState, waiting } from '../outbox/outbox.ts';
import { confirm, hasDraft, keepAgain, openOn, submissionOf, useDraft, type Draft } from '../outbox/draft.ts';
import { useSoleTab } from './soleTab.ts';
import { freeze, replan, stepsOn, stillBefore } from './plan.ts';
import type { Finding } from '../../core/catalogue/types.ts';
import Illustration from '../catalogue/Illustration.vue';
import AlarmForm from '../faults/AlarmForm.vue';
import AlarmTold from '../faults/AlarmTold.vue';
import JobKept from './JobKept.vue';
import JobReview from './JobReview.vue';
import JobStuck from './JobStuck.vue';
import NeedField from './NeedField.vue';
import StepTicks from './StepTicks.vue';
import WhereItIs from './WhereItIs.vue';
import Notice from '../kit/Notice.vue';
import TickBox from '../kit/TickBox.vue';
import ProgressBar from '../kit/ProgressBar.vue';

const props = defineProps<{ id: string; home: string; homeName: string }>();
const router = useRouter();
/** The work as it stood when it was last theirs to do: what the office changes later takes nothing from it. */
const begun = `/begun/${props.id}`;
const { value: job, failure, reload } = useLoading(readJob);
/** Why a job that was begun here is not theirs any more. */
const lost = ref('');
const draft = shallowRef<Draft | null>(null);
const safe = ref(false);
const tried = ref(false);
const stuck = ref<StuckReason | null>(null);
const { busy: sending, failure: problem, run } = useSending();
const sent = ref<readonly string[] | null>(null);
const heading = ref<HTMLElement>();

const isDoable = ({ mine, state }: JobAnswer) => mine && DOING_STATES.includes(state);

async function readJob(): Promise<JobAnswer> {
  lost.value = '';
  let said = '';
  try {
    const { answer } = await getKept('jobs.read', { id: props.id });
    if (isDoable(answer)) await keepAnswer(begun, answer);
    if (isDoable(answer) || !hasDraft(props.id)) return answer;
    said = say('job.over', { state: answer.stateSays });
  } catch (error) {
    if (!hasDraft(props.id)) throw error;
    said = sentenceOf(error);
  }
  const kept = await keptAnswer<JobAnswer>(begun);
  if (!kept) throw new Problem(404, said);
  lost.value = said;
  return kept.answer;
}

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
const expected = computed(() =>
  job.value?.tasks
    .filter((task) => step.value?.taskIds.includes(task.id))
    .map((task) => task.expected)
    .filter(Boolean)
    .join(' · '),
);
const minutesLeft = computed(() => {
  const all = steps.value.length;
  return Math.max(1, Math.round((job.value!.minutes * (all - Math.max(0, draft.value!.step))) / all));
});

/** Reads the job as it is now, and holds what was entered against it. */
async function read(): Promise<void> {
  await reload();
  if (job.value && (doable.value || lost.value)) draft.value = useDraft(job.value);
}
/** Somebody has called this machine unsafe: the work stands still here as soon as this device hears of it. */
const stopped = shallowRef<AlarmAnswer | null>(null);
const still = computed(() =>
  job.value && draft.value ? stillBefore(job.value, draft.value, draft.value.step) : { keys: [], says: '' },
);
/** Parts that the office took out while they were in hand. */
const takenOut = ref<readonly string[]>([]);
const inHand = (answer: JobAnswer) => answer.tasks.filter(({ state }) => state === 'outstanding');
function tookOut(heard: JobAnswer): string[] {
  const now = inHand(heard).map(({ id }) => id);
  return inHand(job.value!)
    .filter(({ id }) => !now.includes(id))
    .map(({ name }) => name);
}
const LISTEN_MS = 20_000;
async function listen(): Promise<void> {
  if (document.hidden || !draft.value || draft.value.queued || sent.value || stuck.value) return;
  try {
    const heard = await api('jobs.read', { id: props.id });
    stopped.value = heard.stopped;
    const out = tookOut(heard);
    if (isDoable(heard) && out.length === 0) return;
    takenOut.value = [...takenOut.value, ...out];
    await read();
  } catch (error) {
    // Not theirs any more; without a connection nothing is known.
    if (error instanceof Problem && error.status === 404) await read();
  }
}
const listening = setInterval(() => void listen(), LISTEN_MS);
window.addEventListener('online', listen);
onBeforeUnmount(() => {
  clearInterval(listening);
  window.removeEventListener('online', listen);
});

const { elsewhere, takeOver } = useSoleTab(`dewline.job.${props.id}`, async () => {
  await read();
  stopped.value = job.value?.stopped ?? null;
  follow();
});

/** What was kept goes by itself; this follows it. */
function follow(): void {
  if (!draft.value?.queued) return;
  const { state, says } = submissionState(props.id);
  if (state === 'gone') {
    draft.value = null;
    sent.value ??= [];
  } else if (state === 'refused') {
    draft.value.queued = false;
    problem.value = says;
    void read();
  }
}
watch(waiting, follow);

async function turn(to: number): Promise<void> {
  void listen();
  draft.value!.step = to;
  tried.value = false;
  problem.value = '';
  await nextTick();
  window.scrollTo(0, 0);
  heading.value?.focus();
}

/** Tells the office how far one is, when there is a connection; what is sent at the end tells it too. */
function tell(move: 'start' | 'workDone'): void {
  if (!job.value || job.value.state !== (move === 'start' ? 'given' : 'started')) return;
  const { revision } = job.value;
  job.value = { ...job.value, revision: revision + 1, state: move === 'start' ? 'started' : 'awaitingTest' };
  void enqueue(props.id, {
    kind: 'form',
    path: `/jobs/${props.id}/moves`,
    form: { move, reason: null, note: '', revision },
    passing: true,
  })
    .then(deliverNow)
    .catch(() => undefined);
}

async function start(): Promise<void> {
  if (!safe.value) {
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
    return;
  }
  if (isLast.value) {
    await send();
    return;
  }
  const upcoming = steps.value[draft.value!.step + 1];
  await turn(draft.value!.step + 1);
  if (upcoming?.phase === 'test') tell('workDone');
}

/** Something was found that changes what is needed: the rest is planned again, what was done stays done. */
async function found(key: Finding): Promise<void> {
  const here = draft.value!;
  here.found = here.found.includes(key) ? here.found.filter((it) => it !== key) : [...here.found, key];
  await replan(job.value!, here, here.step + 1);
}

/** How the machine was found: the plan begins from there, and ends there. */
async function begins({ variable, value }: JobAnswer['beginnings'][number]): Promise<void> {
  const here = draft.value!;
  if (here.begin[variable] === value) delete here.begin[variable];
  else here.begin[variable] = value;
  await replan(job.value!, here, 0);
}

/** Without a switch only what needs none is done; the rest goes back, and all of it where nothing is left. */
async function noSwitch(): Promise<void> {
  const here = draft.value!;
  here.noSwitch = true;
  await replan(job.value!, here, here.step);
  if (here.left.length < Object.keys(here.tasks).length) return;
  here.noSwitch = false;
  await replan(job.value!, here, here.step);
  stuck.value = 'noSwitch';
}

/** The part that this step is the first of, where it can be said where it is, or that there is none. */
const sought = computed(() => {
  const [taskId, more] = step.value?.taskIds ?? [];
  const task =
    taskId !== undefined && more === undefined ? job.value?.tasks.find(({ id }) => id === taskId) : undefined;
  const first = steps.value.find(
    ({ taskIds, phase }) => phase !== 'isolate' && phase !== 'restore' && taskIds.length === 1 && taskIds[0] === taskId,
  );
  return task && first?.key === step.value?.key && draft.value?.tasks[task.id] ? task : undefined;
});
/** Looked for, and not there: the rest goes on without it. */
async function thereIsNone(taskId: string): Promise<void> {
  const here = draft.value!;
  if (Object.keys(here.tasks).filter((id) => !here.none.includes(id)).length === 1) {
    stuck.value = 'none';
    return;
  }
  here.none = [...here.none, taskId];
  await replan(job.value!, here, here.step);
}

/** Parts of this job that the sitting cannot do as things stand. */
const leftNames = computed(
  () =>
    job.value?.tasks
      .filter(({ id }) => draft.value?.left.some(({ taskId }) => taskId === id))
      .map(({ name }) => name)
      .join(', ') ?? '',
);

/** What was just sent, so that what was noticed of it can be mended without doing it all again. */
let mended: Draft | null = null;
async function mend(): Promise<void> {
  await run(async () => {
    await api('jobs.withdraw', { id: props.id });
    keepAgain(props.id, mended!);
    sent.value = null;
    await read();
  });
}

async function send(): Promise<void> {
  const finished = draft.value!;
  finished.finishedAt ??= Date.now();
  await run(async () => {
    const form = submissionOf(finished, steps.value, Date.now());
    const outcome = await sendOrKeep(
      props.id,
      { kind: 'form', path: submissionPath(props.id), form, stamped: true },
      finished.sendKey,
    ).catch(async (error: unknown) => {
      if (error instanceof Problem && error.status === 409) await read();
      throw error;
    });
    if (outcome.ended === 'kept') {
      finished.queued = true;
      return;
    }
    mended = JSON.parse(JSON.stringify(finished)) as Draft;
    draft.value = null;
    sent.value = (outcome.answer as { notes?: string[] }).notes ?? [];
  });
}
</script>

<template>
  <div class="run">
    <div v-if="sent" class="end stack" role="status">
      <h1>{{ say('job.sent') }}</h1>
      <p class="quiet">{{ say('job.sent.why') }}</p>
      <div v-if="sent.length" class="caution">
        <p class="strong">{{ say('job.sent.notes') }}</p>
        <p v-for="note in sent" :key="note">{{ note }}</p>
      </div>
      <VBtn
        v-if="sent.length && job && isDoable(job)"
        variant="outlined"
        size="large"
        block
        :loading="sending"
        @click="mend"
        >{{ say('job.mend') }}</VBtn
      >
      <Notice :says="problem" />
      <VBtn color="primary" size="large" block :to="home">{{ homeName }}</VBtn>
    </div>
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
      <p class="tell" role="alert">{{ failure }}</p>
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
      <h1>{{ job.title }}</h1>
      <p>{{ say('job.over', { state: job.stateSays }) }}</p>
      <VBtn variant="outlined" :to="home">{{ homeName }}</VBtn>
    </div>
    <p v-else-if="!job || !draft" class="quiet end">{{ say('loading') }}</p>

    <template v-else>
      <p class="row apart small">
        <b>{{ job.place }}</b><span class="quiet">{{
          draft.step < 0
            ? say('job.minutes', { minutes: job.minutes })
            : draft.step < steps.length
              ? `${say('job.step', { step: draft.step + 1, steps: steps.length })} · ${say('job.minutes', { minutes: minutesLeft })}`
              : ''
        }}</span>
      </p>
      <ProgressBar
        class="how-far"
        :done="draft.step + 1"
        :of="steps.length + 1"
        :label="say('job.step', { step: draft.step + 1, steps: steps.length })"
      />

      <p v-if="takenOut.length" class="tell small" role="status">
        {{ say('job.tookOut', { points: takenOut.join(', ') }) }}
      </p>
      <!-- In danger nothing else is on the screen. -->
      <template v-if="stuck !== 'notSafe'">
        <section v-if="draft.step < 0" class="body stack">
          <h1 ref="heading" tabindex="-1">{{ job.title }}</h1>
          <p class="quiet">{{ job.machine }} · {{ job.why }}</p>
          <div v-if="job.sentBack" class="caution">
            <p class="strong">{{ say('job.sentBack') }}</p>
            <p>{{ job.sentBack }}</p>
          </div>
          <div class="stack close">
            <h2>{{ say('job.stops') }}</h2>
            <ul class="stops stack close">
              <li v-for="stop in job.stops" :key="stop" class="caution">{{ stop }}</li>
            </ul>
            <p class="small quiet">{{ say('job.defer') }}</p>
          </div>
          <div>
            <h2>{{ say('job.need') }}</h2>
            <ul class="kit row">
              <li v-for="item in job.kit" :key="item">{{ item }}</li>
            </ul>
          </div>
          <details class="mistakes">
            <summary>{{ say('job.mistakes') }}</summary>
            <ul>
              <li v-for="it in job.mistakes" :key="it">{{ it }}</li>
            </ul>
          </details>
          <StripGauge :marks="job.marks" :today="job.today" />
          <details v-if="job.beginnings.length" class="mistakes" :open="Object.keys(draft.begin).length > 0">
            <summary>{{ say('job.begin') }}</summary>
            <TickBox
              v-for="it in job.beginnings"
              :key="it.variable"
              :model-value="draft.begin[it.variable] === it.value"
              @update:model-value="begins(it)"
              >{{ it.says }}</TickBox
            >
          </details>
          <p v-if="leftNames" class="caution small" role="status">{{ say('job.left', { points: leftNames }) }}</p>
          <TickBox v-model="safe" class="safe" :open="tried && !safe">{{ say('job.stops.read') }}</TickBox>
          <p v-if="tried && !safe" class="alarm" role="alert">
            {{ say('job.missing', { what: say('job.stops.read') }) }}
          </p>
        </section>

        <section v-else-if="step" :key="step.key" class="body stack">
          <p
            v-if="step.stateSays"
            class="state marked small"
            :class="{ turned: step.phase === 'isolate' || step.phase === 'restore' }"
          >
            <span class="quiet">{{
              say(step.phase === 'isolate' || step.phase === 'restore' ? 'job.state.then' : 'job.state')
            }}</span>{{ ' ' }}<b>{{ step.stateSays }}</b>
          </p>
          <div>
            <h1 ref="heading" tabindex="-1">{{ step.title }}</h1>
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
            :job="id"
            :known="sought.where"
            @none="thereIsNone(sought.id)"
          />
          <NeedField
            v-for="need in asks.fields"
            :key="`${step.key} ${need.need.kind} ${need.need.key} ${need.taskIds[0]}`"
            :need="need"
            :step="step"
            :job="id"
            :draft="draft"
            :procedure="job.tasks.find(({ id: it }) => it === need.taskIds[0])!.procedure"
            @found="found"
          />
          <StepTicks v-if="asks.ticks.length" :needs="asks.ticks" :step="step" :draft="draft" />
          <WhereItIs
            v-if="sought && !sought.where"
            :key="sought.id"
            v-model="draft.tasks[sought.id]!.where"
            :job="id"
            :known="null"
            @none="thereIsNone(sought.id)"
          />
          <p v-if="leftNames" class="caution small" role="status">{{ say('job.left', { points: leftNames }) }}</p>
          <button
            v-if="step.phase === 'isolate' && step.state.power === 'off' && !draft.noSwitch"
            type="button"
            class="plain link"
            @click="noSwitch"
          >
            {{ say('job.noSwitch') }}
          </button>
          <p v-if="tried && open.length" class="alarm" role="alert">
            {{ say('job.missing', { what: open.join('; ') }) }}
          </p>
        </section>

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
        <template v-else>
          <VBtn v-if="draft.step < 0" color="primary" size="x-large" block @click="start">{{ say('job.start') }}</VBtn>
          <VBtn v-else-if="step" color="primary" size="x-large" block :loading="sending" @click="next">{{
            isLast ? say('job.send') : (step.button ?? asks.button?.label ?? say('job.next'))
          }}</VBtn>
          <VBtn v-else color="primary" size="x-large" block :loading="sending" @click="send">{{
            say('job.send')
          }}</VBtn>
          <div class="ways row close even">
            <VBtn v-if="draft.step >= 0" variant="outlined" @click="turn(draft.step - 1)">{{ say('back') }}</VBtn>
            <template v-if="draft.step < steps.length">
              <VBtn v-if="draft.step >= 0" variant="outlined" @click="stuck = 'willNotMove'">{{
                say('job.wontMove')
              }}</VBtn>
              <VBtn variant="outlined" @click="stuck = 'notSafe'">{{ say('job.notSafe') }}</VBtn>
              <VBtn v-if="draft.step >= 0" variant="outlined" @click="stuck = 'partMissing'">{{
                say('job.partMissing')
              }}</VBtn>
              <VBtn v-else variant="outlined" @click="stuck = 'away'">{{ say('job.away') }}</VBtn>
            </template>
            <VBtn variant="outlined" :to="home">{{ say('job.later') }}</VBtn>
          </div>
        </template>
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
.how-far {
  margin: 8px 0 14px;
}
.body {
  flex: 1;
  padding-bottom: 18px;
}
.stops .caution {
  background: var(--panel);
}
.state {
  background: var(--panel);
  padding-top: 5px;
  padding-bottom: 5px;
}
.state.turned {
  border-color: var(--edge);
}
.kit li::before {
  content: '· ';
}
.ways .v-btn {
  font-size: 15px;
  min-height: 44px;
  padding: 0 10px;
}
.end {
  padding: 40px 0;
}
</style>
