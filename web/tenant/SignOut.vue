<script setup lang="ts">
/**
 * Another language, and signing out of a phone that others use, too: asked once, then nothing of the home is left on it
 * but unsent work.
 */
import { ref } from 'vue';
import { useRoute } from 'vue-router';
import { api, readSession, signedIn } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import LanguageSwitch from '../kit/LanguageSwitch.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { forgetAnswers } from '../outbox/device.ts';

const route = useRoute();
const asked = ref(false);
const sending = useSending();

async function leave(): Promise<void> {
  const leaving = signedIn();
  const left = await sending.run(async () => {
    await api('session.close');
    // Nobody is in any more, so that what is still being read is not kept again.
    await readSession().catch(() => undefined);
    if (leaving) await forgetAnswers(leaving).catch(() => undefined);
  });
  if (left) location.assign('/home/');
}
</script>

<template>
  <footer v-if="route.path === '/' && signedIn()" class="page phone small no-print">
    <LanguageSwitch />
    <button v-if="!asked" type="button" class="plain link" @click="asked = true">{{ say('leave.ask') }}</button>
    <div v-else class="stack close">
      <p>{{ say('leave.sure') }}</p>
      <p class="row middle">
        <VBtn variant="outlined" :loading="sending.busy.value" @click="leave">{{ say('leave.go') }}</VBtn>
        <button type="button" class="plain link" @click="asked = false">{{ say('cancel') }}</button>
      </p>
      <Notice :says="sending.failure.value" />
    </div>
  </footer>
</template>
