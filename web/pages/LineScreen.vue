<script setup lang="ts">
/** The manager's home page: a sentence, the board, and the chosen point beside it. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { storeToRefs } from 'pinia';
import { useRoute, useRouter } from 'vue-router';
import { POINT_KINDS } from '../../core/catalogue/catalogue.ts';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import { FOCUS, useBoard, type Focus } from '../due/boardStore.ts';
import { flagChoice, keepInAddress, oneChoice, textChoice } from '../kit/inAddress.ts';
import { useKeys } from '../kit/keys.ts';
import { printing } from '../kit/printing.ts';
import AlarmList from '../faults/AlarmList.vue';
import KindGlyph from '../strip/KindGlyph.vue';
import LineBoard from '../due/LineBoard.vue';
import LineList from '../due/LineList.vue';
import ManyAtOnce from '../register/ManyAtOnce.vue';
import PointPanel from './PointPanel.vue';
import WaitingHead from '../due/WaitingHead.vue';
import Notice from '../kit/Notice.vue';

const board = useBoard();
const desk = useDesk();
const route = useRoute();
const router = useRouter();

const LEGEND = 'dewline.legend';
const asList = ref(false);
/** Something is done in the homes that the filters leave, or with parts that are chosen. */
const many = ref(false);
const endMany = () => {
  many.value = false;
  board.chosen = null;
};
const homes = computed(() => board.shown.map(({ id, name }) => ({ id, name })));
const legend = ref(localStorage.getItem(LEGEND) !== 'hidden');
const search = ref<HTMLInputElement>();
const picked = computed(() => (route.params.number ? Number(route.params.number) : null));
const filters = storeToRefs(board);
keepInAddress({
  find: textChoice(filters.find, ''),
  property: textChoice(filters.property, null),
  kind: textChoice(filters.kind, null),
  focus: oneChoice(filters.focus, Object.keys(FOCUS) as Focus[]),
  order: oneChoice(filters.order, ['property', 'worst']),
  list: flagChoice(asList),
});
const kinds = computed(() => POINT_KINDS.filter((kind) => board.answer?.types.some((type) => type.kind === kind)));
const today = computed(() => board.answer?.properties[0]?.today);

function pick(number: number): void {
  void router.replace({ path: `/line/${number}`, query: route.query });
}
function leave(): void {
  void router.replace({ path: '/line', query: route.query });
}
function setLegend(shown: boolean): void {
  legend.value = shown;
  localStorage.setItem(LEGEND, shown ? 'shown' : 'hidden');
}
function clear(): void {
  Object.assign(board, { focus: 'all', kind: null, property: null, find: '' });
}

/** Marks drift by themselves: the board is read again when the day turns and when the window is looked at again. */
const again = () => {
  if (!document.hidden) void board.load();
};
useKeys({
  '/': () => search.value?.focus(),
  Escape: () => picked.value !== null && leave(),
  x: () => board.chosen !== null && picked.value !== null && board.choose(picked.value),
});
let clock: ReturnType<typeof setInterval>;
onMounted(() => {
  void board.load();
  clock = setInterval(again, 300_000);
  document.addEventListener('visibilitychange', again);
});
onBeforeUnmount(() => {
  endMany();
  clearInterval(clock);
  document.removeEventListener('visibilitychange', again);
});
</script>

