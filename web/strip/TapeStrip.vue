<script setup lang="ts">
/** The tape as a drawing: days to the right, every part's saw against its line, what happened under them. */
import { computed, nextTick, onMounted, ref, useId, watch } from 'vue';
import type { TapeAnswer } from '../../contract/pages/tape.ts';
import { say } from '../language/say.ts';
import { AXIS, BAR_HEIGHT, FLAG_HEIGHT, HEAD, layoutTape, ROW } from './layoutTape.ts';
import KindGlyph from './KindGlyph.vue';

const props = withDefaults(
  defineProps<{
    tape: TapeAnswer;
    /** Null fits it into what room there is. */
    pxPerDay?: number | null;
    /** Whether each part says its machine too. */
    machines?: boolean;
  }>(),
  { pxPerDay: null, machines: false },
);
const LABELS = 168;
const scroller = ref<HTMLElement>();
const room = ref(760);
const clip = useId();

const scale = computed(() => ({
  fromDay: props.tape.fromDay,
  pxPerDay: props.pxPerDay ?? Math.min(24, Math.max(0.4, room.value / (props.tape.today + 1 - props.tape.fromDay))),
}));
const placed = computed(() => layoutTape(props.tape, scale.value));
/** A month is named where its name has room. */
const MONTH_ROOM = 26;
const named = computed(() => {
  const every = [1, 3, 6, 12].find((months) => months * 30 * scale.value.pxPerDay >= MONTH_ROOM * 1.4) ?? 12;
  return placed.value.ticks.map((tick, i) => ({ ...tick, named: tick.year || (every < 12 && i % every === 0) }));
});
const label = computed(() =>
  say('tape.label', {
    name: props.tape.name,
    parts: props.tape.parts.length,
    faults: props.tape.flags.length,
    from: say.day(props.tape.fromDay),
  }),
);
const tickSays = ({ day, year }: { day: number; year: boolean }) =>
  year ? String(new Date(day * 86_400_000).getUTCFullYear()) : say.month(day).slice(0, 3);

/** The newest is what one looks for. */
const toEnd = () => {
  if (scroller.value) scroller.value.scrollLeft = scroller.value.scrollWidth;
};
onMounted(async () => {
  room.value = Math.max(160, (scroller.value?.clientWidth ?? 900) - LABELS - 4);
  await nextTick();
  toEnd();
});
watch(
  () => [props.pxPerDay, props.tape],
  async () => {
    await nextTick();
    toEnd();
  },
);
</script>

