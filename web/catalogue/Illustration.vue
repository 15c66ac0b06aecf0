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
  <figure class="drawing">
    <img v-if="source" :src="source" :alt="drawing.says" width="240" height="180" /><span v-else class="space" />
    <figcaption class="small">{{ drawing.says }}</figcaption>
  </figure>
</template>

<style scoped>
.drawing {
  margin: 0;
  background: #eef1ec;
  color: #18262b;
  border-radius: 8px;
  padding: 8px;
  display: grid;
  justify-items: center;
  gap: 2px;
  max-width: 260px;
}
img,
.space {
  width: 100%;
  max-width: 200px;
  height: auto;
  aspect-ratio: 4 / 3;
}
</style>
