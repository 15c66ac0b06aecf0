<script setup lang="ts">
/**
 * The line board: one strip per unit, one vertical line. Drawn in tiles of rows, of which only those near
 * the window exist. Its accessible twin is the list (`LineList`), and every mark is reachable by arrow keys.
 */
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { say } from '../language/say.ts';
import type { BoardAnswer } from '../../contract/due/due.ts';
import LineTile from './LineTile.vue';
import { blocksOf, troublesOf } from './boardBlocks.ts';
import type { BoardRow } from '../strip/marks.ts';
import type { Theme } from '../theme/palette.ts';
import { TICKS } from '../strip/scale.ts';

const props = defineProps<{
  rows: readonly BoardRow[];
  properties: BoardAnswer['properties'];
  grouped: boolean;
  picked: number | null;
  /** Parts that are being chosen one by one: a press chooses instead of opening. */
  chosen: ReadonlySet<number> | null;
  theme: Theme;
}>();
const emit = defineEmits<{ pick: [number: number]; choose: [number: number] }>();

const MANY_ROWS = 40;

const frame = ref<HTMLElement>();
const width = ref(0);
const height = ref(0);
const top = ref(0);
const folded = ref(new Set<number>());
const spoken = ref('');

const rowHeight = computed(() => (props.rows.length > MANY_ROWS ? 24 : 30));
const nameWidth = computed(() => (width.value < 720 ? 84 : 108));
const stripWidth = computed(() =>
  Math.max(0, Math.floor(width.value - nameWidth.value - (width.value < 720 ? 150 : 232))),
);

const blocks = computed(() => blocksOf(props.rows, props.grouped, folded.value, rowHeight.value));
const total = computed(() => (blocks.value.at(-1) ? blocks.value.at(-1)!.y + blocks.value.at(-1)!.height : 0));
const MARGIN = 500;
const visible = computed(() =>
  blocks.value.filter(({ y, height: tall }) => y + tall > top.value - MARGIN && y < top.value + height.value + MARGIN),
);

/** Rows in the order of the screen, folded ones left out. */
const walk = computed(() => blocks.value.filter(({ property }) => property === null).flatMap(({ rows }) => rows));
const pickedRow = computed(
  () => walk.value.find(({ marks }) => marks.some(({ number }) => number === props.picked))?.id ?? null,
);

function fold(property: number): void {
  const next = new Set(folded.value);
  if (!next.delete(property)) next.add(property);
  folded.value = next;
}

let asked = 0;
function onScroll(): void {
  cancelAnimationFrame(asked);
  asked = requestAnimationFrame(() => (top.value = frame.value?.scrollTop ?? 0));
}

function measure(): void {
  width.value = frame.value?.clientWidth ?? 0;
  height.value = frame.value?.clientHeight ?? 0;
}

let observer: ResizeObserver | undefined;
onMounted(() => {
  measure();
  observer = new ResizeObserver(measure);
  observer.observe(frame.value!);
});
onBeforeUnmount(() => observer?.disconnect());

/** Moves the choice: up and down through homes, left and right through the marks of one. */
function onKey(event: KeyboardEvent): void {
  const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
  const marked = walk.value.filter(({ marks }) => marks.length > 0);
  if (event.target === frame.value && (event.key === 'Home' || event.key === 'End')) {
    event.preventDefault();
    return choose(event.key === 'Home' ? marked[0] : marked.at(-1), Infinity);
  }
  if (!step || walk.value.length === 0) return;
  event.preventDefault();
  const rowAt = walk.value.findIndex(({ id }) => id === pickedRow.value);
  if (rowAt === -1) return choose(marked[0], Infinity);
  const row = walk.value[rowAt]!;
  if (step[1] !== 0) {
    const at = row.marks.findIndex(({ number }) => number === props.picked);
    return choose(row, Math.min(row.marks.length - 1, Math.max(0, at + step[1]!)));
  }
  choose(marked[marked.indexOf(row) + step[0]!], Infinity);
}

function choose(row: BoardRow | undefined, at: number): void {
  const mark = row?.marks.at(Math.min(at, row.marks.length - 1));
  if (!row || !mark) return;
  spoken.value = `${row.name}, ${mark.type.name}, ${say(`state.${mark.state}`)}`;
  emit('pick', mark.number);
  void nextTick(() => reveal(row.id));
}

function reveal(rowId: string): void {
  const block = blocks.value.find(({ property, rows }) => property === null && rows.some(({ id }) => id === rowId));
  if (!block || !frame.value) return;
  const y = block.y + block.rows.findIndex(({ id }) => id === rowId) * rowHeight.value;
  if (y < frame.value.scrollTop) frame.value.scrollTop = y;
  else if (y + rowHeight.value > frame.value.scrollTop + height.value)
    frame.value.scrollTop = y + rowHeight.value - height.value;
}

