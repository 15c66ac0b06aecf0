<script setup lang="ts">
/** Choosing a practice for the whole or a part of it, with what each asks of whom side by side. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import type { PracticeAnswer } from '../../contract/due/practice.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { hearing } from '../api/progress.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';
import { practiceRows, share as shareOf } from './practiceRows.ts';
import { addressed, subjectOf, useScopes } from './scopes.ts';
import Notice from '../kit/Notice.vue';
import ProgressBar from '../kit/ProgressBar.vue';
import UndoBar from '../kit/UndoBar.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const board = useBoard();
const route = useRoute();
/** A machine or a point comes here by a link that names it. */
const all = useScopes(route.query.where ? String(route.query.where) : undefined);
const { where, mayChange } = all;
/** How far the server is with it, 0 to 1. */
const share = ref<number>();
const {
  value: preview,
  failure,
  loading,
  reload,
} = useLoading(() => {
  share.value = undefined;
  return hearing(
    'preview',
    (done) => (share.value = done),
    () => api('practice.preview', addressed(where.value)),
  );
});
const sending = useSending();
const told = ref('');
const undo = ref<(() => Promise<void>) | null>(null);

const scopes = computed(() => [
  ...(route.query.where && route.query.name
    ? [{ value: String(route.query.where), title: String(route.query.name) }]
    : []),
  ...all.scopes.value,
]);
const rows = computed(() => (preview.value ? practiceRows(preview.value) : []));

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
onMounted(() => Promise.all([all.load(), where.value && reload()]));
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
    <div v-if="loading && !preview" class="row close middle" role="status">
      <p class="quiet">{{ say('practice.reckoning') }}</p>
      <ProgressBar v-if="share !== undefined" :done="share" :of="1" :label="say('practice.reckoning')" />
    </div>
    <div v-if="preview" class="sideways stack" :class="{ waiting: loading }" :aria-busy="loading">
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
                :style="{ width: `${shareOf(row, value) * 84}px` }"
              />
            </td>
            <td v-if="row.was" class="was">
              {{ row.was.says
              }}<i
                v-if="!row.sub"
                aria-hidden="true"
                :class="{ warm: row.key === 'heavy' }"
                :style="{ width: `${shareOf(row, row.was) * 84}px` }"
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
                :disabled="option.practice === preview.now || !mayChange"
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
/* Being reckoned anew; it stays as easy to read. */
.waiting {
  box-shadow: -6px 0 0 var(--dew);
  cursor: progress;
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
