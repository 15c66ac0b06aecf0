<script setup lang="ts">
/** A button that takes a file or a photo. */
const PHOTO = 'image/jpeg,image/png,image/webp';
withDefaults(defineProps<{ accept?: string; camera?: boolean; again?: boolean; quiet?: boolean }>(), { accept: PHOTO });
const emit = defineEmits<{ picked: [file: File] }>();

/** The field is emptied, so that the same file can be picked again. */
function take(event: Event): void {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  if (file) emit('picked', file);
}
</script>

<template>
  <label class="take" :class="{ again, quiet }"
    ><input
      type="file"
      :accept="accept"
      :capture="camera ? 'environment' : undefined"
      class="unseen"
      @change="take" /><span><slot /></span
  ></label>
</template>
