<script setup lang="ts">
/** Putting a home on hold until a review, and taking it off. */
import { reactive, ref } from 'vue';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { holdPlace } from '../../contract/register/register.ts';
import { type PlaceAnswer } from '../../contract/pages/place.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import { HOLD_DAYS } from './hold.ts';

const props = defineProps<{ place: PlaceAnswer }>();
const emit = defineEmits<{ saved: [] }>();
const open = ref(false);
const entry = reactive({ until: isoFromDay(props.place.property.today + HOLD_DAYS), reason: '' });
const { errors, problem, busy, submit } = useForm(holdPlace);
async function save(until: string | null): Promise<void> {
  if (!(await submit({ ...entry, until }, (form) => api('place.hold', { id: props.place.id, form })))) return;
  open.value = false;
  emit('saved');
}
</script>

<template>
  <p v-if="place.hold">
    {{ say('hold.until', { day: say.day(dayFromIso(place.hold.until)) })
    }}<template v-if="place.hold.reason">: {{ place.hold.reason }}</template
    >{{ ' ' }}
    <button type="button" class="plain link" @click="save(null)">{{ say('hold.lift') }}</button>
  </p>
  <button v-else type="button" class="plain link" @click="open = !open">{{ say('hold.put') }}</button>
  <form v-if="open && !place.hold" class="panel card stack tight" @submit.prevent="save(entry.until)">
    <VTextField v-model="entry.until" type="date" :label="say('hold.date')" :error-messages="errors.until" />
    <VTextField v-model="entry.reason" :label="say('hold.reason')" :error-messages="errors.reason" />
    <Notice class="small" :says="problem" />
    <VBtn type="submit" color="primary" :loading="busy">{{ say('hold.save') }}</VBtn>
  </form>
</template>