<template>
  <div ref="scroller" class="tape" tabindex="0" role="region" :aria-label="say('tape.region', { name: tape.name })">
    <div class="labels" :style="{ height: `${placed.height}px` }" aria-hidden="true">
      <p v-for="{ part, y } in placed.parts" :key="part.number" :style="{ top: `${y + 4}px` }">
        <KindGlyph :kind="part.kind" /> <b>{{ part.name }}</b><small v-if="machines" class="quiet">{{
          part.machine
        }}</small>
      </p>
      <p v-if="placed.flags.length" :style="{ top: `${placed.flagY}px` }">{{ say('tape.flags') }}</p>
      <p v-for="(bar, i) in placed.bars" :key="i" class="small" :style="{ top: `${bar.y - 3}px` }">{{ bar.says }}</p>
    </div>
    <svg :width="placed.width" :height="placed.height" role="img" :aria-label="label">
      <defs>
        <clipPath :id="clip"><rect x="0" y="0" :width="placed.width" :height="ROW.line" /></clipPath>
      </defs>
      <g v-for="(band, i) in placed.bands" :key="`band ${band.x}`">
        <rect :x="band.x" y="0" :width="band.width" :height="placed.axisY" :class="['band', { other: i % 2 }]" />
        <text v-if="band.width > 60" :x="band.x + 5" y="13">{{ band.says }}</text>
      </g>
      <line
        v-for="tick in placed.ticks"
        :key="tick.day"
        :x1="tick.x"
        :x2="tick.x"
        :y1="tick.year ? HEAD : placed.axisY"
        :y2="placed.axisY + 5"
        class="tick"
      />
      <g
        v-for="{ part, y, saw, area, found, faint } in placed.parts"
        :key="part.number"
        :transform="`translate(0 ${y})`"
      >
        <path :d="area" class="past" :clip-path="`url(#${clip})`" />
        <line x1="0" :x2="placed.width" :y1="ROW.line" :y2="ROW.line" class="due" />
        <path :d="saw" class="saw" />
        <path :d="faint" class="tooth faint" />
        <path :d="found" class="tooth" />
      </g>
      <g v-for="(post, i) in placed.posts" :key="`post ${i}`">
        <line :x1="post.x" :x2="post.x" :y1="HEAD" :y2="placed.axisY" class="post" />
        <text :x="post.x + 4" :y="placed.flagY + 14">{{ say(`decision.${post.decision}`) }}</text>
      </g>
      <g v-for="({ x, flag, open }, i) in placed.flags" :key="`flag ${i}`">
        <title>{{ flag.says }}, {{ say.day(flag.fromDay) }}</title>
        <line :x1="x" :x2="x" :y1="HEAD" :y2="placed.flagY + 4" class="pole" />
        <path
          :d="
            flag.kind === 'fault' ? `M${x} ${placed.flagY + 3}l6 11h-12z` : `M${x} ${placed.flagY + 4}l5 5l-5 5l-5 -5z`
          "
          :class="['flag', { open }]"
        />
      </g>
      <rect
        v-for="(bar, i) in placed.bars"
        :key="`bar ${i}`"
        :x="bar.x"
        :y="bar.y"
        :width="bar.width"
        :height="BAR_HEIGHT - 8"
        class="bar"
      >
        <title>{{ bar.says }}</title>
      </rect>
      <template v-for="tick in named" :key="`name ${tick.day}`">
        <text v-if="tick.named" :x="tick.x + 2" :y="placed.axisY + AXIS - 6" :class="{ year: tick.year }">
          {{ tickSays(tick) }}
        </text>
      </template>
      <line
        v-for="week in placed.weeks"
        :key="`week ${week.day}`"
        :x1="week.x"
        :x2="week.x"
        :y1="placed.axisY"
        :y2="placed.axisY + 3"
        class="tick"
      />
      <text v-if="!placed.parts.length" x="6" :y="HEAD + FLAG_HEIGHT">{{ say('tape.noParts') }}</text>
    </svg>
  </div>
</template>

<style scoped>
.tape {
  display: flex;
  overflow-x: auto;
  background: var(--panel);
  border: 1px solid var(--hair);
  border-radius: 8px;
}
.labels {
  position: sticky;
  left: 0;
  z-index: 1;
  flex: none;
  width: 168px;
  background: var(--panel);
  border-right: 1px solid var(--hair);
  font-size: 13px;
}
.labels p {
  position: absolute;
  left: 8px;
  right: 6px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.labels small {
  display: block;
  font-size: 12px;
}
svg {
  flex: none;
  font-size: 11.5px;
}
text {
  fill: var(--ink-2);
}
text.year {
  font-weight: 700;
}
.band {
  fill: var(--pick);
  opacity: 0.55;
}
.band.other {
  fill: var(--sunk);
}
.tick {
  stroke: var(--edge);
  stroke-width: 1;
}
.due {
  stroke: var(--dew);
  stroke-width: 1.6;
}
.saw {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.past {
  fill: var(--alarm);
  opacity: 0.3;
}
.tooth {
  stroke: var(--ink);
  stroke-width: 2;
}
.tooth.faint {
  stroke: var(--hair);
}
.pole {
  stroke: var(--alarm);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
.flag {
  fill: var(--panel);
  stroke: var(--alarm);
  stroke-width: 1.5;
}
.flag.open {
  fill: var(--alarm);
}
.bar {
  fill: var(--ink-2);
}
.post {
  stroke: var(--dew);
  stroke-width: 2.5;
}
@media print {
  .tape {
    overflow: visible;
    border: 0;
  }
}
</style>
