<script setup lang="ts">
import LookForm from '../due/LookForm.vue';
import { say } from '../language/say.ts';

defineProps<{ number: string }>();
</script>

<template>
  <LookForm :number="number" home="/" :home-name="say('job.home')" />
</template>
