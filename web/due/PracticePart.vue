<script setup lang="ts">
/** Choosing a practice for the whole or a part of it, with what each asks of whom side by side. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import type { PracticeAnswer, PracticePreview } from '../../contract/due/practice.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';
import { addressed, subjectOf, useScopes, WHOLE } from './scopes.ts';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const board = useBoard();
const route = useRoute();
/** A machine or a point comes here by a link that names it. */
const where = ref(String(route.query.where ?? WHOLE));
const all = useScopes();
const { value: preview, failure, loading, reload } = useLoading(() => api('practice.preview', addressed(where.value)));
const sending = useSending();
const told = ref('');
const undo = ref<(() => Promise<void>) | null>(null);

const scopes = computed(() => [
  ...(route.query.where && route.query.name
    ? [{ value: String(route.query.where), title: String(route.query.name) }]
    : []),
  ...all.scopes.value,
]);
type Burden = PracticePreview['options'][number]['burden'];
type Spent = NonNullable<PracticePreview['spent']>;
/** A figure as it is read, and how much it is, for the bar beside it; null where there is nothing to draw. */
interface Figure {
  readonly says: string;
  readonly amount: number | null;
}
const NOTHING: Figure = { says: '–', amount: null };
const counted =
  (unit: 'requests' | 'minutes' | 'jobs' | 'hours' | 'doors' | 'calls') =>
  (amount: number): Figure => ({ says: say(`practice.unit.${unit}`, { value: Math.round(amount * 10) / 10 }), amount });
const money = (amount: number | null | undefined): Figure =>
  amount == null
    ? { says: say('practice.row.noPrices'), amount: null }
    : { says: say.money(Math.round(amount), preview.value?.currency ?? ownCurrency.value), amount };
const percent = (share: number | null): Figure =>
  share === null ? NOTHING : { says: `${say.figure(share * 100)} %`, amount: share };

const rows = computed(() => {
  const { options = [], spent = null, hoursAMonth = null, currency = null } = preview.value ?? {};
  /** One row: what each practice would ask, and beside it what was spent, where that is known of this row. */
  const row = <Key extends string>(
    key: Key,
    asks: (burden: Burden) => Figure,
    was: ((spent: Spent) => Figure) | null,
    sub = false,
  ) => ({ key, sub, values: options.map(({ burden }) => asks(burden)), was: spent && (was ? was(spent) : NOTHING) });
  const fullest = ({ months, tenancies }: Burden) =>
    Math.max(...months.map(({ tenantMinutes }) => tenantMinutes)) / Math.max(1, tenancies);
  return [
    row(
      'tenant',
      (it) => counted('requests')(it.tenantRequestsAMonth),
      (it) => counted('requests')(it.tenantRequestsAMonth),
    ),
    row(
      'most',
      (it) => counted('requests')(it.mostInAMonth),
      (it) => counted('requests')(it.mostInAMonth),
      true,
    ),
    row('minutes', (it) => counted('minutes')(fullest(it)), null, true),
    row('spilled', (it) => counted('jobs')(it.spilledAMonth), null, true),
    row(
      'hours',
      (it) => counted('hours')(it.staffHoursAMonth),
      (it) => counted('hours')(it.staffHoursAMonth),
    ),
    row(hoursAMonth === null ? 'fullest' : 'short', (it) => ({ says: shortOf(it), amount: null }), null, true),
    row(
      'doors',
      (it) => counted('doors')(it.doorsAMonth),
      (it) => counted('doors')(it.doorsAMonth),
    ),
    row(
      'calls',
      (it) => counted('calls')(it.callsAMonth),
      (it) => counted('calls')(it.callsAMonth),
    ),
    row(
      'heavy',
      (it) => percent(it.heavyShare),
      (it) => percent(it.heavyShare),
    ),
    row(
      'cost',
      (it) => money(it.cost?.total),
      (it) => money(it.cost?.total),
    ),
    // What the cost is made of.
    ...(currency === null ? [] : (['hours', 'doors', 'calls', 'materials'] as const)).map((part) => {
      const of = ({ cost }: Burden | Spent) =>
        cost?.[part] == null ? { says: say('practice.row.unpriced'), amount: null } : money(cost[part]);
      return row(`cost.${part}` as const, of, of, true);
    }),
  ];
});
/** Months whose hours are more than staff have, by name; all of it named, or nobody said what they have. */
function shortOf({ months }: Burden): string {
  const { hoursAMonth, from } = preview.value!;
  if (hoursAMonth === null)
    return say('practice.unit.hours', {
      value: Math.round(Math.max(...months.map(({ staffHours }) => staffHours)) * 10) / 10,
    });
  const first = dayFromIso(from);
  const short = months.flatMap(({ staffHours }, i) =>
    staffHours > hoursAMonth
      ? [{ month: say.month(first + Math.round(i * 30.4)), hours: Math.round((staffHours - hoursAMonth) * 10) / 10 }]
      : [],
  );
  return short.length === 0
    ? say('practice.short.none')
    : say('practice.short', {
        count: short.length,
        hours: Math.round(short.reduce((sum, { hours }) => sum + hours, 0) * 10) / 10,
        month: short.toSorted((a, b) => b.hours - a.hours)[0]!.month,
      });
}
/** How long the bar beside a number is, of the longest in its row. */
function share(
  { values, was }: { readonly values: readonly Figure[]; readonly was: Figure | null },
  it: Figure,
): number {
  const longest = Math.max(...[...values, ...(was ? [was] : [])].map(({ amount }) => amount ?? 0));
  return longest > 0 ? (it.amount ?? 0) / longest : 0;
}

