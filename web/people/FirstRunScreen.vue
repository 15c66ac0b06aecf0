<script setup lang="ts">
/** The first page of a new installation: creates its manager. */
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { firstRun } from '../../contract/people/people.ts';
import { useDesk } from './deskStore.ts';
import { openSession } from '../api/api.ts';
import { expectedUnits } from '../api/reading.ts';
import { useForm } from '../api/form.ts';
import { vFocusFirst } from '../kit/focusFirst.ts';
import { say, spoken } from '../language/say.ts';
import FrontPage from './FrontPage.vue';
import Notice from '../kit/Notice.vue';
import TickBox from '../kit/TickBox.vue';

const desk = useDesk();
const router = useRouter();
const entry = reactive({ organisation: '', name: '', email: '', password: '', gives: true });
const { errors, problem, busy, submit } = useForm(firstRun);

async function go(): Promise<void> {
  if (
    !(await submit({ ...entry, language: spoken.value, units: expectedUnits() }, (form) =>
      openSession('install.create', { form }),
    ))
  )
    return;
  await desk.recognise();
  await router.push('/');
}
</script>

<template>
  <FrontPage :title="say('first.title')" :why="say('first.why')">
    <form class="stack close" @submit.prevent="go">
      <VTextField
        v-model="entry.organisation"
        :label="say('first.organisation')"
        :error-messages="errors.organisation"
        v-focus-first
      />
      <VTextField v-model="entry.name" :label="say('first.name')" autocomplete="name" :error-messages="errors.name" />
      <VTextField
        v-model="entry.email"
        :label="say('signIn.email')"
        type="email"
        autocomplete="username"
        :error-messages="errors.email"
      />
      <VTextField
        v-model="entry.password"
        :label="say('signIn.password')"
        type="password"
        autocomplete="new-password"
        :error-messages="errors.password"
      />
      <TickBox v-model="entry.gives">{{ say('askingRule.gives') }}</TickBox>
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('first.go') }}</VBtn>
    </form>
  </FrontPage>
</template>
