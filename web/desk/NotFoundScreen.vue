<script setup lang="ts">
import { say } from '../language/say.ts';
import PageFrame from '../kit/PageFrame.vue';
</script>

<template>
  <PageFrame :title="say('notFound.title')">
    <RouterLink to="/">{{ say('notFound.go') }}</RouterLink>
  </PageFrame>
</template>
