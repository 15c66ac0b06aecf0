<script setup lang="ts">
/** Staff report a fault at any home. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { CatalogueAnswer } from '../../contract/catalogue.ts';
import type { PlaceAnswer, PropertySummary } from '../../contract/register.ts';
import { get } from '../door/door.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';
import ReportFault from './ReportFault.vue';

const router = useRouter();
const homes = useLoading(() => get<{ properties: PropertySummary[] }>('/homes'));
const catalogue = useLoading(() => get<CatalogueAnswer>('/catalogue'));
const placeId = ref<string | null>(null);
const place = useLoading(() => get<PlaceAnswer>(`/places/${placeId.value}`));
const choices = computed(() => homes.value.value?.properties.flatMap((property) => property.places.map(({ id, name }) => ({ value: id, title: `${name}, ${property.name}` }))) ?? []);
const machines = computed(() => place.value.value?.machines.map(({ id, name, type }) => ({
  id, name, symptoms: catalogue.value.value?.machines.find(({ key }) => key === type)?.symptoms ?? [],
  signals: catalogue.value.value?.machines.find(({ key }) => key === type)?.signals ?? [],
})) ?? []);
watch(placeId, (id) => { if (id) void place.reload(); });
onMounted(() => Promise.all([homes.reload(), catalogue.reload()]));
</script>

<template>
  <div class="page">
    <h1>{{ say('fault.title') }}</h1>
    <p v-if="homes.failure.value" class="tell" role="alert">{{ homes.failure.value }}</p>
    <VAutocomplete v-model="placeId" :items="choices" :label="say('faults.place')" />
    <ReportFault v-if="place.value.value && place.value.value.id === placeId" :key="placeId" :machines="machines" @sent="router.push('/faults')" />
  </div>
</template>

<style scoped>
.page { padding: 22px 26px; max-width: 560px; display: grid; gap: 14px; }
@media (max-width: 720px) { .page { padding: 16px; } }
</style>
