<script setup lang="ts">
import JobRunner from '../jobs/JobRunner.vue';
import { say } from '../language/say.ts';

defineProps<{ id: string }>();
</script>

<template>
  <JobRunner :id="id" home="/" :home-name="say('job.home')" />
</template>