<template>
  <div class="panes">
    <section class="main pane" :aria-label="say('line.title')">
      <Notice v-if="board.failure"
        >{{ board.failure }}{{ ' ' }}
        <button type="button" class="plain link" @click="board.load()">{{ say('again') }}</button></Notice
      >
      <template v-if="board.answer && board.rows.length > 0">
        <Notice
          v-if="board.answer.waiting.clockBehindDays"
          :says="say('line.clock', { days: board.answer.waiting.clockBehindDays })"
        />
        <AlarmList :alarms="board.answer.waiting.alarms" with-place @changed="board.load()" />
        <WaitingHead />
        <div class="tools row close middle no-print">
          <label class="search row close middle"
            ><span class="unseen">{{ say('line.find') }}</span
            ><input ref="search" v-model="board.find" type="search" :placeholder="`${say('line.find')}…`" /><kbd
              aria-hidden="true"
              >/</kbd
            ></label
          >
          <label
            ><span class="unseen">{{ say('line.property') }}</span>
            <select class="small-field" v-model="board.property">
              <option :value="null">{{ say('line.allProperties') }}</option>
              <option v-for="it in board.answer.properties" :key="it.id" :value="it.id">{{ it.name }}</option>
            </select></label
          >
          <label
            ><span class="unseen">{{ say('line.kind') }}</span>
            <select class="small-field" v-model="board.kind">
              <option :value="null">{{ say('line.allKinds') }}</option>
              <option v-for="kind in kinds" :key="kind" :value="kind">{{ say(`kind.${kind}`) }}</option>
            </select></label
          >
          <label
            ><span class="unseen">{{ say('line.sort') }}</span>
            <select class="small-field" v-model="board.order">
              <option value="property">{{ say('line.sort.property') }}</option>
              <option value="worst">{{ say('line.sort.worst') }}</option>
            </select></label
          >
          <button type="button" class="plain link" @click="asList = !asList">
            {{ say(asList ? 'line.asBoard' : 'line.asList') }}
          </button>
          <button
            v-if="board.shown.length"
            type="button"
            class="plain link"
            :aria-expanded="many"
            @click="many ? endMany() : (many = true)"
          >
            {{ say('atOnce.open') }}
          </button>
          <span v-if="today" class="push quiet">{{ say.day(today) }}</span>
        </div>
        <ManyAtOnce v-if="many" :homes="homes" choosable @changed="board.load()" @close="endMany" />
        <div v-if="board.shown.length === 0" class="empty">
          <p>{{ say('line.nothing') }}</p>
          <button type="button" class="plain link" @click="clear">{{ say('line.clear') }}</button>
        </div>
        <!-- On paper the board is read as its list, whole. -->
        <LineList
          v-else-if="asList || printing"
          :rows="board.shown"
          :properties="board.answer.properties"
          :chosen="board.chosen"
          @pick="pick"
          @choose="board.choose"
        />
        <LineBoard
          v-else
          :rows="board.shown"
          :properties="board.answer.properties"
          :grouped="board.order === 'property'"
          :picked="picked"
          :chosen="board.chosen"
          :theme="desk.theme"
          @pick="pick"
          @choose="board.choose"
        />
        <footer class="legend row small quiet no-print">
          <template v-if="legend">
            <span v-for="kind in kinds" :key="kind"><KindGlyph :kind="kind" /> {{ say(`kind.${kind}`) }}</span>
            <span v-for="sign in ['foot', 'tick', 'pause', 'box', 'hollow', 'far']" :key="sign">{{
              say(`line.legend.${sign}`)
            }}</span>
            <button type="button" class="plain link" @click="setLegend(false)">{{ say('line.legend.hide') }}</button>
          </template>
          <button v-else type="button" class="plain link" @click="setLegend(true)">{{ say('line.legend') }}</button>
        </footer>
      </template>
      <div v-else-if="board.answer" class="empty">
        <h1>{{ say('line.empty') }}</h1>
        <p class="quiet">{{ say('line.empty.why') }}</p>
        <VBtn color="primary" to="/homes">{{ say('line.empty.go') }}</VBtn>
      </div>
      <p v-else-if="!board.failure" class="quiet">{{ say('loading') }}</p>
    </section>
    <PointPanel v-if="picked !== null" :key="picked" :number="picked" @close="leave" @changed="board.load()" />
  </div>
</template>

<style scoped>
.main {
  padding: 18px 22px 10px;
  overflow-y: auto;
}
.main > ul {
  margin-bottom: 12px;
}
.tools {
  margin: 12px 0 8px;
  font-size: 14px;
}
.search {
  border: 1px solid var(--edge);
  border-radius: 6px;
  background: var(--panel);
  padding: 5px 8px;
}
.search input {
  border: 0;
  outline: 0;
  background: none;
  color: var(--ink);
  width: 150px;
  font: inherit;
}
.search:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 1px;
}
.legend {
  padding-top: 8px;
  border-top: 1px solid var(--hair);
  min-height: 30px;
}
</style>
