<script setup lang="ts">
/** Filling in what must match at a point. */
import { computed, onMounted, ref } from 'vue';
import { specify, type Specification } from '../../contract/register/machines.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import SpecificationFields from './SpecificationFields.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ placeId: string; pointId: string }>();
const emit = defineEmits<{ saved: [] }>();

const { value: place, failure, reload } = useLoading(() => api('place.read', { id: props.placeId }));
const point = computed(() =>
  place.value?.machines.flatMap(({ points }) => points).find(({ id }) => id === props.pointId),
);
const value = ref<Specification>({});
const { errors, problem, busy, submit } = useForm(specify);

onMounted(async () => {
  await reload();
  value.value = { forbiddenAgents: [], ...point.value?.specification };
});

async function save(): Promise<void> {
  const form = { specification: value.value, basedOn: point.value!.specificationId };
  if (await submit(form, (it) => api('point.specify', { id: props.pointId, form: it }))) emit('saved');
}
</script>

<template>
  <form v-if="point" class="specify panel card stack close" @submit.prevent="save">
    <SpecificationFields v-model="value" :procedure="point.procedure" :errors="errors" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" block :loading="busy">{{ say('spec.save') }}</VBtn>
  </form>
  <p v-else class="quiet small">{{ failure || say('loading') }}</p>
</template>
