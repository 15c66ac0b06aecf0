<script setup lang="ts">
import { computed } from 'vue';
import type { PointKind } from '../../core/catalogue/types.ts';
import { GLYPHS } from './glyphs.ts';

const props = defineProps<{ kind: string; size?: number }>();
const glyph = computed(() => GLYPHS[props.kind as PointKind]);
</script>

<template>
  <svg
    :width="size ?? 14"
    :height="size ?? 14"
    viewBox="-0.5 -0.5 13 13"
    aria-hidden="true"
    class="glyph"
    :fill="glyph.stroke ? 'none' : 'currentColor'"
    :stroke="glyph.stroke ? 'currentColor' : 'none'"
    :stroke-width="glyph.stroke"
  >
    <path :d="glyph.path" />
  </svg>
</template>
