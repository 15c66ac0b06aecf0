<script setup lang="ts">
/** Work in many homes at once: which, to whom; given or moved by the dozen, with a way back. */
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { MOST_HOMES, WHICH, type ManyGiven } from '../../contract/jobs/lists.ts';
import { api, newId } from '../api/api.ts';
import { useInParts } from '../api/inParts.ts';
import { useLoading } from '../api/load.ts';
import { useBoard } from '../due/boardStore.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import LeftList from '../kit/LeftList.vue';
import Notice from '../kit/Notice.vue';
import PartsProgress from '../kit/PartsProgress.vue';
import { say } from '../language/say.ts';
import { isIdle } from '../strip/marks.ts';

/** `asks`: the home that is asked who of the office may be given work. */
const props = defineProps<{
  homes: readonly { readonly id: string; readonly name: string }[];
  asks: string;
  choosable?: boolean;
}>();
const emit = defineEmits<{ given: [] }>();
const board = useBoard();
const TENANTS = 'tenants';
const ANYBODY = 'anybody';
/** So many homes of which all parts are chosen are never more than one write takes. */
const CHOSEN_HOMES = 5;
const entry = reactive({ which: 'past' as (typeof WHICH)[number], who: TENANTS, from: ANYBODY, moves: false });
const offered = WHICH.filter((which) => which !== 'chosen' || props.choosable);
watch(
  () => entry.which,
  (which) => {
    board.chosen = which === 'chosen' ? new Set() : null;
  },
);
const office = useLoading(() => api('list.read', { id: props.asks }));
const people = computed(() => office.value.value?.assignees.filter(({ role }) => role !== 'tenant') ?? []);
/** How many of the chosen parts somebody has in hand. */
const inHand = computed(() => board.chosenIn.flatMap(({ marks }) => marks).filter((mark) => !isIdle(mark)).length);

const sending = useInParts();
const { busy, failure, each } = sending;
const given = ref<ManyGiven | null>(null);
const back = ref<{ taken: number; kept: number } | null>(null);

const numbersIn = (ids: readonly string[]) =>
  board.chosenIn.filter(({ id }) => ids.includes(id)).flatMap(({ marks }) => marks.map(({ number }) => number));
async function give(): Promise<void> {
  given.value = { lists: [], jobs: 0, homes: 0, moved: [], left: [] };
  back.value = null;
  const choosing = entry.which === 'chosen';
  const ids = props.homes.map(({ id }) => id);
  await each(ids, choosing ? CHOSEN_HOMES : MOST_HOMES, async (placeIds) => {
    const form = {
      placeIds,
      which: entry.which,
      numbers: choosing ? numbersIn(placeIds) : [],
      moves: entry.moves,
      from: entry.from === ANYBODY ? null : entry.from,
      assigneeId: entry.who === TENANTS ? null : entry.who,
    };
    const part = await api('lists.giveMany', { form, once: newId() });
    const before = given.value!;
    given.value = {
      lists: [...before.lists, ...part.lists],
      jobs: before.jobs + part.jobs,
      homes: before.homes + part.homes,
      moved: [...before.moved, ...part.moved],
      left: [...before.left, ...part.left],
    };
  });
  emit('given');
}
async function takeBack(): Promise<void> {
  const sums = { taken: 0, kept: 0 };
  const { lists, moved } = given.value!;
  const all = [...lists.map((id) => ({ id, from: null })), ...moved];
  const gone = await each(all, MOST_HOMES, async (part) => {
    const form = {
      ids: part.filter(({ from }) => from === null).map(({ id }) => id),
      moved: part.flatMap(({ id, from }) => (from === null ? [] : [{ id, from }])),
    };
    const answer = await api('lists.takeBack', { form });
    sums.taken += answer.taken;
    sums.kept += answer.kept;
  });
  if (gone) {
    back.value = sums;
    given.value = null;
  }
  emit('given');
}
function again(): void {
  given.value = null;
  if (board.chosen) board.chosen = new Set();
}
onMounted(office.reload);
</script>

<template>
  <form class="stack close" @submit.prevent="give">
    <template v-if="!given">
      <div :class="board.chosen ? 'stack tight' : 'columns'">
        <ChoiceList
          v-model="entry.which"
          :look="board.chosen ? 'across' : 'options'"
          :legend="say('giveMany.which')"
          :choices="offered.map((value) => ({ value, says: say(`giveMany.which.${value}`) }))"
        />
        <ChoiceList
          v-model="entry.who"
          :look="board.chosen ? 'across' : 'options'"
          :legend="say('point.who')"
          :choices="[
            { value: TENANTS, says: say('giveMany.tenants'), note: say('giveMany.tenants.note') },
            ...people.map(({ id: value, name: says, role }) => ({ value, says, note: say(`point.role.${role}`) })),
          ]"
        />
      </div>
      <p v-if="entry.which === 'chosen'" class="small quiet">{{ say('giveMany.choose') }}</p>
      <label v-if="entry.which === 'chosen' && inHand > 0" class="small"
        ><input v-model="entry.moves" type="checkbox" />{{ ' ' }}{{ say('giveMany.moves', { count: inHand }) }}</label
      >
      <ChoiceList
        v-if="entry.which === 'inHand'"
        v-model="entry.from"
        look="across"
        :legend="say('giveMany.from')"
        :choices="[
          { value: ANYBODY, says: say('giveMany.from.anybody') },
          ...people.map(({ id: value, name: says }) => ({ value, says })),
        ]"
      />
    </template>
    <Notice :says="failure" />
    <Notice v-if="back" done :says="say('giveMany.back', { ...back })" />
    <PartsProgress :of="sending" />
    <template v-if="given && !busy">
      <Notice done
        >{{ say('giveMany.given', { jobs: given.jobs, homes: given.homes }) }}
        <template v-if="given.moved.length">{{ say('giveMany.moved', { count: given.moved.length }) }} </template>
        <button v-if="given.jobs + given.moved.length" type="button" class="plain link" @click="takeBack">
          {{ say('undo') }}
        </button></Notice
      >
      <LeftList
        :says="say('giveMany.left', { count: given.left.length })"
        :left="
          given.left.map(({ placeId, place, machine, says }) => ({
            to: `/homes/${placeId}`,
            what: `${place} · ${machine}`,
            says,
          }))
        "
      />
      <p>
        <button type="button" class="plain link" @click="again">{{ say('giveMany.more') }}</button>
      </p>
    </template>
    <p v-else-if="!busy">
      <VBtn type="submit" color="primary" :disabled="homes.length === 0">{{
        say(entry.which === 'inHand' ? 'giveMany.move' : 'giveMany.give')
      }}</VBtn>
    </p>
  </form>
</template>
