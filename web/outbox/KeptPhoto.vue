<script setup lang="ts">
/** A photo: from the device while it is there, from the office after. */
import { onBeforeUnmount, ref, watch } from 'vue';
import { photoUrl } from '../api/api.ts';

const props = defineProps<{ id: string; alt: string }>();
const source = ref('');

function show(url: string): void {
  if (source.value.startsWith('blob:')) URL.revokeObjectURL(source.value);
  source.value = url;
}
watch(
  () => props.id,
  async (id) => {
    const { photoOnDevice } = await import('./outbox.ts');
    const photo = await photoOnDevice(id).catch(() => null);
    if (props.id === id) show(photo ? URL.createObjectURL(photo) : photoUrl(id));
  },
  { immediate: true },
);
onBeforeUnmount(() => show(''));
</script>

<template>
  <img v-if="source" :src="source" :alt="alt" />
</template>
