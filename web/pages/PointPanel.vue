<script setup lang="ts">
/** A point's story and the working of its date, with what can be done about it. */
import { computed, nextTick, onMounted, ref } from 'vue';
import { doneDayOf } from '../../contract/due/due.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { MEASURES } from '../../core/measure/measures.ts';
import { filterKindOf } from '../../core/stock/filters.ts';
import { api } from '../api/api.ts';
import { sentenceOf } from '../api/sentence.ts';
import { useLoading } from '../api/load.ts';
import { workingFacts } from '../due/workingFacts.ts';
import GiveJob from '../jobs/GiveJob.vue';
import JobTold from '../notices/JobTold.vue';
import CorrectRecord from '../proof/CorrectRecord.vue';
import LogRecord from '../proof/LogRecord.vue';
import PointSpecification from '../register/PointSpecification.vue';
import { say } from '../language/say.ts';
import { isLate, standOn } from '../strip/marks.ts';
import SignalList from '../due/SignalList.vue';
import KindGlyph from '../strip/KindGlyph.vue';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import FactList from '../kit/FactList.vue';

const props = defineProps<{ number: number }>();
const emit = defineEmits<{ close: []; changed: [] }>();

const read = useLoading(() => api('point.read', { id: props.number }));
const { value: point, reload } = read;
const signals = useLoading(async () =>
  point.value?.signals.length
    ? (await api('signals.list')).signals.filter((it) => point.value!.signals.some(({ id }) => id === it.id))
    : [],
);
const open = ref<'give' | 'log' | 'specify' | null>(null);
const heading = ref<HTMLElement>();
const sure = ref(false);
const correcting = ref<string | null>(null);
const problem = ref('');

const stand = computed(() => (point.value ? standOn(point.value.mark, point.value.place.today) : null));
const late = computed(() => stand.value !== null && isLate({ state: stand.value.state, work: point.value!.mark.work }));
const headline = computed(() => {
  const mark = point.value!.mark;
  const { share, daysLeft } = stand.value!;
  const doneDay = doneDayOf(mark);
  if (doneDay !== null) return say('point.done', { day: say.shortDay(doneDay) });
  if (share === undefined) return say('point.noRecord');
  if (daysLeft < 0) return say('point.past', { days: -daysLeft });
  return daysLeft === 0 ? say('point.today') : say('point.in', { days: daysLeft });
});
const measurable = computed(() => MEASURES.some(({ of }) => of.includes(point.value!.procedure)));
const lineDay = computed(() => point.value!.mark.servedDay + point.value!.mark.intervalDays);

async function changed(): Promise<void> {
  open.value = null;
  correcting.value = null;
  await load();
  emit('changed');
  // The form is gone: whoever works by keyboard goes on from the part, not from the top of the page.
  await nextTick();
  heading.value?.focus({ preventScroll: true });
}

async function schedule(scheduled: 'yes' | 'no'): Promise<void> {
  try {
    await api('point.schedule', { id: point.value!.id, form: { scheduled } });
  } catch (error) {
    problem.value = sentenceOf(error);
  }
  await changed();
}

async function cancel(): Promise<void> {
  if (!sure.value) {
    sure.value = true;
    return;
  }
  try {
    await api('jobs.move', {
      id: point.value!.job!.id,
      form: { move: 'cancel', revision: point.value!.job!.revision, reason: null, note: '', still: [], entry: null },
    });
    sure.value = false;
  } catch (error) {
    problem.value = sentenceOf(error);
  }
  await changed();
}

async function load(): Promise<void> {
  await reload();
  await signals.reload();
}
/** Escape closes what is open, the innermost first. */
function shut(event: KeyboardEvent): void {
  if (open.value === null && correcting.value === null) return;
  event.stopPropagation();
  event.preventDefault();
  open.value = null;
  correcting.value = null;
  heading.value?.focus({ preventScroll: true });
}
onMounted(load);
const terms = computed(() => {
  const { terms: all, band, mark } = point.value!;
  const note = band && band.early < band.late ? say('point.band', { ...band }) : undefined;
  return workingFacts(all, { name: say('point.interval'), note, days: mark.intervalDays! });
});
/** With its year where the story spans more than one. */
const years = computed(() => new Set(point.value?.story.map(({ day }) => day.slice(0, 4)) ?? []));
const dayWords = (day: string) =>
  `${say.shortDay(dayFromIso(day))}${years.value.size > 1 ? ` ${day.slice(0, 4)}` : ''}`;
</script>

