<script setup lang="ts">
/**
 * The verdict on a proof, with what it will do said before it is done. Accepting is no main button under a
 * contradiction.
 */
import { computed, reactive, ref } from 'vue';
import { judge, type ProofAnswer, type Verdict } from '../../contract/proof/proof.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import SpecificationFields from '../register/SpecificationFields.vue';
import Notice from '../kit/Notice.vue';
import ReasonForm from './ReasonForm.vue';

const props = defineProps<{ proof: ProofAnswer }>();
/** With what was said, and the proof whose verdict can be taken back. */
const emit = defineEmits<{ judged: [string, string | null]; skip: [] }>();
const open = ref<'sendBack' | 'registerWrong' | 'accept' | null>(null);
const contradicted = computed(() => props.proof.findings.some(({ weight }) => weight === 'fail'));
const entry = reactive({
  reason: props.proof.findings
    .filter(({ weight }) => weight === 'fail')
    .map(({ tells }) => tells)
    .join(' '),
});
const why = ref('');
const specification = ref<Specification>({ forbiddenAgents: [], ...props.proof.specification });
const { errors, problem, busy, submit } = useForm(judge);

async function send(verdict: Verdict): Promise<void> {
  const form = {
    verdict,
    reason: verdict === 'sendBack' ? entry.reason : why.value,
    ...(verdict === 'registerWrong' && { specification: specification.value }),
  };
  if (await submit(form, (it) => api('proof.judge', { id: props.proof.id, form: it }))) {
    emit(
      'judged',
      say(`proof.done.${verdict}`, { what: `${props.proof.title}, ${props.proof.place}` }),
      verdict === 'registerWrong' ? null : props.proof.id,
    );
  }
}
/** Over a contradiction it asks why it counts all the same. */
function accept(): void {
  if (contradicted.value && open.value !== 'accept') toggle('accept');
  else void send('accept');
}
function toggle(what: 'sendBack' | 'registerWrong' | 'accept'): void {
  open.value = open.value === what ? null : what;
}
/** One key a verdict. */
function key(pressed: string): void {
  if (busy.value) return;
  if (pressed === 'a') accept();
  if (pressed === 's') toggle('sendBack');
  if (pressed === 'r') toggle('registerWrong');
}
defineExpose({ key });
</script>

<template>
  <div class="foot push-down">
    <ReasonForm
      v-if="open === 'sendBack'"
      v-model="entry.reason"
      :label="say('proof.reason')"
      :error="errors.reason"
      :action="say('proof.sendBackNow')"
      :busy="busy"
      @send="send('sendBack')"
    >
      <p class="small">
        <span class="quiet">{{ say('proof.preview', { name: proof.by }) }}</span>{{ ' '
        }}<q>{{ entry.reason || say('proof.reason.none') }}</q>
      </p>
    </ReasonForm>
    <ReasonForm
      v-if="open === 'accept'"
      v-model="why"
      :label="say('proof.why')"
      :error="errors.reason"
      :action="say('proof.acceptNow')"
      :busy="busy"
      @send="send('accept')"
    />
    <form
      v-if="open === 'registerWrong'"
      class="panel card stack close start short-form"
      @submit.prevent="send('registerWrong')"
    >
      <p class="small quiet">{{ say('proof.mend.why') }}</p>
      <SpecificationFields v-model="specification" :procedure="proof.point.procedure" :errors="errors" />
      <VTextarea
        v-if="errors.reason || why"
        v-model="why"
        :label="say('proof.why')"
        rows="1"
        :error-messages="errors.reason"
        hide-details="auto"
      />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('proof.mendNow') }}</VBtn>
    </form>
    <Notice :says="problem" />
    <p v-if="proof.own" class="small">{{ say('proof.own') }}</p>
    <p class="effect small">{{ proof.effect }}</p>
    <div class="row close">
      <VBtn
        :color="contradicted ? undefined : 'primary'"
        :variant="contradicted ? 'outlined' : 'flat'"
        :loading="busy && open === null"
        @click="accept"
        >{{ say(contradicted ? 'proof.accept.over' : 'proof.accept') }} <kbd>a</kbd></VBtn
      >
      <VBtn
        :color="contradicted ? 'primary' : undefined"
        :variant="contradicted ? 'flat' : 'outlined'"
        @click="toggle('sendBack')"
        >{{ say('proof.sendBack') }} <kbd>s</kbd></VBtn
      >
      <VBtn variant="outlined" @click="toggle('registerWrong')">{{ say('proof.register') }} <kbd>r</kbd></VBtn>
      <VBtn variant="text" @click="emit('skip')">{{ say('proof.next') }} <kbd>→</kbd></VBtn>
    </div>
  </div>
</template>
