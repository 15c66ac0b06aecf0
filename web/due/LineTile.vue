<script setup lang="ts">
/** Some rows of the board: one canvas for their strips, names and words beside it. Drawn once, scrolled as it is. */
import { onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { say } from '../language/say.ts';
import { drawMark, drawRail, nearestMark, type BoardMark } from '../strip/drawStrip.ts';
import { layoutMarks } from '../strip/layoutMarks.ts';
import { PALETTES, type Theme } from '../theme/palette.ts';
import { foremost, isIdle, isLate, type BoardRow, type Mark } from '../strip/marks.ts';

const router = useRouter();
const props = defineProps<{
  rows: readonly BoardRow[];
  rowHeight: number;
  stripWidth: number;
  picked: number | null;
  pickedRow: string | null;
  chosen: ReadonlySet<number> | null;
  theme: Theme;
}>();
const emit = defineEmits<{ pick: [number: number, rowId: string] }>();

const canvas = ref<HTMLCanvasElement>();
let placed: BoardMark[][] = [];

function draw(): void {
  const element = canvas.value;
  const context = element?.getContext('2d');
  if (!element || !context || props.stripWidth <= 0) return;
  const ratio = window.devicePixelRatio || 1;
  const { rows, rowHeight, stripWidth } = props;
  element.width = Math.round(stripWidth * ratio);
  element.height = Math.round(rows.length * rowHeight * ratio);
  context.scale(ratio, ratio);
  const palette = PALETTES[props.theme];
  placed = rows.map((row, i) => {
    drawRail(context, palette, stripWidth, i * rowHeight, rowHeight);
    const marks = layoutMarks(row.marks, stripWidth, i * rowHeight, rowHeight, isIdle);
    const picked = marks.find(({ mark }) => mark.number === props.picked);
    for (const it of marks)
      if (it !== picked) drawMark(context, palette, it, props.chosen?.has(it.mark.number) ? 'chosen' : null);
    if (picked) drawMark(context, palette, picked, 'picked');
    return marks;
  });
}

function pickAt(event: MouseEvent): void {
  const row = Math.floor(event.offsetY / props.rowHeight);
  const hit =
    nearestMark(
      (placed[row] ?? []).filter(({ mark }) => mark.state !== 'fresh'),
      event.offsetX,
      event.offsetY,
    ) ?? nearestMark(placed[row] ?? [], event.offsetX, event.offsetY);
  if (hit) emit('pick', hit.mark.number, props.rows[row]!.id);
}

function words(mark: Mark): string {
  if (mark.counted === 'onHold') return say('work.onHold');
  if (mark.share === undefined) return say('line.scale.none');
  if (mark.daysLeft < 0) return say('words.past', { days: -mark.daysLeft });
  return mark.daysLeft === 0 ? say('words.due') : say('words.in', { days: mark.daysLeft });
}

onMounted(draw);
watch(() => [props.rows, props.rowHeight, props.stripWidth, props.picked, props.chosen, props.theme], draw, {
  flush: 'post',
});
/** Of a home of which nothing is known no part is foremost. */
const isUnknown = ({ marks }: BoardRow) => marks.length > 1 && marks.every(({ state }) => state === 'noRecord');
</script>

<template>
  <div class="tile">
    <canvas
      ref="canvas"
      class="strips"
      :style="{ width: `${stripWidth}px`, height: `${rows.length * rowHeight}px` }"
      aria-hidden="true"
      @click="pickAt"
    />
    <div
      v-for="row in rows"
      :key="row.id"
      class="home"
      :class="{ picked: row.id === pickedRow }"
      :style="{ height: `${rowHeight}px` }"
    >
      <a class="name" tabindex="-1" :href="`/homes/${row.id}`" @click.exact.prevent="router.push(`/homes/${row.id}`)">{{
        row.name
      }}</a>
      <span class="gap" />
      <template v-for="first in [foremost(row.marks)]" :key="first?.number ?? 0">
        <!-- By keyboard the board is one stop: its arrows go through homes and marks. -->
        <button
          v-if="first"
          type="button"
          tabindex="-1"
          class="plain words"
          @click="emit('pick', first.number, row.id)"
        >
          <span v-if="isUnknown(row)" class="quiet">{{ say('words.unknown', { count: row.marks.length }) }}</span>
          <template v-else>
            <span :class="{ strong: isLate(first) }">{{ first.type.name }}</span>
            <span :class="isLate(first) ? 'alarm' : 'quiet'"> {{ words(first) }}</span>
          </template>
        </button>
        <span v-else class="words quiet">{{ say('words.empty') }}</span>
      </template>
    </div>
  </div>
</template>

<style scoped>
.tile {
  position: relative;
}
.strips {
  position: absolute;
  left: var(--name-width);
  top: 0;
  cursor: pointer;
}
.home {
  display: flex;
  align-items: center;
  font-size: 13px;
}
.home.picked {
  background: var(--pick);
}
.name {
  width: var(--name-width);
  flex: none;
  padding-left: 8px;
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.name:hover {
  text-decoration: underline;
}
.gap {
  width: var(--strip-width);
  flex: none;
}
.words {
  flex: 1;
  min-width: 0;
  padding: 0 8px 0 12px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  line-height: 24px;
}
.words > * + * {
  margin-left: 0.4em;
}
.words:hover {
  text-decoration: underline;
}
</style>
