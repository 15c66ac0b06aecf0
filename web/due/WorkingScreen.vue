<script setup lang="ts">
/** The working of a date, whole, with something tried otherwise beside it before it is saved. */
import type { MethodKey } from '../../core/catalogue/types.ts';
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { ANCHOR_KINDS, type AnchorKind } from '../../core/catalogue/anchorChoice.ts';
import { PRACTICES, type Practice } from '../../core/catalogue/practice.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { workingFacts } from './workingFacts.ts';
import ConditionTable from './ConditionTable.vue';
import SpeedBand from './SpeedBand.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import FactList from '../kit/FactList.vue';

const props = defineProps<{ number: string }>();
const known = useLoading(() => api('point.working', { id: props.number }));
const { value: working, reload } = known;
const tried = useLoading(() => api('point.suppose', { id: props.number, form: supposed.value }));
const { failure: problem, run, busy } = useSending();
const told = ref('');

const entry = reactive({
  practice: 'steady' as Practice,
  anchor: 'none' as AnchorKind,
  rule: 'FREQ=MONTHLY;BYDAY=1SA',
  start: '',
  methods: {} as Partial<Record<MethodKey, string>>,
  assumptions: {} as Record<string, string>,
});
function restore(): void {
  const it = working.value!;
  Object.assign(entry, {
    practice: it.chosen.practice,
    anchor: it.chosen.anchor.kind,
    rule: it.chosen.anchor.rule ?? 'FREQ=MONTHLY;BYDAY=1SA',
    start: it.chosen.anchor.start ?? '2026-01-01',
    methods: Object.fromEntries(it.chosen.methods.map(({ key, option }) => [key, option])),
    assumptions: {},
  });
  tried.value.value = null;
}
const anchor = computed(() => ({
  kind: entry.anchor,
  mode: 'sets' as const,
  ...(entry.anchor === 'rule' && { rule: entry.rule, start: entry.start }),
}));
const changed = computed(() => {
  const it = working.value;
  if (!it) return { practice: false, anchor: false, methods: [], assumptions: {} as Record<string, number> };
  return {
    practice: entry.practice !== it.chosen.practice,
    anchor:
      entry.anchor !== it.chosen.anchor.kind ||
      (entry.anchor === 'rule' && (entry.rule !== it.chosen.anchor.rule || entry.start !== it.chosen.anchor.start)),
    methods: it.chosen.methods.flatMap(({ key, option: before }) => {
      const option = entry.methods[key];
      return option === undefined || option === before ? [] : [{ method: key, option }];
    }),
    assumptions: Object.fromEntries(
      Object.entries(entry.assumptions).flatMap(([name, text]) =>
        text === '' || Number(text) === it.assumptions.find((one) => one.name === name)!.value
          ? []
          : [[name, Number(text)]],
      ),
    ),
  };
});
const anything = computed(
  () =>
    changed.value.practice ||
    changed.value.anchor ||
    changed.value.methods.length > 0 ||
    Object.keys(changed.value.assumptions).length > 0,
);
const supposed = computed(() => ({
  ...(changed.value.practice && { practice: entry.practice }),
  ...(changed.value.anchor && { anchor: anchor.value }),
  methods: changed.value.methods,
  changes: changed.value.assumptions,
}));
let waiting: ReturnType<typeof setTimeout>;
watch(
  supposed,
  () => {
    clearTimeout(waiting);
    if (anything.value) waiting = setTimeout(() => void tried.reload(), 150);
    else tried.value.value = null;
  },
  { deep: true },
);

async function keep(what: 'practice' | 'anchor' | 'assumptions' | 'methods'): Promise<void> {
  const it = working.value!;
  const kept = await run(async () => {
    if (what === 'practice')
      await api('practice.choose', { form: { scope: 'point', subjectId: it.id, practice: entry.practice } });
    if (what === 'anchor') await api('point.anchor', { id: it.id, form: { anchor: anchor.value } });
    if (what === 'assumptions') await api('assumptions.change', { form: { changes: changed.value.assumptions } });
    if (what === 'methods')
      for (const { method, option } of changed.value.methods)
        await api('method.choose', { form: { scope: 'point', subjectId: it.id, method, option } });
  });
  if (!kept) return;
  told.value = say('saved');
  await load();
}
async function schedule(): Promise<void> {
  await run(async () => {
    await api('point.schedule', {
      id: working.value!.id,
      form: { scheduled: working.value!.chosen.scheduled ? 'no' : 'yes' },
    });
  });
  await load();
}
async function load(): Promise<void> {
  await reload();
  if (working.value) restore();
}
const long = (iso: string | null) => (iso === null ? '–' : say.day(dayFromIso(iso)));
const shown = computed(() => (anything.value && tried.value.value) || working.value);
const terms = computed(() => {
  const { terms: all, band, days } = shown.value!;
  const note = band ? say('working.band', { early: long(band.early), late: long(band.late) }) : undefined;
  return workingFacts(all, { name: say('working.line'), note, days });
});
onMounted(load);
</script>

