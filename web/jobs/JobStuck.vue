<script setup lang="ts">
/** Stopping a job with a reason. It goes back to the office; nobody is blamed. */
import { ref } from 'vue';
import type { JobAnswer } from '../../contract/jobs.ts';
import { write } from '../door/door.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ job: JobAnswer; reason: 'willNotMove' | 'notSafe' | 'partMissing' }>();
const emit = defineEmits<{ close: []; left: [] }>();
const note = ref('');
const { busy, failure, run } = useSending();
const NAMES = { willNotMove: 'job.wontMove', notSafe: 'job.notSafe', partMissing: 'job.partMissing' } as const;

async function leave(): Promise<void> {
  const told = { move: 'notAble', reason: props.reason, note: note.value, revision: props.job.revision };
  if (await run(async () => { await write('POST', `/jobs/${props.job.id}/moves`, told); })) emit('left');
}
</script>

<template>
  <div class="stuck" role="group" :aria-label="say('job.stuck')">
    <h2>{{ say(NAMES[reason]) }}. {{ say('job.stuck') }}</h2>
    <p class="small">{{ say('job.stuck.why') }}</p>
    <VTextarea v-model="note" :label="say('job.stuck.note')" rows="1" hide-details />
    <p v-if="failure" class="tell small" role="alert">{{ failure }}</p>
    <VBtn color="primary" size="large" block :loading="busy" @click="leave">{{ say('job.stuck.send') }}</VBtn>
    <VBtn variant="outlined" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </div>
</template>

<style scoped>
.stuck { display: grid; gap: 10px; }
</style>
