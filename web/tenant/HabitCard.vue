<script setup lang="ts">
/** Habits on one card: what, how, why; and two answers each. */
import { computed, ref } from 'vue';
import type { HabitCard } from '../../contract/due/habits.ts';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';

const props = defineProps<{ habits: readonly HabitCard[] }>();
const emit = defineEmits<{ answered: [] }>();
const answers = ref<Record<string, 'kept' | 'lapsed'>>({});
const ANSWERS = ['kept', 'lapsed'] as const;
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
  <section class="panel card">
    <div v-if="thanks" role="status">
      <p class="strong">{{ thanks }}</p>
      <button type="button" class="plain link" @click="emit('answered')">{{ say('close') }}</button>
    </div>
    <form v-else class="stack" @submit.prevent="send">
      <h2>{{ say('habits.card') }}</h2>
      <p class="quiet">{{ say('habits.card.why') }}</p>
      <div v-for="habit in habits" :key="keyOf(habit)" class="heavy stack close">
        <h3>{{ habit.says }}</h3>
        <p v-if="habit.because" class="marked">{{ say('habits.because', { what: habit.because }) }}</p>
        <p>
          {{ habit.how }} <span class="quiet">{{ habit.why }}</span>
        </p>
        <ChoiceList
          v-model="answers[keyOf(habit)]"
          :legend="habit.says"
          hide-legend
          class="columns two"
          :choices="ANSWERS.map((value) => ({ value, says: say(`habits.answer.${value}`) }))"
        />
      </div>
      <Notice :says="failure" />
      <VBtn type="submit" color="primary" size="large" block :disabled="!complete" :loading="busy">{{
        say('habits.send')
      }}</VBtn>
    </form>
  </section>
</template>
