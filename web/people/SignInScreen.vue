<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { signIn } from '../../contract/people/people.ts';
import { useDesk } from './deskStore.ts';
import { api, openSession, Problem } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import FrontPage from './FrontPage.vue';
import Notice from '../kit/Notice.vue';

const desk = useDesk();
const route = useRoute();
const router = useRouter();
const entry = reactive({ email: '', password: '', code: '' });
const { errors, problem, busy, submit } = useForm(signIn);
const letter = useSending();
const sent = ref(false);
/** Somebody with a second factor is asked for it once the password was right. */
const second = ref(false);

async function go(): Promise<void> {
  const opened = await submit(entry, async (form) => {
    try {
      await openSession('session.open', { form });
    } catch (error) {
      second.value ||= error instanceof Problem && error.key === 'codeNeeded';
      throw error;
    }
  });
  if (!opened) return;
  await desk.recognise();
  const wanted = String(route.query.to ?? '/');
  await router.push(wanted.startsWith('/') && !wanted.startsWith('//') ? wanted : '/');
}
const canAsk = computed(() => entry.email.includes('@'));
async function ask(): Promise<void> {
  sent.value = await letter.run(async () => void (await api('access.ask', { form: { email: entry.email } })));
}
</script>

<template>
  <FrontPage :title="say('signIn.title')" :why="say('signIn.tenants')">
    <form class="stack close" @submit.prevent="go">
      <VTextField
        v-model="entry.email"
        :label="say('signIn.email')"
        type="email"
        autocomplete="username"
        :error-messages="errors.email"
        v-focus-first
      />
      <VTextField
        v-model="entry.password"
        :label="say('signIn.password')"
        type="password"
        autocomplete="current-password"
        :error-messages="errors.password"
      />
      <VTextField
        v-if="second"
        v-model="entry.code"
        v-focus-first
        :label="say('signIn.code')"
        autocomplete="one-time-code"
        :error-messages="errors.code"
      />
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('signIn.go') }}</VBtn>
      <button v-if="!sent" type="button" class="plain link small" :disabled="!canAsk || letter.busy.value" @click="ask">
        {{ say(canAsk ? 'signIn.forgot' : 'signIn.forgot.first') }}
      </button>
      <Notice v-else done :says="say('signIn.sent', { email: entry.email })" />
      <Notice :says="letter.failure.value" />
    </form>
  </FrontPage>
</template>
