<script setup lang="ts">
/** The strip, one row tall: the gauge of a unit, a machine, a job. SVG, so that it is light and prints. */
import { computed } from 'vue';
import { say } from '../language/say.ts';
import { GLYPHS } from './glyphs.ts';
import { isLate, isOnHold, standOn } from './marks.ts';
import { layoutMarks } from './layoutMarks.ts';
import { GUTTER_END, LINE_AT } from './scale.ts';
import type { MarkDates } from '../../contract/register/machines.ts';
import type { PointKind } from '../../core/catalogue/types.ts';

export interface GaugeMark extends MarkDates {
  readonly kind: string;
  readonly name: string;
  readonly safetyCritical: boolean;
}

const props = withDefaults(defineProps<{ marks: readonly GaugeMark[]; today: number; width?: number }>(), {
  width: 320,
});
const HEIGHT = 26;

function toneOf(mark: GaugeMark & ReturnType<typeof standOn>): 'late' | 'fresh' | 'on' | 'plain' {
  if (isLate(mark)) return 'late';
  if (isOnHold(mark)) return 'fresh';
  if (mark.work > 0) return 'on';
  return mark.state === 'fresh' ? 'fresh' : 'plain';
}

const placed = computed(() => {
  const marks = props.marks
    .map((mark) => ({ ...mark, ...standOn(mark, props.today) }))
    .sort((a, b) => (a.share ?? -1) - (b.share ?? -1));
  return layoutMarks(marks, props.width, 0, HEIGHT).map(({ mark, x, y, crowded, count = 1 }) => ({
    ...mark,
    count,
    at: `translate(${x} ${y}) scale(${crowded ? 0.82 : 1}) translate(-6 -6)`,
    glyph: GLYPHS[mark.kind as PointKind],
    tone: toneOf(mark),
  }));
});
const label = computed(() =>
  say('strip.label', {
    marks: placed.value
      .map(({ name, share, count }) => {
        if (share !== undefined) return say('strip.mark', { name, percent: Math.round(share * 100) });
        return count > 1 ? say('strip.none.many', { count }) : say('strip.none', { name });
      })
      .join('; '),
  }),
);
</script>

<template>
  <svg
    class="gauge"
    :viewBox="`0 0 ${width} ${HEIGHT}`"
    preserveAspectRatio="xMidYMid meet"
    role="img"
    :aria-label="label"
  >
    <rect :x="LINE_AT * width" y="0" :width="width * (1 - LINE_AT)" :height="HEIGHT" class="ground" />
    <path :d="`M${GUTTER_END * width + 4} ${HEIGHT / 2}H${width}`" class="rail" />
    <path :d="`M${LINE_AT * width} 0V${HEIGHT}`" class="line" />
    <g v-for="(mark, i) in placed" :key="i" :transform="mark.at" :class="mark.tone">
      <rect v-if="mark.safetyCritical && mark.tone !== 'fresh'" x="-2.5" y="-2.5" width="17" height="17" class="box" />
      <template v-if="mark.count > 1">
        <circle cx="6" cy="6" r="9" class="ring" />
        <text x="6" y="6.5" class="count">{{ mark.count }}</text>
      </template>
      <path
        v-else
        :d="mark.glyph.path"
        :stroke-width="mark.glyph.stroke || 1"
        :class="mark.glyph.stroke ? 'stroke' : 'fill'"
      />
    </g>
  </svg>
</template>

<style scoped>
.gauge {
  display: block;
  width: 100%;
  max-height: 30px;
}
.ground {
  fill: var(--past-ground);
}
.rail {
  stroke: var(--hair);
  stroke-width: 1.5;
}
.line {
  stroke: var(--dew);
  stroke-width: 3;
}
.stroke {
  fill: none;
  stroke: currentColor;
}
.fill {
  fill: currentColor;
}
.box {
  fill: var(--panel);
  stroke: currentColor;
  stroke-width: 1.3;
}

.ring {
  fill: none;
  stroke: var(--fresh);
  stroke-dasharray: 1.6 1.8;
  stroke-width: 1.3;
}
.count {
  font: 600 9.5px var(--sans);
  fill: var(--ink);
  text-anchor: middle;
  dominant-baseline: middle;
}
.late {
  color: var(--alarm);
}
.on {
  color: var(--dew);
}
.fresh {
  color: var(--fresh);
}
.plain {
  color: var(--ink);
}
</style>
