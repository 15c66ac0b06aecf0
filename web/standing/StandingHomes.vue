<script setup lang="ts">
/** Homes by their verdict, the worst first, each with what would bring it back to sound. */
import { computed, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { worstFirst } from '../../core/standing/figures.ts';
import { WORST_FIRST } from '../../core/standing/standing.ts';
import type { PlaceStanding, ShortfallAnswer, StandingAnswer } from '../../contract/standing/standing.ts';
import { KEPT_VERDICTS, verdictChoices, type KeptVerdict } from '../register/homeStanding.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import DataTable, { type Column } from '../kit/DataTable.vue';
import { keepInAddress, oneChoice, textChoice } from '../kit/inAddress.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ answer: StandingAnswer; linked: boolean }>();
/** So many parts are named in a row; the rest opens, and is drawn only then. */
const NAMED = 2;
/** Homes whose parts are all named. */
const open = ref(new Set<string>());
const namedOf = ({ id, shortfalls }: PlaceStanding) => (open.value.has(id) ? shortfalls : shortfalls.slice(0, NAMED));
const restOf = ({ id, shortfalls }: PlaceStanding) =>
  open.value.has(id) ? say('standing.why.fewer') : say('standing.why.more', { count: shortfalls.length - NAMED });
function toggle({ id }: PlaceStanding): void {
  if (!open.value.delete(id)) open.value.add(id);
}

const verdict = ref<KeptVerdict>('all');
const find = ref('');
keepInAddress({ find: textChoice(find, ''), verdict: oneChoice(verdict, KEPT_VERDICTS) });
const properties = computed(() => new Map(props.answer.properties.map(({ id, name }) => [id, name])));
const nameOf = ({ name, propertyId }: PlaceStanding) => `${name}, ${properties.value.get(propertyId)!}`;
const verdictOf = ({ figures }: PlaceStanding) => figures.standing.verdict;

const choices = computed(() =>
  verdictChoices((kept) => (kept === 'all' ? props.answer.places.length : props.answer.whole.homes[kept])),
);
const rows = computed(() =>
  props.answer.places
    .filter(
      (it) =>
        (verdict.value === 'all' || verdictOf(it) === verdict.value) &&
        `${nameOf(it)} ${it.tenant ?? ''}`.toLowerCase().includes(find.value.trim().toLowerCase()),
    )
    .sort(worstFirst),
);
const tenantOf = ({ tenant, kind }: PlaceStanding) =>
  tenant ?? say(kind === 'shared' ? 'standing.shared' : 'standing.vacant');

const columns = computed<Column<PlaceStanding>[]>(() => [
  {
    key: 'verdict',
    title: say('standing.column.verdict'),
    says: (it) => say(`standing.${verdictOf(it)}`),
    order: (it) => WORST_FIRST.indexOf(verdictOf(it)),
  },
  { key: 'home', title: say('standing.column.home'), says: nameOf },
  ...(props.linked ? [{ key: 'tenant', title: say('standing.column.tenant'), says: tenantOf }] : []),
  {
    key: 'parts',
    title: say('standing.column.parts'),
    says: ({ figures }) => say('standing.of', figures.standing.inOrder),
    order: ({ figures }) => figures.standing.inOrder.count - figures.standing.inOrder.of,
  },
  {
    key: 'past',
    title: say('standing.column.past'),
    says: ({ figures }) => String(figures.days.past),
    order: ({ figures }) => figures.days.past,
  },
  { key: 'why', title: say('standing.column.why'), says: whyOf },
]);

function whyOf({ shortfalls, alarms, soundUntil }: PlaceStanding): string {
  if (alarms > 0) return say('standing.why.alarm');
  if (shortfalls.length > 0) return wordsOf(shortfalls[0]!);
  return soundUntil
    ? say('standing.why.until', { day: say.shortDay(dayFromIso(soundUntil)) })
    : say('standing.why.nothing');
}
function wordsOf({ says, daysPast, by }: ShortfallAnswer): string {
  const with_ = by ?? 'none';
  return daysPast === null
    ? say('standing.why.noRecord', { says, by: with_ })
    : say('standing.why.past', { says, days: daysPast, by: with_ });
}
</script>

<template>
  <div class="row middle no-print">
    <ChoiceList
      v-model="verdict"
      :legend="say('standing.column.verdict')"
      hide-legend
      look="chips"
      :choices="choices"
    />
    <VTextField v-model="find" class="find push" density="compact" hide-details :label="say('standing.find')" />
  </div>
  <DataTable v-if="rows.length" :columns="columns" :rows="rows" :key-of="({ id }) => id" :page="25">
    <template #verdict="{ row }"
      ><span class="strong" :class="{ alarm: verdictOf(row) === 'breach', quiet: verdictOf(row) === 'sound' }">{{
        say(`standing.${verdictOf(row)}`)
      }}</span></template
    >
    <template #home="{ row }"
      ><RouterLink v-if="linked" :to="`/homes/${row.id}`">{{ nameOf(row) }}</RouterLink
      ><template v-else>{{ nameOf(row) }}</template></template
    >
    <template #why="{ row }">
      <div v-if="row.shortfalls.length" class="sentences">
        <p v-if="row.alarms" class="alarm">{{ say('standing.why.alarm') }}</p>
        <p v-for="it in namedOf(row)" :key="it.number">
          <RouterLink v-if="linked" :to="`/line/${it.number}`">{{ wordsOf(it) }}</RouterLink><template v-else>{{
            wordsOf(it)
          }}</template
          ><b v-if="it.safetyCritical">, {{ say('standing.why.critical') }}</b>
        </p>
        <button
          v-if="row.shortfalls.length > NAMED"
          type="button"
          class="plain link"
          :aria-expanded="open.has(row.id)"
          :aria-label="`${restOf(row)}, ${nameOf(row)}`"
          @click="toggle(row)"
        >
          {{ restOf(row) }}
        </button>
      </div>
      <span v-else class="quiet">{{ whyOf(row) }}</span>
    </template>
  </DataTable>
  <p v-else class="quiet">{{ say('standing.none.match') }}</p>
</template>
