<script setup lang="ts">
/** A procedure walked through without a machine: step by step, with the questions a supervisor would ask. */
import { computed, nextTick, onMounted, ref } from 'vue';
import { referencePicture } from '../../core/catalogue/picture.ts';
import { api, newId } from '../door/door.ts';
import { useLoading } from '../door/load.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';
import Illustration from './Illustration.vue';

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
const station = computed(() => stations.value[at.value]);
const answered = computed(() => (station.value?.question ? answers.value[station.value.at] : undefined));
const result = ref<{ asked: number; correct: number } | null>(null);
const { busy, failure: refusal, run } = useSending();
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
const picture = computed(() =>
  station.value?.question?.grade
    ? `data:image/svg+xml;utf8,${encodeURIComponent(referencePicture(props.id, station.value.question.grade))}`
    : '',
);
onMounted(reload);
</script>

<template>
  <div class="page">
    <p class="small">
      <RouterLink :to="`/procedures/${id}`">{{ it?.procedure.task ?? say('procedures.title') }}</RouterLink> ·
      {{ say('rehearsal.title') }}
    </p>
    <p v-if="failure || refusal" class="tell" role="alert">{{ failure || refusal }}</p>
    <div v-if="result" class="end" role="status">
      <h1 ref="heading" tabindex="-1">{{ say('rehearsal.result', { ...result }) }}</h1>
      <p class="quiet">{{ say('rehearsal.result.why') }}</p>
      <VBtn color="primary" size="large" block to="/procedures">{{ say('procedures.title') }}</VBtn>
      <VBtn variant="outlined" block min-height="44" @click="again">{{ say('rehearsal.again') }}</VBtn>
    </div>
    <template v-else-if="it && station">
      <progress :value="at + 1" :max="stations.length" :aria-label="say('rehearsal.title')" />
      <section v-if="station.step" :key="station.step.key">
        <h1 ref="heading" tabindex="-1">{{ station.step.title }}</h1>
        <p v-if="station.step.caution" class="caution">{{ station.step.caution }}</p>
        <p>{{ station.step.body }}</p>
        <Illustration v-if="station.step.illustration" :drawing="station.step.illustration" />
        <p v-if="station.step.asks.length" class="small quiet">
          {{ say('procedure.asks') }}: {{ station.step.asks.join('; ') }}
        </p>
      </section>
      <section v-else-if="station.question" :key="at">
        <h1 ref="heading" tabindex="-1">{{ station.question.says }}</h1>
        <img v-if="picture" :src="picture" :alt="say('rehearsal.picture.alt')" width="200" height="150" />
        <fieldset>
          <legend class="unseen">{{ station.question.says }}</legend>
          <label
            v-for="(option, i) in station.question.options"
            :key="option"
            class="choice"
            :class="{
              right: answered !== undefined && i === station.question.right,
              wrong: answered === i && i !== station.question.right,
            }"
          >
            <input
              v-model="answers[station.at]"
              type="radio"
              :name="`q${station.at}`"
              :value="i"
              :disabled="answered !== undefined"
            />
            {{ option }}
          </label>
        </fieldset>
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
    <p v-else-if="!failure" class="quiet">{{ say('loading') }}</p>
  </div>
</template>

<style scoped>
.page {
  max-width: 560px;
  margin: 0 auto;
  padding: 18px;
  display: grid;
  gap: 14px;
  font-size: 17px;
}
section,
.end {
  display: grid;
  gap: 12px;
}
h1:focus {
  outline: none;
}
progress {
  width: 100%;
  height: 6px;
  accent-color: var(--dew-deep);
}
img {
  background: #eef1ec;
  border-radius: 8px;
  padding: 8px;
  width: 100%;
  max-width: 260px;
  height: auto;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 8px;
}
.choice {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 48px;
  padding: 8px 12px;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  background: var(--panel);
}
.choice.right {
  border-color: var(--dew-deep);
  background: var(--pick);
}
.choice.wrong {
  border-color: var(--alarm);
}
.choice input {
  width: 20px;
  height: 20px;
  flex: none;
  accent-color: var(--dew-deep);
}
</style>
