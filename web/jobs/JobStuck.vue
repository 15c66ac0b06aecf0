<script setup lang="ts">
/** Stopping a job with a reason. It goes back to the office; nobody is blamed. */
import { ref } from 'vue';
import type { JobAnswer } from '../../contract/jobs/jobs.ts';
import { pathOf } from '../../contract/calls.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { sendOrKeep } from '../outbox/outbox.ts';
import { STUCK_WORDS, type StuckReason } from './stuck.ts';
import PlainField from '../kit/PlainField.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ job: JobAnswer; reason: StuckReason; still: { keys: string[]; says: string } }>();
const emit = defineEmits<{ close: []; left: [] }>();
const note = ref('');
const { busy, failure, run } = useSending();

async function leave(): Promise<void> {
  const { id } = props.job;
  const left = await run(async () => {
    // How far the job is, as the office has it; without a connection, as it is here.
    const { revision } = await api('jobs.read', { id }).catch(() => props.job);
    await sendOrKeep(id, {
      kind: 'form',
      path: pathOf('jobs.move', { id }),
      form: { move: 'notAble', reason: props.reason, note: note.value, still: props.still.keys, revision },
    });
  });
  if (left) emit('left');
}
</script>

<template>
  <div class="stack close" role="group" :aria-label="say('job.stuck')">
    <h2>{{ say(STUCK_WORDS[reason]) }}. {{ say('job.stuck') }}</h2>
    <p class="small">{{ say('job.stuck.why') }}</p>
    <p v-if="still.says" class="caution small">{{ say('job.still', { still: still.says }) }}</p>
    <PlainField v-model="note" :label="say('job.stuck.note')" :rows="1" />
    <Notice class="small" :says="failure" />
    <VBtn color="primary" size="large" block :loading="busy" @click="leave">{{ say('job.stuck.send') }}</VBtn>
    <VBtn variant="outlined" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </div>
</template>
