<script setup lang="ts">
/** Announcing a visit, or moving one that was announced. */
import { computed, reactive } from 'vue';
import { isoFromDay } from '../../core/calendar/day.ts';
import { moveVisit, newVisit, type VisitsAnswer, type VisitSummary } from '../../contract/notices/visits.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { clockTime, minuteOf } from './clockTime.ts';

const props = defineProps<{ placeId: string; today: number; answer: VisitsAnswer; visit?: VisitSummary }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const id = newId();
const entry = reactive({
  // Of a visit whose maker is gone, the first who may come.
  personId:
    (props.answer.people.find(({ id: it }) => it === props.visit?.personId) ?? props.answer.people[0])?.id ?? '',
  // The first day that leaves the notice whole.
  day: isoFromDay(props.visit?.day ?? props.today + 1 + Math.ceil(props.answer.hours / 24)),
  from: clockTime(props.visit?.from ?? 10 * 60),
  until: clockTime(props.visit?.until ?? 12 * 60),
  purpose: props.visit?.purpose ?? props.answer.purpose,
  agreed: false,
});
const [made, moved] = [useForm(newVisit), useForm(moveVisit)];
const { errors, problem, busy } = props.visit ? moved : made;
const fieldsWrong = computed(() => errors as Readonly<Record<string, string | undefined>>);

async function save(): Promise<void> {
  const when = { day: entry.day, from: minuteOf(entry.from), until: minuteOf(entry.until), agreed: entry.agreed };
  const { visit } = props;
  const sent = visit
    ? await moved.submit({ ...when, personId: entry.personId }, (form) => api('visit.move', { id: visit.id, form }))
    : await made.submit(
        { id, placeId: props.placeId, personId: entry.personId, purpose: entry.purpose, ...when },
        (form) => api('visit.create', { form, once: id }),
      );
  if (sent) emit('saved');
}
</script>

<template>
  <form class="panel card stack close" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <VSelect
      v-model="entry.personId"
      :items="answer.people.map((it) => ({ value: it.id, title: it.name }))"
      :label="say('visits.who')"
      :error-messages="fieldsWrong.personId"
    />
    <VTextField
      v-if="!visit"
      v-model="entry.purpose"
      maxlength="200"
      :label="say('visits.purposeField')"
      :error-messages="fieldsWrong.purpose"
    />
    <VTextField v-model="entry.day" type="date" :label="say('visit.day')" :error-messages="fieldsWrong.day" />
    <div class="fields inline short">
      <VTextField v-model="entry.from" type="time" :label="say('visit.from')" :error-messages="fieldsWrong.from" />
      <VTextField v-model="entry.until" type="time" :label="say('visit.until')" :error-messages="fieldsWrong.until" />
    </div>
    <VCheckbox v-model="entry.agreed" :label="say('visits.agreedBox')" hide-details />
    <p class="quiet small">{{ say('visits.hours', { hours: answer.hours }) }}</p>
    <Notice class="small" :says="problem" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say(visit ? 'visits.moveSave' : 'visits.send') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
