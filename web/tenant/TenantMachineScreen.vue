<script setup lang="ts">
import MachineView from '../catalogue/MachineView.vue';
import { say } from '../language/say.ts';

defineProps<{ number: string }>();
</script>

<template>
  <MachineView :number="number" :place-link="false" />
  <p class="home">
    <VBtn variant="text" to="/">{{ say('job.home') }}</VBtn>
  </p>
</template>

<style scoped>
.home {
  max-width: 560px;
  margin: 0 auto;
  padding: 0 18px 18px;
}
</style>
