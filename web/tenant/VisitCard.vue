<script setup lang="ts">
/** Somebody of the office comes: when, what for, and whether that suits. */
import { reactive, ref } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { answerVisit, type VisitToMe } from '../../contract/notices/visits.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import PlainField from '../kit/PlainField.vue';
import { say } from '../language/say.ts';
import { clockTime, minuteOf } from '../notices/clockTime.ts';

const props = defineProps<{ visit: VisitToMe }>();
const emit = defineEmits<{ answered: [] }>();
const other = ref(false);
const entry = reactive({
  day: isoFromDay(props.visit.day + 1),
  from: clockTime(props.visit.from),
  until: clockTime(props.visit.until),
  note: '',
});
const { errors, problem, busy, submit } = useForm(answerVisit);

async function answer(says: 'agreed' | 'another'): Promise<void> {
  const when =
    says === 'another'
      ? { day: entry.day, from: minuteOf(entry.from), until: minuteOf(entry.until), note: entry.note }
      : { day: null, from: null, until: null, note: '' };
  if (await submit({ answer: says, ...when }, (form) => api('visit.answer', { id: props.visit.id, form }))) {
    other.value = false;
    emit('answered');
  }
}
const times = ({ day, from, until }: { day: number; from: number; until: number }) => ({
  day: `${say.weekday(day)}, ${say.day(day)}`,
  from: say.clockTime(from),
  until: say.clockTime(until),
});
</script>

<template>
  <article class="panel card stack close">
    <h2>{{ say('visit.title') }}</h2>
    <p>{{ say('visit.when', { who: visit.person, ...times(visit) }) }}</p>
    <p class="small quiet">{{ say('visit.purpose', { purpose: visit.purpose }) }}</p>
    <p v-if="visit.answer === 'agreed'" class="strong dew">{{ say('visit.agreed') }}</p>
    <p v-else-if="visit.answer === 'another' && visit.other" class="strong">
      {{ say('visit.asked', times(visit.other)) }}
    </p>
    <p v-else-if="visit.answer === 'kept'" class="strong">{{ say('visit.kept') }}</p>
    <form v-if="other" class="stack close" @submit.prevent="answer('another')">
      <PlainField v-model="entry.day" type="date" :label="say('visit.day')" :error="errors.day" />
      <PlainField v-model="entry.from" type="time" :label="say('visit.from')" :error="errors.from" />
      <PlainField v-model="entry.until" type="time" :label="say('visit.until')" :error="errors.until" />
      <PlainField v-model="entry.note" :label="say('visit.note')" :error="errors.note" />
      <VBtn type="submit" color="primary" size="large" block :loading="busy">{{ say('visit.send') }}</VBtn>
      <button type="button" class="plain link" @click="other = false">{{ say('cancel') }}</button>
    </form>
    <template v-else>
      <VBtn
        v-if="visit.answer !== 'agreed'"
        color="primary"
        size="large"
        block
        :loading="busy"
        @click="answer('agreed')"
        >{{ say('visit.yes') }}</VBtn
      >
      <VBtn variant="outlined" size="large" block @click="other = true">{{ say('visit.another') }}</VBtn>
    </template>
    <Notice class="small" :says="problem" />
  </article>
</template>
