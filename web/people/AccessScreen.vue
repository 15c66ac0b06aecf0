<script setup lang="ts">
/** Where a link to a first or a new password leads: choose one, and be in. */
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { openAccess, type OpenAccess } from '../../contract/people/people.ts';
import { openSession } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say } from '../language/say.ts';
import { useDesk } from './deskStore.ts';
import CodeField from './CodeField.vue';
import { useSecondStep } from './secondStep.ts';
import FrontPage from './FrontPage.vue';

const desk = useDesk();
const router = useRouter();
const token = location.hash.slice(1);
// Whoever looks over the shoulder, or at the history later, finds no key there.
history.replaceState(history.state, '', location.pathname);
const entry = reactive({ password: '', code: '' });
const second = useSecondStep();
const { errors, problem, busy, submit } = useForm(openAccess);

async function go(): Promise<void> {
  const come = (form: OpenAccess) => second.enter(() => openSession('access.open', { form }));
  if (!(await submit({ ...entry, token }, come))) return;
  await desk.recognise();
  await router.replace('/');
}
</script>

<template>
  <FrontPage :title="say('access.title')" :why="say('access.why')">
    <form class="stack close" @submit.prevent="go">
      <VTextField
        v-model="entry.password"
        v-focus-first
        :label="say('account.new')"
        :hint="say('account.rule')"
        persistent-hint
        type="password"
        autocomplete="new-password"
        :error-messages="errors.password"
      />
      <CodeField v-if="second.asked.value" v-model="entry.code" :errors="errors.code" />
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('access.go') }}</VBtn>
    </form>
  </FrontPage>
</template>
