<script setup lang="ts">
/** Habits on one card: what, how, why; and two answers each. */
import { computed, ref } from 'vue';
import type { HabitCard } from '../../contract/habits.ts';
import { api, newId } from '../door/door.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ habits: readonly HabitCard[] }>();
const emit = defineEmits<{ answered: [] }>();
const answers = ref<Record<string, 'kept' | 'lapsed'>>({});
const thanks = ref('');
const ids = props.habits.map(() => newId());
const keyOf = ({ machineId, habit }: HabitCard) => `${machineId} ${habit}`;
const complete = computed(() => props.habits.every((habit) => answers.value[keyOf(habit)]));
const { failure, busy, run } = useSending();

async function send(): Promise<void> {
  await run(async () => {
    const sent = props.habits.map((habit, i) => ({
      id: ids[i]!,
      machineId: habit.machineId,
      habit: habit.habit,
      kept: answers.value[keyOf(habit)]!,
    }));
    thanks.value = (await api('habits.attest', { form: { answers: sent }, once: ids[0] })).thanks;
  });
}
</script>

<template>
  <section class="card panel">
    <div v-if="thanks" role="status">
      <p class="strong">{{ thanks }}</p>
      <button type="button" class="plain link" @click="emit('answered')">{{ say('close') }}</button>
    </div>
    <form v-else @submit.prevent="send">
      <h2>{{ say('habits.card') }}</h2>
      <p class="quiet">{{ say('habits.card.why') }}</p>
      <fieldset v-for="habit in habits" :key="keyOf(habit)">
        <legend>{{ habit.says }}</legend>
        <p>
          {{ habit.how }} <span class="quiet">{{ habit.why }}</span>
        </p>
        <div class="two">
          <label v-for="value in ['kept', 'lapsed'] as const" :key="value" class="choice"
            ><input v-model="answers[keyOf(habit)]" type="radio" :name="keyOf(habit)" :value="value" />
            {{ say(`habits.answer.${value}`) }}</label
          >
        </div>
      </fieldset>
      <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
      <VBtn type="submit" color="primary" size="large" block :disabled="!complete" :loading="busy">{{
        say('habits.send')
      }}</VBtn>
    </form>
  </section>
</template>

<style scoped>
.card {
  padding: 16px;
}
form {
  display: grid;
  gap: 12px;
}
fieldset {
  border: 0;
  border-top: 1px solid var(--hair);
  padding: 8px 0 0;
  display: grid;
  gap: 6px;
}
legend {
  float: left;
  width: 100%;
  font-weight: 640;
  padding: 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.choice {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 46px;
  padding: 0 10px;
  border: 1.5px solid var(--hair);
  border-radius: 8px;
}
.choice:has(:checked) {
  border-color: var(--dew);
  background: var(--pick);
}
.link {
  color: var(--dew-deep);
  text-decoration: underline;
  min-height: 44px;
}
</style>
