<script setup lang="ts">
/** By when a job is to be done, how long it has been asked for, and what its doer was told. */
import { onMounted } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import { say } from '../language/say.ts';
import MessageList from './MessageList.vue';

const props = defineProps<{ jobId: string; today: number }>();
const read = useLoading(() => api('job.told', { id: props.jobId }));
const { value: told } = read;
onMounted(read.reload);
</script>

<template>
  <section class="stack tight small" :aria-label="say('told.title')">
    <LoadState v-if="read.failure.value" :of="read" />
    <template v-if="told">
      <p v-if="told.given !== null" class="quiet">
        {{
          say('told.days', {
            given: say.shortDay(told.given),
            age: today - told.given,
            doBy: told.doBy === null ? 'none' : say.shortDay(told.doBy),
            passes: told.passes === null ? 'none' : say.shortDay(told.passes),
          })
        }}
      </p>
      <MessageList v-if="told.messages.length" :messages="told.messages" />
    </template>
  </section>
</template>
