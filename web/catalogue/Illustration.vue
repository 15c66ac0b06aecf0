<script setup lang="ts">
/** A drawing of what words do badly; fetched when a step has one. */
import { onMounted, ref, watch } from 'vue';
import type { IllustrationKey } from '../../core/catalogue/illustrations.ts';

const props = defineProps<{ drawing: { readonly key: IllustrationKey; readonly says: string } }>();
const source = ref('');
async function draw(): Promise<void> {
  const { illustration } = await import('../../core/catalogue/illustrations.ts');
  source.value = `data:image/svg+xml;utf8,${encodeURIComponent(illustration(props.drawing.key))}`;
}
onMounted(draw);
watch(() => props.drawing.key, draw);
</script>

<template>
  <figure class="drawing drawn stack tight">
    <img v-if="source" :src="source" :alt="drawing.says" width="200" height="150" /><span v-else class="space" />
    <figcaption class="small">{{ drawing.says }}</figcaption>
  </figure>
</template>
