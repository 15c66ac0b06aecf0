<script setup lang="ts">
/** Logging finished work with its true day, as self-certified; a contractor's visit with its report. */
import { reactive } from 'vue';
import { GRADES } from '../../core/catalogue/grades.ts';
import { isoFromDay } from '../../core/calendar/day.ts';
import { logRecord } from '../../contract/jobs/jobs.ts';
import GradePicker from '../catalogue/GradePicker.vue';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import PhotoField from '../outbox/PhotoField.vue';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ pointId: string; procedure: string; kind: string; today: number }>();
const emit = defineEmits<{ logged: [] }>();

const id = newId();
const isVisit = props.kind === 'visit';
const entry = reactive<{ done: string; grade: string | null; note: string; photoId: string | null }>({
  done: isoFromDay(props.today),
  grade: null,
  note: '',
  photoId: null,
});
const { errors, problem, busy, submit } = useForm(logRecord);
const choices = GRADES.map((value) => ({ value, label: say(`grade.${value}`) }));

async function log(): Promise<void> {
  if (await submit({ id, pointId: props.pointId, ...entry }, (form) => api('record.log', { form, once: id })))
    emit('logged');
}
</script>

<template>
  <form class="panel card stack close" @submit.prevent="log">
    <p class="small quiet">{{ say(isVisit ? 'point.log.report.why' : 'point.log.why') }}</p>
    <VTextField
      v-model="entry.done"
      type="date"
      :label="say('point.log.day')"
      :max="isoFromDay(today)"
      :error-messages="errors.done"
    />
    <PhotoField v-if="isVisit" v-model="entry.photoId" :label="say('point.log.report')" />
    <GradePicker
      v-else
      v-model="entry.grade"
      :procedure="procedure"
      :label="say('point.log.grade')"
      :choices="choices"
    />
    <VTextarea v-model="entry.note" :label="say('point.log.note')" rows="1" :error-messages="errors.note" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" block :loading="busy">{{ say('point.log.save') }}</VBtn>
  </form>
</template>