async function choose(practice: Practice | null, at = subjectOf(where.value)): Promise<void> {
  const before =
    at.scope === 'organisation'
      ? props.answer.practice
      : (props.answer.exceptions.find(({ subjectId }) => subjectId === at.subjectId)?.practice ?? null);
  if (
    !(await sending.run(async () => {
      await api('practice.choose', { form: { ...at, practice } });
    }))
  )
    return;
  told.value = practice
    ? say('practice.saved', { what: say(`practice.${practice}`), count: preview.value?.follow ?? 0 })
    : say('practice.undone');
  undo.value = async () => {
    await sending.run(async () => {
      await api('practice.choose', { form: { ...at, practice: before } });
    });
    undo.value = null;
    told.value = say('practice.undone');
    await after();
  };
  await after();
}
async function after(): Promise<void> {
  emit('changed');
  await Promise.all([reload(), board.load()]);
}
watch(where, () => {
  told.value = '';
  undo.value = null;
  void reload();
});
onMounted(() => Promise.all([all.load(), reload()]));
</script>

<template>
  <div class="stack">
    <p class="quiet lead">{{ say('practice.lead') }}</p>
    <VAutocomplete
      v-model="where"
      class="picker"
      :items="scopes"
      :label="say('practice.where')"
      hide-details
      density="compact"
    />
    <Notice :says="failure || sending.failure.value" />
    <UndoBar :says="told" :undoable="undo !== null" :label="say('practice.undo')" @undo="undo?.()" />
    <div v-if="preview" class="sideways stack" :class="{ waiting: loading }">
      <table class="table">
        <caption class="unseen">
          {{
            say('practice.compare')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">
              <span class="unseen">{{ say('practice.compare') }}</span>
            </th>
            <th
              v-for="option in preview.options"
              :key="option.practice"
              scope="col"
              :class="{ now: option.practice === preview.now }"
            >
              <b>{{ say(`practice.${option.practice}`) }}</b><small
                v-if="option.practice === preview.now"
                class="dew"
                >{{ say('practice.now') }}</small
              >
            </th>
            <th v-if="preview.spent" scope="col" class="was">
              <b>{{ say('practice.was') }}</b><small class="quiet">{{
                say('practice.was.since', { day: say.day(dayFromIso(preview.spent.from)) })
              }}</small>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.key" :class="{ sub: row.sub }">
            <th scope="row">{{ say(`practice.row.${row.key}`) }}</th>
            <td
              v-for="(value, i) in row.values"
              :key="i"
              :class="{ now: preview.options[i]!.practice === preview.now }"
            >
              {{ value.says
              }}<i
                v-if="!row.sub"
                aria-hidden="true"
                :class="{ warm: row.key === 'heavy' }"
                :style="{ width: `${share(row, value) * 84}px` }"
              />
            </td>
            <td v-if="row.was" class="was">
              {{ row.was.says
              }}<i
                v-if="!row.sub"
                aria-hidden="true"
                :class="{ warm: row.key === 'heavy' }"
                :style="{ width: `${share(row, row.was) * 84}px` }"
              />
            </td>
          </tr>
          <tr class="no-print">
            <td />
            <td
              v-for="option in preview.options"
              :key="option.practice"
              :class="{ now: option.practice === preview.now }"
            >
              <VBtn
                size="small"
                :variant="option.practice === preview.now ? 'text' : 'outlined'"
                :disabled="option.practice === preview.now"
                :loading="sending.busy.value"
                @click="choose(option.practice)"
                >{{ say('practice.choose', { practice: say(`practice.${option.practice}`) }) }}</VBtn
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="preview.follow < preview.points" class="small">
        {{ say('practice.follow', { follow: preview.follow, points: preview.points }) }}
      </p>
      <ul class="stack tight small quiet">
        <li v-for="option in preview.options" :key="option.practice">
          <b>{{ say(`practice.${option.practice}`) }}</b>: {{ say(`practice.${option.practice}.why`) }}
        </li>
      </ul>
      <details class="small lead">
        <summary class="dew">{{ say('practice.how') }}</summary>
        <p>{{ say('practice.of', { count: preview.points }) }}</p>
        <p v-for="i in 3" :key="i">{{ say(`practice.how.${i}`) }}</p>
        <p v-if="preview.spent">{{ say('practice.how.was', preview.spent) }}</p>
      </details>
    </div>
    <p v-else-if="!failure" class="quiet">{{ say('loading') }}</p>
    <section class="stack close">
      <h2>{{ say('practice.exceptions') }}</h2>
      <p v-if="answer.exceptions.length === 0" class="quiet">{{ say('practice.exceptions.none') }}</p>
      <ul class="exceptions ruled apart">
        <li v-for="it in answer.exceptions" :key="it.subjectId">
          <span>{{ it.name }}</span><b class="push">{{ say(`practice.${it.practice}`) }}</b
          ><button type="button" class="plain link" @click="choose(null, { scope: it.scope, subjectId: it.subjectId })">
            {{ say('practice.back') }}
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.waiting {
  opacity: 0.6;
}
.table {
  min-width: 860px;
  table-layout: fixed;
}
.table th,
.table td {
  padding: 8px 14px;
}
td {
  font-size: 19px;
  font-weight: 620;
}
td i {
  display: block;
  height: 4px;
  background: var(--dew);
  margin-top: 3px;
  border-radius: 2px;
}
td i.warm {
  background: var(--alarm);
}
thead th:first-child {
  width: 190px;
}
.sub th,
.sub td {
  padding-top: 2px;
  padding-bottom: 2px;
  font-size: 14px;
  color: var(--ink-2);
  font-weight: 400;
}
.sub th {
  padding-left: 28px;
}
/* What was, apart from what would be. */
.was {
  border-left: 2px solid var(--ink);
}
.now {
  background: var(--pick);
}
</style>
