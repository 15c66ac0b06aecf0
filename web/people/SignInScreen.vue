<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { signIn } from '../../contract/people/people.ts';
import { useDesk } from './deskStore.ts';
import { api, openSession } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import CodeField from './CodeField.vue';
import { useSecondStep } from './secondStep.ts';
import FrontPage from './FrontPage.vue';
import Notice from '../kit/Notice.vue';

const desk = useDesk();
const route = useRoute();
const router = useRouter();
const entry = reactive({ email: '', password: '', code: '' });
const { errors, problem, busy, submit } = useForm(signIn);
const letter = useSending();
const sent = ref(false);
const second = useSecondStep();

async function go(): Promise<void> {
  if (!(await submit(entry, (form) => second.enter(() => openSession('session.open', { form }))))) return;
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
      <CodeField v-if="second.asked.value" v-model="entry.code" :errors="errors.code" />
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
