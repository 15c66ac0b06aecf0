<script setup lang="ts">
/** Beginning the job of one part from where it was found that it wants one: its procedure and its kit come with it. */
import { useRouter } from 'vue-router';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ machineNumber: number; number: number }>();
const router = useRouter();
const { busy, failure, run } = useSending();
const id = newId();

const begin = () =>
  run(async () => {
    await api('jobs.begin', { number: props.machineNumber, form: { id, numbers: [props.number] }, once: id });
    await router.push(`/jobs/${id}`);
  });
</script>

<template>
  <VBtn variant="outlined" size="small" :loading="busy" @click="begin">{{ say('find.job') }}</VBtn>
  <Notice class="small" :says="failure" />
</template>
