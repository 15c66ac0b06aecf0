<script setup lang="ts">
/** What a repair is to cost above the limit: asked of a manager, answered by one. */
import { reactive } from 'vue';
import { answerApproval, askApproval, type FaultSummary } from '../../contract/faults/faults.ts';
import { api, newId, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{
  fault: Pick<FaultSummary, 'id' | 'approval' | 'zone'>;
  mayAnswer: boolean;
  /** Staff are about to close it, and may ask. */
  asking?: boolean;
}>();
const emit = defineEmits<{ changed: [] }>();
const ask = reactive({ amount: '', note: '' });
const answer = reactive({ words: '' });
const [asks, answers] = [useForm(askApproval), useForm(answerApproval)];

async function send(): Promise<void> {
  const form = { id: newId(), amount: ask.amount === '' ? undefined : Number(ask.amount), note: ask.note };
  if (await asks.submit(form, (it) => api('approval.ask', { id: props.fault.id, form: it }))) emit('changed');
}
async function decide(it: 'yes' | 'no'): Promise<void> {
  const id = props.fault.approval!.id;
  if (await answers.submit({ answer: it, words: answer.words }, (form) => api('approval.answer', { id, form })))
    emit('changed');
}
const sum = (amount: number) => say.money(amount, ownCurrency.value);
</script>

<template>
  <div v-if="fault.approval" class="stack tight small">
    <p>
      {{ say('approval.asked', { by: fault.approval.by, sum: sum(fault.approval.amount), note: fault.approval.note }) }}
    </p>
    <p v-if="fault.approval.answer" :class="fault.approval.answer === 'yes' ? 'dew' : 'alarm'">
      {{
        say(`approval.${fault.approval.answer}`, {
          by: fault.approval.answeredBy ?? '',
          words: fault.approval.words || 'none',
        })
      }}
    </p>
    <p v-else-if="!mayAnswer" class="quiet">{{ say('approval.waits') }}</p>
    <form v-if="mayAnswer && !fault.approval.answer" class="row close middle" @submit.prevent="decide('yes')">
      <VTextField v-model="answer.words" class="find" density="compact" hide-details :label="say('approval.words')" />
      <VBtn type="submit" size="small" color="primary" :loading="answers.busy.value">{{ say('approval.sayYes') }}</VBtn>
      <VBtn size="small" variant="outlined" :disabled="answers.busy.value" @click="decide('no')">{{
        say('approval.sayNo')
      }}</VBtn>
    </form>
    <Notice :says="answers.problem.value" />
  </div>
  <form v-if="asking && fault.approval?.answer !== 'yes'" class="stack close" @submit.prevent="send">
    <div class="fields narrow">
      <VTextField
        v-model="ask.amount"
        inputmode="decimal"
        :label="say('approval.amount', { currency: ownCurrency })"
        :error-messages="asks.errors.amount"
      />
      <VTextField v-model="ask.note" :label="say('approval.note')" :error-messages="asks.errors.note" />
    </div>
    <Notice class="small" :says="asks.problem.value" />
    <VBtn type="submit" variant="outlined" size="small" :loading="asks.busy.value">{{ say('approval.ask') }}</VBtn>
  </form>
</template>
