<script setup lang="ts">
/** What was handed back undone, and why; each stands here until somebody has seen to it. */
import type { HandBackSummary } from '../../contract/jobs/handBacks.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { useDesk } from '../people/deskStore.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

defineProps<{ open: readonly HandBackSummary[]; withPlace?: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const desk = useDesk();
const { failure, run } = useSending();
async function settle(id: string): Promise<void> {
  if (
    await run(async () => {
      await api('handBack.settle', { id });
    })
  )
    emit('changed');
}
</script>

<template>
  <Notice class="small" :says="failure" />
  <ul class="ruled">
    <li v-for="it in open" :key="it.id" class="stack tight">
      <p>
        <b :class="{ alarm: it.reason === 'notSafe' }">{{ it.says }}</b><template v-if="withPlace">
          <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink></template
        >{{ ' ' }}
        <span class="quiet small">{{ it.machine }}: {{ it.points.join(', ') }}</span>
      </p>
      <p v-if="it.note" class="small">
        <q>{{ it.note }}</q>
      </p>
      <p v-if="it.still.length" class="small alarm">{{ say('handBack.still', { still: it.still.join(', ') }) }}</p>
      <p class="quiet small row">
        {{ it.by }}, {{ say.time(it.at, it.zone) }}
        <template v-if="desk.isManager"
          ><RouterLink v-if="it.pointNumber" :to="`/line/${it.pointNumber}`">{{ say('handBack.give') }}</RouterLink
          >{{ ' ' }}
          <button type="button" class="plain link" @click="settle(it.id)">
            {{ say('handBack.settle') }}
          </button></template
        >
      </p>
    </li>
  </ul>
</template>
