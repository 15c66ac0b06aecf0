<script setup lang="ts">
import { say } from '../language/say.ts';
import JobRunner from './JobRunner.vue';

defineProps<{ id: string }>();
</script>

<template>
  <JobRunner :id="id" home="/today" :home-name="say('job.today')" />
</template>
