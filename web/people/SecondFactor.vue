<script setup lang="ts">
/** The second factor: turned on by a scan and a first code, with codes for when the phone is lost; turned off. */
import { reactive, ref } from 'vue';
import { confirmed, secondFactor } from '../../contract/people/people.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

defineProps<{ on: boolean; codesLeft: number }>();
const emit = defineEmits<{ changed: [] }>();
const beginning = useSending();
const begun = ref<{ secret: string; picture: string } | null>(null);
const stopping = ref(false);
/** Told once. */
const codes = ref<readonly string[]>([]);
const entry = reactive({ code: '', password: '' });
const turnOn = useForm(secondFactor);
const turnOff = useForm(confirmed);

async function begin(): Promise<void> {
  await beginning.run(async () => {
    const [{ secret, uri }, { toDataURL }] = await Promise.all([api('me.newSecret'), import('qrcode')]);
    begun.value = { secret, picture: await toDataURL(uri, { margin: 1, width: 200 }) };
  });
}
async function confirm(): Promise<void> {
  const { secret } = begun.value!;
  const done = await turnOn.submit({ ...entry, secret }, async (form) => {
    codes.value = (await api('me.secondFactor', { form })).codes;
  });
  if (done) over();
}
async function stop(): Promise<void> {
  if (await turnOff.submit(entry, (form) => api('me.secondFactorOff', { form }))) over();
}
function over(): void {
  begun.value = null;
  stopping.value = false;
  Object.assign(entry, { code: '', password: '' });
  emit('changed');
}
</script>

<template>
  <section class="stack close" aria-labelledby="second-factor">
    <h2 id="second-factor">{{ say('factor.title') }}</h2>
    <p class="quiet">{{ say(on ? 'factor.on' : 'factor.why') }}</p>
    <p v-if="on" class="quiet small">{{ say('factor.left', { count: codesLeft }) }}</p>
    <div v-if="codes.length" class="stack tight" role="status">
      <p class="told">{{ say('factor.codes') }}</p>
      <p class="row">
        <code v-for="it in codes" :key="it">{{ it }}</code>
      </p>
    </div>
    <form v-if="begun" class="fields" @submit.prevent="confirm">
      <img :src="begun.picture" :alt="say('factor.scan')" width="200" height="200" />
      <p>
        {{ say('factor.scan') }} <code class="break">{{ begun.secret }}</code>
      </p>
      <VTextField
        v-model="entry.code"
        inputmode="numeric"
        autocomplete="one-time-code"
        :label="say('factor.code')"
        :error-messages="turnOn.errors.code"
      />
      <VTextField
        v-model="entry.password"
        type="password"
        autocomplete="current-password"
        :label="say('account.current')"
        :error-messages="turnOn.errors.password"
      />
      <Notice :says="turnOn.problem.value" />
      <VBtn type="submit" color="primary" :loading="turnOn.busy.value">{{ say('factor.turnOn') }}</VBtn>
    </form>
    <form v-else-if="stopping" class="fields" @submit.prevent="stop">
      <VTextField
        v-model="entry.password"
        type="password"
        autocomplete="current-password"
        :label="say('account.current')"
        :error-messages="turnOff.errors.password"
      />
      <Notice :says="turnOff.problem.value" />
      <VBtn type="submit" variant="outlined" :loading="turnOff.busy.value">{{ say('factor.turnOff') }}</VBtn>
    </form>
    <p v-else>
      <VBtn v-if="on" variant="outlined" @click="stopping = true">{{ say('factor.turnOff') }}</VBtn>
      <VBtn v-else variant="outlined" :loading="beginning.busy.value" @click="begin">{{ say('factor.begin') }}</VBtn>
    </p>
    <Notice :says="beginning.failure.value" />
  </section>
</template>
