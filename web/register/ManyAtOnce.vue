<script setup lang="ts">
/** One thing done in many homes: work given or moved, or the homes put on hold. */
import { computed, ref, watch } from 'vue';
import { useBoard } from '../due/boardStore.ts';
import CheckList from '../kit/CheckList.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import { say } from '../language/say.ts';
import HoldMany from './HoldMany.vue';
import GiveMany from '../jobs/GiveMany.vue';

interface Home {
  readonly id: string;
  readonly name: string;
}
/** `choosable`: parts can be chosen one by one on the same screen. */
const props = defineProps<{ homes: readonly Home[]; choosable?: boolean }>();
const emit = defineEmits<{ changed: []; close: [] }>();
const board = useBoard();
const what = ref<'give' | 'hold'>('give');
/** Homes that are ticked; all of them at first. */
const ticked = ref<string[]>([]);
watch(
  () => props.homes,
  (homes) => {
    ticked.value = homes.map(({ id }) => id);
  },
  { immediate: true },
);
/** Where it is to be done: in the homes of the chosen parts, else in those that are ticked. */
const within = computed<readonly Home[]>(() =>
  board.chosen ? board.chosenIn : props.homes.filter(({ id }) => ticked.value.includes(id)),
);
/** Any home will do to ask who of the office may be given work: what the filters leave may be none for a moment. */
const asks = props.homes[0]?.id ?? board.rows[0]?.id ?? '';
const parts = computed(() => board.chosenIn.reduce((sum, { marks }) => sum + marks.length, 0));
</script>

<template>
  <section class="panel card stack close no-print" :aria-label="say('atOnce.open')" @keydown.esc.stop="emit('close')">
    <div class="row apart middle">
      <h2>{{ say(`atOnce.title.${what}`, { count: within.length }) }}</h2>
      <ChoiceList
        v-model="what"
        look="across"
        hide-legend
        :legend="say('atOnce.open')"
        :choices="(['give', 'hold'] as const).map((value) => ({ value, says: say(`atOnce.${value}`) }))"
      />
      <button type="button" class="plain link" @click="emit('close')">{{ say('close') }}</button>
    </div>
    <p v-if="board.chosen" class="small" role="status">
      {{ say('atOnce.chosen', { count: parts, homes: within.length }) }}
    </p>
    <details v-else>
      <summary>{{ say('giveMany.homes', { count: ticked.length, of: homes.length }) }}</summary>
      <CheckList
        v-model="ticked"
        look="chips"
        :legend="say('giveMany.homes.legend')"
        :choices="homes.map(({ id: value, name: says }) => ({ value, says }))"
      />
    </details>
    <GiveMany v-if="what === 'give'" :homes="within" :asks="asks" :choosable="choosable" @given="emit('changed')" />
    <HoldMany v-else :homes="within" @held="emit('changed')" />
  </section>
</template>
