<script setup lang="ts">
/** Staff report a fault at any home. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { readKept } from '../outbox/kept.ts';
import ReportFault from './ReportFault.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const router = useRouter();
const homes = useLoading(() => readKept('homes.read'));
const catalogue = useLoading(() => readKept('catalogue.read'));
const kept = ref(false);
const placeId = ref<string | null>(null);
const place = useLoading(() => readKept('place.read', { id: placeId.value! }));
const choices = computed(
  () =>
    homes.value.value?.properties.flatMap((property) =>
      property.places.map(({ id, name }) => ({ value: id, title: `${name}, ${property.name}` })),
    ) ?? [],
);
const machines = computed(
  () =>
    place.value.value?.machines.map(({ id, name, type }) => ({
      id,
      name,
      ...(catalogue.value.value?.machines.find(({ key }) => key === type) ?? {
        symptoms: [],
        signals: [],
        deficiencies: [],
      }),
    })) ?? [],
);
watch(placeId, (id) => {
  if (id) void place.reload();
});
onMounted(() => Promise.all([homes.reload(), catalogue.reload()]));
</script>

<template>
  <PageFrame width="phone" :title="say('fault.title')">
    <Notice :says="homes.failure.value" />
    <div v-if="kept" role="status">
      <p class="strong">{{ say('fault.kept') }}</p>
      <VBtn variant="outlined" to="/today">{{ say('job.today') }}</VBtn>
    </div>
    <VAutocomplete v-else v-model="placeId" :items="choices" :label="say('faults.place')" />
    <ReportFault
      v-if="!kept && place.value.value && place.value.value.id === placeId"
      :key="placeId"
      :machines="machines"
      @sent="$event ? (kept = true) : router.push('/faults')"
    />
  </PageFrame>
</template>
