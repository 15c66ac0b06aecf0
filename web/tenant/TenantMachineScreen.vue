<script setup lang="ts">
import MachineView from '../pages/MachineView.vue';
import { say } from '../language/say.ts';

defineProps<{ number: string }>();
</script>

<template>
  <MachineView :number="number" :place-link="false" />
  <p class="page phone start">
    <VBtn variant="text" to="/">{{ say('job.home') }}</VBtn>
  </p>
</template>
