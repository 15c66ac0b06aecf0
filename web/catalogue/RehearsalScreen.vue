<script setup lang="ts">
/** A procedure walked through without a machine: step by step, with the questions a supervisor would ask. */
import { computed, nextTick, onMounted, ref } from 'vue';
import { referencePicture } from '../../core/catalogue/picture.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Illustration from './Illustration.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import { usePageTitle } from '../kit/pageTitle.ts';
import ProgressBar from '../kit/ProgressBar.vue';

const props = defineProps<{ id: string }>();
const newSeed = () => Math.floor(Math.random() * 0xffffffff);
const seed = ref(newSeed());
const {
  value: it,
  failure,
  reload,
} = useLoading(async () => {
  const [procedure, { questions }] = await Promise.all([
    api('procedure.read', { key: props.id }),
    api('rehearsal.read', { key: props.id, form: { seed: seed.value } }),
  ]);
  return { procedure, questions };
});
/** What is walked: questions after so many steps, and the steps between them. */
const stations = computed(() => {
  if (!it.value) return [];
  const { procedure, questions } = it.value;
  const after = (count: number) =>
    questions.flatMap((question, at) => (question.after === count ? [{ question, at, step: null }] : []));
  return [...after(0), ...procedure.steps.flatMap((step, i) => [{ question: null, at: 0, step }, ...after(i + 1)])];
});
const at = ref(0);
const answers = ref<number[]>([]);
const heading = ref<HTMLElement>();
usePageTitle(() => say('rehearsal.title'), heading);
const station = computed(() => stations.value[at.value]);
const answered = computed(() => (station.value?.question ? answers.value[station.value.at] : undefined));
const result = ref<{ asked: number; correct: number } | null>(null);
const { busy, failure: problem, run } = useSending();
const key = ref(newId());

async function next(): Promise<void> {
  if (at.value < stations.value.length - 1) {
    at.value += 1;
  } else {
    await run(async () => {
      result.value = await api('rehearsal.keep', {
        form: { id: key.value, procedure: props.id, seed: seed.value, answers: answers.value },
        once: key.value,
      });
    });
  }
  await nextTick();
  heading.value?.focus();
}
async function again(): Promise<void> {
  seed.value = newSeed();
  key.value = newId();
  answers.value = [];
  result.value = null;
  at.value = 0;
  await reload();
}
const options = computed(() =>
  station.value!.question!.options.map((says, value) => {
    const { right } = station.value!.question!;
    const given = answered.value;
    const wrong = given === value ? ('wrong' as const) : undefined;
    const mark = value === right ? ('right' as const) : wrong;
    return { value, says, disabled: given !== undefined, mark: given === undefined ? undefined : mark };
  }),
);
const picture = computed(() =>
  station.value?.question?.grade
    ? `data:image/svg+xml;utf8,${encodeURIComponent(referencePicture(props.id, station.value.question.grade))}`
    : '',
);
onMounted(reload);
</script>

<template>
  <PageFrame width="phone">
    <p class="small">
      <RouterLink :to="`/procedures/${id}`">{{ it?.procedure.task ?? say('procedures.title') }}</RouterLink> ·
      {{ say('rehearsal.title') }}
    </p>
    <Notice :says="failure || problem" />
    <div v-if="result" class="stack" role="status">
      <h1 ref="heading" tabindex="-1">{{ say('rehearsal.result', { ...result }) }}</h1>
      <p class="quiet">{{ say('rehearsal.result.why') }}</p>
      <VBtn color="primary" size="large" block to="/procedures">{{ say('procedures.title') }}</VBtn>
      <VBtn variant="outlined" block min-height="44" @click="again">{{ say('rehearsal.again') }}</VBtn>
    </div>
    <template v-else-if="it && station">
      <ProgressBar :done="at + 1" :of="stations.length" :label="say('rehearsal.title')" />
      <section class="stack" v-if="station.step" :key="station.step.key">
        <h1 ref="heading" tabindex="-1">{{ station.step.title }}</h1>
        <p v-if="station.step.caution" class="caution">{{ station.step.caution }}</p>
        <p>{{ station.step.body }}</p>
        <Illustration v-if="station.step.illustration" :drawing="station.step.illustration" />
        <p v-if="station.step.asks.length" class="small quiet">
          {{ say('procedure.asks') }}: {{ station.step.asks.join('; ') }}
        </p>
      </section>
      <section class="stack" v-else-if="station.question" :key="at">
        <h1 ref="heading" tabindex="-1">{{ station.question.says }}</h1>
        <img class="drawn" v-if="picture" :src="picture" :alt="say('rehearsal.picture.alt')" width="200" height="150" />
        <ChoiceList v-model="answers[station.at]" :legend="station.question.says" hide-legend :choices="options" />
        <p
          v-if="answered !== undefined"
          role="status"
          :class="answered === station.question.right ? 'dew strong' : 'caution'"
        >
          {{ say(answered === station.question.right ? 'rehearsal.right' : 'rehearsal.wrong') }}
          {{ station.question.because }}
        </p>
      </section>
      <VBtn
        color="primary"
        size="x-large"
        block
        :loading="busy"
        :disabled="station.question !== null && answered === undefined"
        @click="next"
        >{{ say(at === stations.length - 1 ? 'rehearsal.finish' : 'rehearsal.next') }}</VBtn
      >
      <VBtn v-if="at > 0" variant="text" min-height="44" @click="at -= 1">{{ say('back') }}</VBtn>
    </template>
  </PageFrame>
</template>
