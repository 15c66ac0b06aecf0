<script setup lang="ts">
/** The history of a machine or a home: the tape, its story as a list, and as a table to take away. */
import { computed, nextTick, onMounted, ref } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { STORY_KINDS, type StoryKind, type TapeEvent } from '../../contract/pages/tape.ts';
import { api } from '../api/api.ts';
import { paperUrl } from '../api/paper.ts';
import { useLoading } from '../api/load.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import DataTable, { type Column } from '../kit/DataTable.vue';
import EmptyState from '../kit/EmptyState.vue';
import PageFrame from '../kit/PageFrame.vue';
import { handDown } from '../kit/handDown.ts';
import { useKeys } from '../kit/keys.ts';
import { keepInAddress, oneChoice } from '../kit/inAddress.ts';
import { say } from '../language/say.ts';
import TapeStrip from '../strip/TapeStrip.vue';

const props = defineProps<{ scope: 'machine' | 'place'; id: string }>();
const loading = useLoading(() => api('tape.read', { scope: props.scope, id: props.id, form: { story: true } }));
const { value: tape } = loading;

/** Pixels a day; null fits all of it. */
const ZOOMS = { all: null, year: 2.4, month: 7, week: 24 } as const;
type Zoom = keyof typeof ZOOMS;
const LEVELS = Object.keys(ZOOMS) as Zoom[];
const zoom = ref<Zoom>('all');
const step = (by: number) => {
  zoom.value = LEVELS[Math.min(LEVELS.length - 1, Math.max(0, LEVELS.indexOf(zoom.value) + by))]!;
};
useKeys({ '+': () => step(1), '-': () => step(-1) });

const kind = ref<StoryKind | 'all'>('all');
keepInAddress({ kind: oneChoice(kind, ['all', ...STORY_KINDS]), zoom: oneChoice(zoom, LEVELS) });
const story = computed(() => (tape.value?.story ?? []).filter((it) => kind.value === 'all' || it.kind === kind.value));
const kinds = computed(() =>
  (['all', ...STORY_KINDS] as const).map((value) => {
    const count = (tape.value?.story ?? []).filter((it) => value === 'all' || it.kind === value).length;
    return { value, says: `${say(`tape.kind.${value}`)} ${count}`, disabled: count === 0 };
  }),
);
const columns: readonly Column<TapeEvent>[] = [
  {
    key: 'day',
    title: say('tape.column.day'),
    says: ({ day }) => say.day(day),
    order: ({ day, at }) => day * 1e13 + at,
  },
  { key: 'of', title: say('tape.column.of'), says: ({ of }) => of },
  { key: 'says', title: say('tape.column.says'), says: ({ says }) => says },
  { key: 'by', title: say('tape.column.by'), says: ({ by }) => by ?? '–' },
];

/** What is shown of the story, as a file. */
async function takeAway(): Promise<void> {
  const { default: Papa } = await import('papaparse');
  const fields = (['day', 'kind', 'of', 'says', 'by'] as const).map((key) => say(`tape.column.${key}`));
  const data = story.value.map((it) => [isoFromDay(it.day), say(`tape.kind.${it.kind}`), it.of, it.says, it.by ?? '']);
  handDown(Papa.unparse({ fields, data }, { escapeFormulae: true }), `${tape.value!.name}.csv`);
}
async function print(): Promise<void> {
  zoom.value = 'all';
  await nextTick();
  window.print();
}
onMounted(loading.reload);
</script>

<template>
  <PageFrame :title="tape ? say('tape.title', { name: tape.name }) : undefined" :of="loading">
    <template v-if="tape" #lead
      ><p class="quiet">
        <RouterLink :to="`/homes/${tape.place.id}`">{{ tape.place.name }}</RouterLink>, {{ tape.place.property }}
      </p></template
    >
    <template v-if="tape" #actions
      ><span class="row close push no-print"
        ><VBtn variant="outlined" :href="paperUrl('history.paper', { scope, id })" target="_blank">{{
          say(`history.pdf.${scope}`)
        }}</VBtn>
        <VBtn variant="outlined" @click="print">{{ say('standing.print') }}</VBtn></span
      ></template
    >
    <template v-if="tape">
      <ChoiceList
        v-model="zoom"
        class="no-print"
        look="chips"
        hide-legend
        :legend="say('tape.zoom')"
        :choices="LEVELS.map((value) => ({ value, says: say(`tape.zoom.${value}`) }))"
      />
      <TapeStrip :tape="tape" :px-per-day="ZOOMS[zoom]" :machines="scope === 'place'" />
      <p class="quiet small">{{ say('tape.key') }}</p>
      <section class="stack close" aria-labelledby="story">
        <div class="row apart">
          <h2 id="story">{{ say('tape.story') }}</h2>
          <button v-if="story.length" type="button" class="plain link no-print" @click="takeAway">
            {{ say('tape.csv') }}
          </button>
        </div>
        <ChoiceList
          v-model="kind"
          class="no-print"
          look="chips"
          hide-legend
          :legend="say('tape.kinds')"
          :choices="kinds"
        />
        <DataTable
          v-if="story.length"
          :columns="columns"
          :rows="story"
          :key-of="({ at, says, of }) => `${at} ${of} ${says}`"
          :page="40"
        />
        <EmptyState v-else :title="say('tape.empty')" />
      </section>
    </template>
  </PageFrame>
</template>
