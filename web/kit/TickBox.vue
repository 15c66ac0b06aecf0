<script setup lang="ts">
/** One thing to be assured of, as large as a thumb; `open` marks what still keeps a person from going on. */
defineProps<{ open?: boolean }>();
const ticked = defineModel<boolean>({ required: true });
</script>

<template>
  <label class="tick" :class="{ open }"
    ><input v-model="ticked" type="checkbox" />{{ ' ' }}<span><slot /></span
  ></label>
</template>
