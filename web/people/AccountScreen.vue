<script setup lang="ts">
/** One's own account: the password, the second factor, and where one is signed in. */
import { onMounted, reactive, ref } from 'vue';
import { changePassword } from '../../contract/people/people.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { useDesk } from './deskStore.ts';
import BusyPart from './BusyPart.vue';
import CalendarAddress from './CalendarAddress.vue';
import ReadingPart from './ReadingPart.vue';
import SecondFactor from './SecondFactor.vue';
import TokensPart from './TokensPart.vue';

const desk = useDesk();
const account = useLoading(() => api('me.read'));
const { value: me, reload } = account;
const entry = reactive({ current: '', password: '' });
const { errors, problem, busy, submit } = useForm(changePassword);
const changed = ref(false);
const ending = useSending();

async function change(): Promise<void> {
  changed.value = await submit(entry, (form) => api('me.password', { form }));
  if (!changed.value) return;
  Object.assign(entry, { current: '', password: '' });
  await reload();
}
async function end(id: string | null): Promise<void> {
  await ending.run(async () => void (await api('me.endSession', { form: { id } })));
  await reload();
}
const day = (at: number) => say.day(Math.floor(at / MS_PER_DAY));
onMounted(reload);
</script>

<template>
  <PageFrame width="text" :title="say('account.title')" :of="account">
    <template v-if="me">
      <p class="quiet">{{ me.name }}, {{ me.email }}</p>
      <section class="stack close" aria-labelledby="account-password">
        <h2 id="account-password">{{ say('account.password') }}</h2>
        <form class="fields" @submit.prevent="change">
          <VTextField
            v-model="entry.current"
            type="password"
            autocomplete="current-password"
            :label="say('account.current')"
            :error-messages="errors.current"
          />
          <VTextField
            v-model="entry.password"
            type="password"
            autocomplete="new-password"
            :label="say('account.new')"
            :hint="say('account.rule')"
            persistent-hint
            :error-messages="errors.password"
          />
          <Notice :says="problem" />
          <Notice v-if="changed" done :says="say('account.changed')" />
          <VBtn type="submit" variant="outlined" :loading="busy">{{ say('account.change') }}</VBtn>
        </form>
      </section>
      <ReadingPart :of="me" />
      <SecondFactor :on="me.secondFactor" :codes-left="me.codesLeft" @changed="reload" />
      <section class="stack close" aria-labelledby="account-sessions">
        <h2 id="account-sessions">{{ say('account.sessions') }}</h2>
        <ul class="ruled apart">
          <li v-for="it in me.sessions" :key="it.id">
            <span
              >{{ it.device || say('account.unknownDevice') }}
              <span class="quiet small">{{ say('account.since', { day: day(it.openedAt) }) }}</span></span
            >
            <span v-if="it.here" class="quiet">{{ say('account.here') }}</span>
            <button v-else type="button" class="plain link last" @click="end(it.id)">{{ say('account.end') }}</button>
          </li>
        </ul>
        <p v-if="me.sessions.length > 1">
          <VBtn variant="outlined" :loading="ending.busy.value" @click="end(null)">{{ say('account.endOthers') }}</VBtn>
        </p>
        <Notice :says="ending.failure.value" />
      </section>
      <section v-if="desk.me" class="stack close" aria-labelledby="account-calendar">
        <h2 id="account-calendar">{{ say('feed.title') }}</h2>
        <CalendarAddress kind="own" />
        <BusyPart :person-id="desk.me.id" />
      </section>
      <TokensPart v-if="desk.managesAll" />
      <p v-if="!desk.isManager" class="quiet small">{{ say('account.lost') }}</p>
    </template>
  </PageFrame>
</template>
