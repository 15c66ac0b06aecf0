<script setup lang="ts">
/** A week after a fault was closed: gone, or not? One tap each, asked once. */
import type { GoneQuestion } from '../../contract/faults/faults.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

defineProps<{ questions: readonly GoneQuestion[] }>();
const emit = defineEmits<{ answered: [] }>();
const { failure, busy, run } = useSending();

async function answer({ faultId }: GoneQuestion, gone: 'yes' | 'no'): Promise<void> {
  const id = newId();
  if (await run(async () => void (await api('fault.gone', { id: faultId, form: { id, gone }, once: id }))))
    emit('answered');
}
</script>

<template>
  <section v-for="it in questions" :key="it.faultId" class="panel card stack close">
    <h2>{{ say('gone.title') }}</h2>
    <p>{{ say('gone.which', { machine: it.machine, says: it.says, day: say.day(dayFromIso(it.day)) }) }}</p>
    <Notice :says="failure" />
    <div class="columns two">
      <VBtn variant="outlined" size="large" :disabled="busy" @click="answer(it, 'yes')">{{ say('gone.yes') }}</VBtn>
      <VBtn variant="outlined" size="large" :disabled="busy" @click="answer(it, 'no')">{{ say('gone.no') }}</VBtn>
    </div>
  </section>
</template>
