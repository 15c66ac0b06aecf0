<script setup lang="ts">
/** Who is called when something is not safe, in order, and the way to them; tried before it is needed. */
import { onMounted, reactive, ref } from 'vue';
import { changeDuty } from '../../contract/faults/alarms.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const { value: duty, failure, reload } = useLoading(() => api('duty.read'));
const entry = reactive({
  people: [] as string[],
  minutes: 10,
  webhook: '',
  byMail: false,
  mail: { host: '', port: 587, secure: 'no' as 'yes' | 'no', user: '', password: '', from: '' },
});
const { errors, problem, busy, submit } = useForm(changeDuty);
const trying = useSending();
const tried = ref('');
const saved = ref(false);

async function load(): Promise<void> {
  await reload();
  const it = duty.value;
  if (!it) return;
  Object.assign(entry, {
    people: it.people.filter(({ onDuty }) => onDuty).map(({ id }) => id),
    minutes: it.minutes,
    webhook: it.webhook ?? '',
    byMail: it.mail !== null,
  });
  if (it.mail) Object.assign(entry.mail, { ...it.mail, password: '' });
}
const nameOf = (id: string) => duty.value?.people.find((person) => person.id === id);
const others = () => duty.value?.people.filter(({ id }) => !entry.people.includes(id)) ?? [];
function up(i: number): void {
  entry.people.splice(i - 1, 2, entry.people[i]!, entry.people[i - 1]!);
}
async function save(): Promise<void> {
  const { host, port, secure, user, password, from } = entry.mail;
  const form = {
    people: entry.people,
    minutes: Number(entry.minutes),
    webhook: entry.webhook || null,
    mail: entry.byMail ? { host, port: Number(port), secure, user, password: password || null, from } : null,
  };
  saved.value = await submit(form, (it) => api('duty.change', { form: it }));
  if (saved.value) await load();
}
const tryIt = () =>
  trying.run(async () => {
    tried.value = (await api('duty.try')).says;
    await reload();
  });
onMounted(load);
</script>

<template>
  <section class="stack close">
    <h2>{{ say('duty.title') }}</h2>
    <p class="quiet small">{{ say('duty.why') }}</p>
    <Notice :says="failure" />
    <form v-if="duty" class="stack close" @submit.prevent="save">
      <ol v-if="entry.people.length" class="ruled apart">
        <li v-for="(id, i) in entry.people" :key="id">
          <span
            ><b>{{ i + 1 }}.</b> {{ nameOf(id)?.name }}
            <span class="quiet small">{{ nameOf(id)?.email ?? say('duty.noEmail') }}</span></span
          ><span
            ><button v-if="i > 0" type="button" class="plain link" @click="up(i)">{{ say('duty.up') }}</button>{{ ' ' }}
            <button type="button" class="plain link" @click="entry.people.splice(i, 1)">
              {{ say('duty.off') }}
            </button></span
          >
        </li>
      </ol>
      <p v-else class="alarm strong">{{ say('duty.nobody') }}</p>
      <p class="row">
        <button v-for="it in others()" :key="it.id" type="button" class="plain link" @click="entry.people.push(it.id)">
          + {{ it.name }}
        </button>
      </p>
      <div class="fields">
        <VTextField
          v-model="entry.minutes"
          type="number"
          min="1"
          :label="say('duty.minutes')"
          :error-messages="errors.minutes"
        />
        <VTextField v-model="entry.webhook" :label="say('duty.webhook')" :error-messages="errors.webhook" />
        <VCheckbox v-model="entry.byMail" :label="say('duty.byMail')" hide-details />
        <template v-if="entry.byMail">
          <VTextField v-model="entry.mail.host" :label="say('duty.host')" :error-messages="errors['mail.host']" />
          <VTextField
            v-model="entry.mail.port"
            type="number"
            :label="say('duty.port')"
            :error-messages="errors['mail.port']"
          />
          <VSelect
            v-model="entry.mail.secure"
            :items="(['no', 'yes'] as const).map((value) => ({ value, title: say(`duty.secure.${value}`) }))"
            :label="say('duty.secure')"
          />
          <VTextField v-model="entry.mail.user" :label="say('duty.user')" :error-messages="errors['mail.user']" />
          <VTextField
            v-model="entry.mail.password"
            type="password"
            autocomplete="off"
            :label="say(duty.mail?.hasPassword ? 'duty.password.kept' : 'duty.password')"
          />
          <VTextField
            v-model="entry.mail.from"
            type="email"
            :label="say('duty.from')"
            :error-messages="errors['mail.from']"
          />
        </template>
      </div>
      <Notice :says="problem" />
      <Notice :says="errors.people" />
      <p class="row">
        <VBtn type="submit" color="primary" :loading="busy">{{ say('duty.save') }}</VBtn><VBtn
          v-if="duty.mail"
          variant="outlined"
          :loading="trying.busy.value"
          @click="tryIt"
          >{{ say('duty.try') }}</VBtn
        >
      </p>
      <Notice v-if="saved" done :says="say('duty.saved')" />
      <Notice done :says="tried" />
    </form>
    <details v-if="duty?.letters">
      <summary>{{ say('duty.letters', { count: duty.letters.length }) }}</summary>
      <article v-for="(letter, i) in duty.letters" :key="i" class="panel card">
        <p>
          <b>{{ letter.subject }}</b> <span class="quiet small">{{ letter.to }}</span>
        </p>
        <pre class="letter">{{ letter.text }}</pre>
      </article>
    </details>
  </section>
</template>