<template>
  <PageFrame :title="working ? `${say('working.title')}: ${working.name}` : ''" :of="known">
    <template v-if="working" #above
      ><RouterLink :to="`/line/${working.number}`">{{ say('working.back') }}</RouterLink> ·
      <RouterLink :to="`/homes/${working.place.id}`">{{ working.place.name }}</RouterLink></template
    >
    <template v-if="working && shown">
      <div class="stack tight">
        <p class="date row">
          <span
            ><b>{{ long(working.line) }}</b
            >{{ ' ' }}
            <span class="quiet">{{
              working.served ? say('working.served', { day: long(working.served) }) : say('working.noRecord')
            }}</span></span
          >
          <span v-if="anything && tried.value.value" class="would told strong" role="status">{{
            tried.value.value.line === working.line && tried.value.value.days === working.days
              ? say('working.same', { line: long(working.line) })
              : say('working.would', { line: long(tried.value.value.line), days: tried.value.value.days })
          }}</span>
        </p>
        <p class="lead">{{ shown.says }}</p>
      </div>
      <p v-for="it in working.contradictions" :key="it" class="caution">{{ it }}</p>
      <div class="columns aside">
        <div class="stack airy">
          <section class="stack close">
            <h2>{{ say('working.terms') }}</h2>
            <FactList :facts="terms" />
          </section>
          <p v-if="shown.beyond" class="caution">{{ shown.beyond }}</p>
          <section class="stack close">
            <h2>{{ say('working.speed') }}</h2>
            <SpeedBand :speed="shown.speed" />
            <p class="small quiet">{{ say('working.speed.says', { ...shown.speed }) }}</p>
          </section>
          <section class="stack close">
            <h2>{{ say('working.found') }}</h2>
            <ConditionTable :conditions="shown.conditions" />
          </section>
        </div>
        <form class="panel card stack close start no-print" :aria-label="say('working.try')" @submit.prevent>
          <h2>{{ say('working.try') }}</h2>
          <p class="small quiet">{{ say('working.try.why') }}</p>
          <Notice
            v-if="problem || (anything && tried.failure.value)"
            class="small"
            :says="problem || tried.failure.value"
          />
          <VSelect
            v-model="entry.practice"
            :items="PRACTICES.map((value) => ({ value, title: say(`practice.${value}`) }))"
            :label="say('working.try.practice')"
            :hint="
              say('working.chosen.practice', {
                practice: say(`practice.${working.chosen.practice}`),
                scope: working.chosen.practiceScope,
              })
            "
            persistent-hint
            density="compact"
          />
          <RouterLink
            class="small"
            :to="{
              path: '/practice',
              query: { where: `point/${working.id}`, name: `${working.name}, ${working.place.name}` },
            }"
            >{{ say('practice.here') }}</RouterLink
          >
          <VBtn v-if="changed.practice" size="small" variant="outlined" :loading="busy" @click="keep('practice')">{{
            say('working.keep.practice')
          }}</VBtn>
          <VSelect
            v-model="entry.anchor"
            :items="ANCHOR_KINDS.map((value) => ({ value, title: say(`anchor.${value}`) }))"
            :label="say('working.try.anchor')"
            :hint="working.chosen.anchor.says"
            persistent-hint
            density="compact"
          />
          <template v-if="entry.anchor === 'rule'"
            ><VTextField
              v-model="entry.rule"
              :label="say('working.try.rule')"
              density="compact"
              hide-details /><VTextField
              v-model="entry.start"
              type="date"
              :label="say('working.try.start')"
              density="compact"
              hide-details
          /></template>
          <VBtn v-if="changed.anchor" size="small" variant="outlined" :loading="busy" @click="keep('anchor')">{{
            say('working.keep.anchor')
          }}</VBtn>
          <p v-if="shown.chosen.next.length" class="small quiet">
            {{
              say('working.next', { days: shown.chosen.next.map((day) => say.shortDay(dayFromIso(day))).join(', ') })
            }}
          </p>
          <p v-if="shown.chosen.turn" class="small">{{ say('working.turn', { agent: shown.chosen.turn }) }}</p>
          <VSelect
            v-for="method in working.chosen.methods"
            :key="method.key"
            v-model="entry.methods[method.key]"
            :items="method.options.map(({ key, name }) => ({ value: key, title: name }))"
            :label="method.name"
            density="compact"
            hide-details
          />
          <VBtn
            v-if="changed.methods.length"
            size="small"
            variant="outlined"
            :loading="busy"
            @click="keep('methods')"
            >{{ say('working.keep.methods') }}</VBtn
          >
          <details open class="wide">
            <summary class="strong">{{ say('working.try.assumptions') }}</summary>
            <div class="ruled apart tight">
              <label v-for="it in working.assumptions" :key="it.name" class="small"
                ><span>{{ it.says }}</span
                ><input
                  class="small-field"
                  :value="entry.assumptions[it.name] ?? Math.round(it.value * 1000) / 1000"
                  type="number"
                  :min="it.low"
                  :max="it.high"
                  :step="it.high > 20 ? 1 : 'any'"
                  @input="entry.assumptions[it.name] = ($event.target as HTMLInputElement).value"
              /></label>
            </div>
          </details>
          <VBtn
            v-if="Object.keys(changed.assumptions).length"
            size="small"
            variant="outlined"
            :loading="busy"
            @click="keep('assumptions')"
            >{{ say('working.keep.assumptions') }}</VBtn
          >
          <button v-if="anything" type="button" class="plain link" @click="restore">{{ say('working.reset') }}</button>
          <p v-if="told && !anything" role="status" class="dew small">{{ told }}</p>
          <button type="button" class="plain link small" @click="schedule">
            {{ say(working.chosen.scheduled ? 'point.unschedule' : 'point.schedule') }}
          </button>
          <p v-if="working.chosen.upkeepDay" class="small quiet">
            {{ say('working.upkeep', { says: working.chosen.upkeepDay }) }}
          </p>
          <p class="small">
            <a :href="`/api/calendar/point/${working.id}`" download>{{ say('working.export') }}</a>
          </p>
        </form>
      </div>
    </template>
  </PageFrame>
</template>
