<script setup lang="ts">
import { say } from '../language/say.ts';
import LookForm from './LookForm.vue';

defineProps<{ number: string }>();
</script>

<template>
  <LookForm :number="number" home="/" :home-name="say('look.another')" />
</template>
