<script setup lang="ts">
import MachineView from './MachineView.vue';

defineProps<{ number: string }>();
</script>

<template>
  <MachineView :number="number" place-link />
</template>
