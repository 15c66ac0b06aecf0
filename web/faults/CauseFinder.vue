<script setup lang="ts">
/** Finding the cause of a fault: one question at a time, what it may be, and what was answered. */
import { computed, onMounted, ref } from 'vue';
import type { DiagnosisAnswer } from '../../contract/faults/diagnosis.ts';
import { api, newId } from '../api/api.ts';
import type { Loading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ of: Loading<DiagnosisAnswer> }>();
defineSlots<{
  /** In place of what a tenant's word closes the fault with. */
  gone?(props: { cause: string }): unknown;
  /** The way to a part's upkeep. */
  part?(props: { number: number }): unknown;
}>();
const answer = computed(() => props.of.value.value);
const { busy, failure, run } = useSending();
const gone = ref<string | null>(null);

async function tell(kind: 'check' | 'remedy', subject: string, word: 'yes' | 'no' | 'unsure' | 'takenBack') {
  gone.value = null;
  const { faultId: id } = answer.value!;
  await run(async () => {
    props.of.value.value = await api('fault.check', { id, form: { id: newId(), kind, subject, answer: word } });
  });
}

const LIKELY = { certain: 0.6, likely: 0.25, possible: 0.08 } as const;
function wordOf({ odds, tried }: DiagnosisAnswer['causes'][number]) {
  if (tried) return 'tried';
  if (odds >= LIKELY.certain) return 'certain';
  if (odds >= LIKELY.likely) return 'likely';
  return odds >= LIKELY.possible ? 'possible' : 'unlikely';
}
const wordOfAnswer = ({ kind, answer: given }: DiagnosisAnswer['told'][number]) => {
  if (kind === 'check') return say(`find.answer.${given}`);
  return say(given === 'yes' ? 'find.answer.gone' : 'find.answer.still');
};
onMounted(() => props.of.reload());
</script>

<template>
  <template v-if="answer">
    <p v-if="answer.stopUsing && !answer.closed" class="caution strong">{{ say('fault.stop') }}</p>
    <Notice v-if="answer.closed" done>
      {{ say('find.closed', { found: answer.closed }) }}
      <template v-if="answer.level === 'tenant'">{{ say('find.thanks') }}</template>
    </Notice>
    <p v-else-if="answer.stop" :class="answer.stop === 'unsafe' ? 'caution strong' : 'quiet'">
      {{ say(`find.${answer.stop}`) }}
    </p>
    <section v-else-if="answer.next" class="panel card stack" aria-live="polite" aria-labelledby="next-step">
      <template v-if="answer.next.kind === 'check'">
        <h2 id="next-step">{{ answer.next.says }}</h2>
        <p class="quiet small">{{ say('find.minutes', { minutes: answer.next.minutes }) }}</p>
        <div class="row even">
          <VBtn
            v-for="word in ['yes', 'no', 'unsure'] as const"
            :key="word"
            size="large"
            :variant="word === 'unsure' ? 'outlined' : 'flat'"
            :color="word === 'unsure' ? undefined : 'primary'"
            :disabled="busy"
            @click="tell('check', answer.next.key, word)"
            >{{ say(`find.${word}`) }}</VBtn
          >
        </div>
      </template>
      <template v-else-if="answer.next.kind === 'remedy'">
        <h2 id="next-step">{{ say('find.remedy', { cause: answer.next.says }) }}</h2>
        <p>{{ say('find.remedy.how') }}</p>
        <p v-if="answer.next.pointNumber"><slot name="part" :number="answer.next.pointNumber" /></p>
        <p class="quiet small">{{ say('find.minutes', { minutes: answer.next.minutes }) }}</p>
        <slot v-if="gone" name="gone" :cause="gone" />
        <div v-else class="row even">
          <VBtn
            size="large"
            color="primary"
            :disabled="busy"
            @click="$slots.gone ? (gone = answer.next.key) : tell('remedy', answer.next.key, 'yes')"
            >{{ say('find.gone') }}</VBtn
          >
          <VBtn size="large" variant="outlined" :disabled="busy" @click="tell('remedy', answer.next.key, 'no')">{{
            say('find.still')
          }}</VBtn>
        </div>
      </template>
      <template v-else>
        <h2 id="next-step">{{ say(`find.over.${answer.next.to === 'staff' ? 'staff' : 'licensed'}`) }}</h2>
        <p>{{ say(`find.over.${answer.next.to === 'staff' ? 'staff' : 'licensed'}.why`) }}</p>
      </template>
    </section>
    <Notice :says="failure" />
    <section v-if="!answer.stop" class="stack close" aria-labelledby="may-be">
      <h2 id="may-be">{{ say('find.causes') }}</h2>
      <ul class="stack tight plain">
        <li v-for="cause in answer.causes" :key="cause.key">
          <p class="row apart small" :class="{ quiet: cause.tried }">
            <span>{{ cause.says }}</span> <span>{{ say(`find.odds.${wordOf(cause)}`) }}</span>
          </p>
          <progress class="progress" :value="cause.odds" max="1" :aria-label="cause.says" />
        </li>
      </ul>
      <p v-if="!answer.closed" class="quiet small">
        {{ say('find.about', { minutes: Math.max(1, Math.round(answer.minutes)) }) }}
      </p>
      <p v-for="sentence in answer.because" :key="sentence" class="quiet small">{{ sentence }}</p>
    </section>
    <section v-if="answer.told.length" class="stack close" aria-labelledby="was-found">
      <h2 id="was-found">{{ say('find.told') }}</h2>
      <ul class="ruled">
        <li v-for="it in answer.told" :key="`${it.kind} ${it.subject}`" class="row apart small">
          <span>{{ it.says }}</span>
          <span
            ><b>{{ wordOfAnswer(it) }}</b
            >{{ it.by ? ` · ${it.by}` : '' }}
            <VBtn
              v-if="!answer.closed"
              variant="text"
              size="small"
              :disabled="busy"
              @click="tell(it.kind, it.subject, 'takenBack')"
              >{{ say('find.back') }}</VBtn
            ></span
          >
        </li>
      </ul>
    </section>
  </template>
</template>
