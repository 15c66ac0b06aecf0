<script setup lang="ts">
/** Thin, dense or deep: what each kind of filter would ask of this home in a year, side by side. */
import { computed, onMounted, ref } from 'vue';
import type { FilterKind } from '../../core/stock/filters.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import UndoBar from '../kit/UndoBar.vue';
import { say } from '../language/say.ts';
import { filterRows } from './filterRows.ts';

const props = defineProps<{ number: string }>();
const read = useLoading(() => api('filters.compare', { id: props.number }));
const { value: answer, reload } = read;
const { failure, busy, run } = useSending();
const told = ref('');
const before = ref<FilterKind | null>(null);
const groups = computed(() => (answer.value ? filterRows(answer.value) : []));
/** Thin and dense go into one slot; a deep one wants a cabinet, and is another part of the register. */
const choosable = (kind: FilterKind) => answer.value!.now !== 'deep' && kind !== 'deep' && kind !== answer.value!.now;

async function choose(kind: FilterKind, undoing = false): Promise<void> {
  const { machine, now } = answer.value!;
  const done = await run(async () => {
    await api('method.choose', {
      form: { scope: 'machine', subjectId: machine.id, method: 'filterMedia', option: kind },
    });
  });
  if (!done) return;
  before.value = undoing ? null : now;
  told.value = say('filters.chosen', { kind: say(`filters.kind.${kind}`) });
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame :title="say('filters.title')" :of="read">
    <template v-if="answer" #above
      ><RouterLink :to="`/line/${answer.number}`">{{ answer.machine.name }}</RouterLink> ·
      <RouterLink :to="`/homes/${answer.place.id}`">{{ answer.place.name }}</RouterLink>,
      {{ answer.place.property }}</template
    >
    <template v-if="answer" #lead
      ><p class="quiet lead">
        {{
          say('filters.lead', {
            size: answer.size ?? 'none',
            findings: answer.findings,
            speed: say.figure(answer.speed),
          })
        }}
      </p></template
    >
    <template v-if="answer">
      <Notice :says="failure" />
      <UndoBar
        :says="told"
        :undoable="before !== null"
        :label="say('filters.undo')"
        @undo="before && choose(before, true)"
      />
      <p v-if="!answer.currency" class="caution">
        {{ say('filters.noPrices') }} <RouterLink to="/practice/prices">{{ say('filters.toPrices') }}</RouterLink>
      </p>
      <div class="sideways">
        <table class="table">
          <caption class="unseen">
            {{
              say('filters.title')
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ say('filters.year') }}</th>
              <th v-for="{ kind } in answer.kinds" :key="kind" scope="col">
                <b>{{ say(`filters.kind.${kind}`) }}</b><small v-if="kind === answer.now" class="dew">
                  {{ say('filters.now') }}</small
                >
              </th>
            </tr>
          </thead>
          <tbody v-for="{ group, rows } in groups" :key="group">
            <tr>
              <th scope="rowgroup" :colspan="answer.kinds.length + 1" class="quiet small">
                {{ say(`filters.group.${group}`) }}
              </th>
            </tr>
            <tr v-for="row in rows" :key="row.key" :class="{ strong: row.key === 'total' }">
              <th scope="row">{{ say(`filters.row.${row.key}`) }}</th>
              <td v-for="(value, i) in row.values" :key="i">{{ value }}</td>
            </tr>
          </tbody>
          <tbody>
            <tr class="no-print">
              <td />
              <td v-for="{ kind } in answer.kinds" :key="kind">
                <VBtn v-if="choosable(kind)" size="small" variant="outlined" :loading="busy" @click="choose(kind)">{{
                  say('filters.choose', { kind: say(`filters.kind.${kind}`) })
                }}</VBtn>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="answer.now !== 'deep'" class="caution small">{{ say('filters.cabinet') }}</p>
      <details class="small lead">
        <summary class="dew">{{ say('filters.how') }}</summary>
        <p v-for="i in 4" :key="i">{{ say(`filters.how.${i}`, { years: answer.years }) }}</p>
      </details>
    </template>
  </PageFrame>
</template>
