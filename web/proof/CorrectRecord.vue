<script setup lang="ts">
/** Correcting what was logged by mistake: another day or condition, or not done at all. The wrong one stays to read. */
import { reactive, ref } from 'vue';
import { GRADES } from '../../core/catalogue/grades.ts';
import { isoFromDay } from '../../core/calendar/day.ts';
import { correctRecord } from '../../contract/jobs/jobs.ts';
import GradePicker from '../catalogue/GradePicker.vue';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ recordId: string; day: string; procedure: string; today: number }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const id = newId();
const how = ref<'other' | 'none'>('other');
const entry = reactive<{ done: string; grade: string | null; reason: string }>({
  done: props.day,
  grade: null,
  reason: '',
});
const { errors, problem, busy, submit } = useForm(correctRecord);
const grades = GRADES.map((value) => ({ value, label: say(`grade.${value}`) }));

async function save(): Promise<void> {
  const form = { id, note: '', ...entry, done: how.value === 'none' ? null : entry.done };
  if (await submit(form, (it) => api('record.correct', { id: props.recordId, form: it, once: id }))) emit('saved');
}
</script>

<template>
  <form class="panel card stack close" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <ChoiceList
      v-model="how"
      :legend="say('correct.how')"
      :choices="[
        { value: 'other', says: say('correct.other') },
        { value: 'none', says: say('correct.none') },
      ]"
    />
    <template v-if="how === 'other'">
      <VTextField
        v-model="entry.done"
        type="date"
        :label="say('point.log.day')"
        :max="isoFromDay(today)"
        :error-messages="errors.done"
      />
      <GradePicker v-model="entry.grade" :procedure="procedure" :label="say('point.log.grade')" :choices="grades" />
    </template>
    <VTextField v-model="entry.reason" :label="say('correct.reason')" :error-messages="errors.reason" />
    <Notice class="small" :says="problem" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('correct.save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
