<script setup lang="ts">
defineProps<{ label: string; error?: string | undefined }>();
const zone = defineModel<string>({ required: true });
const zones = Intl.supportedValuesOf('timeZone');
const known = zones.includes(zone.value) ? zones : [zone.value, ...zones];
</script>

<template>
  <VAutocomplete v-model="zone" :items="known" :label="label" :error-messages="error ?? ''" />
</template>