<template>
  <aside class="side" @keydown.esc="shut" :aria-label="point?.name ?? say('loading')">
    <button type="button" class="plain shut" :aria-label="say('close')" @click="emit('close')">×</button>
    <LoadState :of="read" />
    <template v-if="point && stand">
      <h2 ref="heading" tabindex="-1"><KindGlyph :kind="point.kind" :size="16" /> {{ point.name }}</h2>
      <p class="quiet small">
        <RouterLink :to="`/homes/${point.place.id}`">{{ point.place.name }}</RouterLink>, {{ point.place.property }} ·
        {{ point.machine.name
        }}<template v-if="point.safetyCritical">
          · <b>{{ say('point.critical') }}</b></template
        >
      </p>
      <p class="big" :class="{ alarm: late }">{{ headline }}</p>
      <p v-if="stand.share !== undefined" class="quiet small">
        {{ say('point.used', { share: stand.share, past: String(stand.daysLeft < 0), day: say.shortDay(lineDay) }) }}
      </p>
      <p>{{ point.says }} {{ point.why }}</p>
      <p v-if="point.baseline" class="small">
        {{ say('point.baseline', { day: say.shortDay(dayFromIso(point.baseline)) }) }}
      </p>
      <p v-if="point.hold" class="small strong">{{ point.hold }}</p>
      <p v-if="!point.scheduled" class="small quiet">
        {{ say('point.rides') }}
        <button type="button" class="plain link" @click="schedule('yes')">{{ say('point.schedule') }}</button>
      </p>
      <SignalList v-if="signals.value.value?.length" :signals="signals.value.value" @changed="changed" />

      <p v-if="point.job?.state === 'open' && point.job.reason" class="caution small">
        {{ say('point.handedBack', { reason: point.job.reason }) }}
      </p>
      <JobTold
        v-if="point.job && point.job.state !== 'open'"
        :key="point.job.revision"
        :job-id="point.job.id"
        :today="point.place.today"
      />
      <section :aria-label="say('point.actions')" class="row close no-print">
        <p v-if="point.job && point.job.state !== 'open'" class="small whole-row">
          {{ say('point.given', { name: point.job.assignee ?? '', state: point.job.says }) }}
        </p>
        <VBtn v-if="point.waitingRecordId" color="primary" :to="`/proof/${point.waitingRecordId}`">{{
          say('point.judge')
        }}</VBtn>
        <template v-else>
          <VBtn
            v-if="!point.job || point.job.state === 'open'"
            color="primary"
            :variant="open === 'give' ? 'outlined' : 'flat'"
            @click="open = open === 'give' ? null : 'give'"
            >{{ say('point.give') }}</VBtn
          >
          <VBtn v-else variant="outlined" @click="cancel">{{
            say(sure ? 'point.cancelJob.sure' : 'point.cancelJob')
          }}</VBtn>
          <VBtn variant="outlined" @click="open = open === 'log' ? null : 'log'">{{ say('point.log') }}</VBtn>
        </template>
        <VBtn v-if="!point.contract" variant="outlined" :to="`/look/${point.number}`">{{ say('point.look') }}</VBtn>
        <VBtn
          v-if="measurable"
          variant="outlined"
          :to="{ path: '/measure', query: { point: point.number, procedure: point.procedure } }"
          >{{ say('point.measure') }}</VBtn
        >
        <VBtn variant="outlined" @click="open = open === 'specify' ? null : 'specify'">{{ say('point.specify') }}</VBtn>
      </section>
      <Notice :says="problem" />
      <GiveJob v-if="open === 'give'" :point="point" @given="changed" />
      <LogRecord
        v-if="open === 'log'"
        :point-id="point.id"
        :procedure="point.procedure"
        :kind="point.kind"
        :today="point.place.today"
        @logged="changed"
      />
      <PointSpecification v-if="open === 'specify'" :place-id="point.place.id" :point-id="point.id" @saved="changed" />

      <section v-if="stand.share !== undefined">
        <h3>{{ say('point.working') }}</h3>
        <FactList :facts="terms" />
        <p v-if="point.beyond" class="caution small">{{ point.beyond }}</p>
        <p class="small">
          <RouterLink :to="`/line/${point.number}/working`">{{ say('point.working.more') }}</RouterLink>
        </p>
        <p v-if="point.calendar" class="small quiet">{{ say('point.calendar', { says: point.calendar }) }}</p>
      </section>
      <p v-if="filterKindOf(point.procedure, {})" class="small">
        <RouterLink :to="`/line/${point.number}/filters`">{{ say('filters.title') }}</RouterLink>
      </p>
      <section>
        <h3>{{ say('point.story') }}</h3>
        <p v-if="point.story.length === 0" class="quiet small">{{ say('point.story.none') }}</p>
        <ul class="story ruled apart tight small">
          <li v-for="(entry, i) in point.story" :key="i">
            <span
              ><b>{{ dayWords(entry.day) }}</b> {{ entry.says }}
              <button
                v-if="entry.correctable"
                type="button"
                class="plain link"
                @click="correcting = correcting === entry.recordId ? null : entry.recordId"
              >
                {{ say('correct.open') }}
              </button>
              <CorrectRecord
                v-if="entry.recordId && correcting === entry.recordId"
                :record-id="entry.recordId"
                :day="entry.day"
                :procedure="point.procedure"
                :today="point.place.today"
                @saved="changed"
                @cancelled="correcting = null" /></span
            ><span class="quiet last">{{ entry.by }}</span>
          </li>
        </ul>
      </section>
    </template>
  </aside>
</template>

<style scoped>
.side {
  width: 328px;
  flex: none;
  border-left: 1px solid var(--hair);
  background: var(--panel);
  padding: 18px 20px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 10px;
  position: relative;
  font-size: 14px;
}
.shut {
  position: absolute;
  right: 12px;
  top: 8px;
  font-size: 24px;
  line-height: 32px;
  width: 32px;
  text-align: center;
  color: var(--ink-2);
}
h2 {
  padding-right: 26px;
}
@media (max-width: 900px) {
  .side {
    position: fixed;
    inset: 0;
    width: auto;
    z-index: 20;
  }
}
</style>
