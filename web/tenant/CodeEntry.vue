<script setup lang="ts">
/** The short code of a printed card, for whoever cannot scan it. */
import { ref } from 'vue';
import { readCode } from '../../core/people/code.ts';
import { openSession, Problem } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import PlainField from '../kit/PlainField.vue';

const emit = defineEmits<{ opened: [] }>();
const typed = ref('');
const { busy, failure, run } = useSending();

async function open(): Promise<void> {
  const opened = await run(async () => {
    const token = readCode(typed.value);
    if (token === null) throw new Problem(422, say('code.wrong'));
    await openSession('link.exchange', { form: { token } });
  });
  if (opened) emit('opened');
}
</script>

<template>
  <form class="stack close" @submit.prevent="open">
    <PlainField v-model="typed" :label="say('code.label')" placeholder="K7MP-3QXD" :error="failure" />
    <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('code.go') }}</VBtn>
  </form>
</template>