const troubles = computed(() =>
  total.value <= height.value ? [] : troublesOf(blocks.value, rowHeight.value).map((y) => y / total.value),
);

function jump(event: MouseEvent): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
  if (frame.value) frame.value.scrollTop = ((event.clientY - box.top) / box.height) * total.value - height.value / 2;
}

const ticks = computed(() =>
  TICKS.filter(({ key }) => stripWidth.value > 560 || ['none', 'line', 'twice'].includes(key)),
);

watch(
  () => props.rows,
  () => {
    if (frame.value && frame.value.scrollTop > total.value) frame.value.scrollTop = 0;
  },
);
</script>

<template>
  <div class="board" :style="{ '--name-width': `${nameWidth}px`, '--strip-width': `${stripWidth}px` }">
    <div class="scale" aria-hidden="true">
      <span
        v-for="tick in ticks"
        :key="tick.key"
        :class="[tick.key, tick.from]"
        :style="{ left: `${nameWidth + tick.at * stripWidth}px` }"
        >{{ say(`line.scale.${tick.key}`) }}</span
      >
    </div>
    <div class="held">
      <div
        ref="frame"
        class="frame"
        role="application"
        tabindex="0"
        :aria-label="say('line.board')"
        @scroll.passive="onScroll"
        @keydown="onKey"
      >
        <div :style="{ height: `${total}px` }" class="all">
          <div
            v-for="block in visible"
            :key="block.key"
            class="block"
            :style="{ transform: `translateY(${block.y}px)` }"
          >
            <button
              v-if="block.property !== null"
              type="button"
              class="plain head"
              :aria-expanded="!folded.has(block.property)"
              @click="fold(block.property)"
            >
              <span class="turn" :class="{ shut: folded.has(block.property) }" aria-hidden="true">▾</span>
              <span class="strong">{{ properties[block.property]!.name }}</span>
              <span class="quiet small"> {{ properties[block.property]!.says }}</span>
              <span v-if="block.late" class="alarm small strong">
                {{ say('line.pastCount', { count: block.late }) }}</span
              >
            </button>
            <LineTile
              v-else
              :rows="block.rows"
              :row-height="rowHeight"
              :strip-width="stripWidth"
              :picked="picked"
              :picked-row="pickedRow"
              :chosen="chosen"
              :theme="theme"
              @pick="(number) => (chosen ? emit('choose', number) : emit('pick', number))"
            />
          </div>
        </div>
      </div>
      <div
        v-if="troubles.length"
        class="minimap no-print"
        :title="say('line.minimap')"
        aria-hidden="true"
        @click="jump"
      >
        <i v-for="(at, i) in troubles" :key="i" :style="{ top: `${at * 100}%` }" />
        <b :style="{ top: `${(top / total) * 100}%`, height: `${(height / total) * 100}%` }" />
      </div>
    </div>
    <p class="unseen" aria-live="polite">{{ spoken }}</p>
  </div>
</template>

<style scoped>
.board {
  display: flex;
  flex-direction: column;
  min-height: 230px;
  flex: 1;
}
.scale {
  position: relative;
  height: 20px;
  font-size: 12px;
  color: var(--ink-2);
  flex: none;
}
.scale span {
  position: absolute;
  white-space: nowrap;
}
.scale .middle {
  transform: translateX(-50%);
}
.scale .none {
  transform: translateX(-40%);
}
.scale .line {
  color: var(--dew-deep);
  font-weight: 700;
}
.held {
  display: flex;
  min-height: 0;
  flex: 1;
}
.frame {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
  overflow-x: hidden;
}
.all {
  position: relative;
}
.block {
  position: absolute;
  left: 0;
  right: 0;
  top: 0;
}
.head {
  height: 34px;
  line-height: 34px;
  width: 100%;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  font-size: 14px;
}
.head > * + * {
  margin-left: 10px;
}
.head > .turn + * {
  margin-left: 0;
}
.turn {
  display: inline-block;
  width: 16px;
  color: var(--ink-2);
}
.turn.shut {
  transform: rotate(-90deg);
}
.minimap {
  position: relative;
  width: 12px;
  margin-left: 4px;
  background: var(--sunk);
  cursor: pointer;
}
.minimap i {
  position: absolute;
  left: 2px;
  right: 2px;
  height: 2px;
  background: var(--alarm);
}
.minimap b {
  position: absolute;
  left: 0;
  right: 0;
  border: 1px solid var(--ink-2);
}
</style>
