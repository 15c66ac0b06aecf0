<script setup lang="ts">
/** What was just done, and the way back while there is one. */
import Notice from './Notice.vue';

defineProps<{ says: string; undoable: boolean; label: string; hotkey?: string }>();
const emit = defineEmits<{ undo: [] }>();
</script>

<template>
  <Notice v-if="says" done
    >{{ says }}{{ ' ' }}
    <button v-if="undoable" type="button" class="plain link" @click="emit('undo')">
      {{ label }} <kbd v-if="hotkey">{{ hotkey }}</kbd>
    </button></Notice
  >
</template>
