<script setup lang="ts">
import { reactive } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { signIn } from '../../contract/people/people.ts';
import { useDesk } from './deskStore.ts';
import { openSession } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import FrontPage from './FrontPage.vue';
import Notice from '../kit/Notice.vue';

const desk = useDesk();
const route = useRoute();
const router = useRouter();
const entry = reactive({ email: '', password: '' });
const { errors, problem, busy, submit } = useForm(signIn);

async function go(): Promise<void> {
  if (!(await submit(entry, (form) => openSession('session.open', { form })))) return;
  await desk.recognise();
  const wanted = String(route.query.to ?? '/');
  await router.push(wanted.startsWith('/') && !wanted.startsWith('//') ? wanted : '/');
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
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('signIn.go') }}</VBtn>
    </form>
  </FrontPage>
</template>
