<script setup lang="ts">
/** Many homes put on hold until one day, with a way back. */
import { reactive, ref } from 'vue';
import { holdPlaces, MOST_HELD, type HeldPlaces } from '../../contract/register/register.ts';
import { isoFromDay } from '../../core/calendar/day.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useInParts } from '../api/inParts.ts';
import { useBoard } from '../due/boardStore.ts';
import LeftList from '../kit/LeftList.vue';
import Notice from '../kit/Notice.vue';
import PartsProgress from '../kit/PartsProgress.vue';
import { say } from '../language/say.ts';
import { HOLD_DAYS } from './hold.ts';

const props = defineProps<{ homes: readonly { readonly id: string; readonly name: string }[] }>();
const emit = defineEmits<{ held: [] }>();
const today = useBoard().answer?.properties[0]?.today;
const entry = reactive({ until: today === undefined ? '' : isoFromDay(today + HOLD_DAYS), reason: '' });
const { errors, problem, submit } = useForm(holdPlaces);
const sending = useInParts();
const { busy, failure, each, stop } = sending;
const result = ref<HeldPlaces | null>(null);
const back = ref<number | null>(null);

async function send(placeIds: string[], until: string | null): Promise<HeldPlaces> {
  let answer: HeldPlaces = { held: [], left: [] };
  const went = await submit({ placeIds, until, reason: entry.reason }, async (form) => {
    answer = await api('places.hold', { form, once: newId() });
  });
  // What is wrong with the first part is wrong with all of them.
  if (!went) stop();
  return answer;
}
async function hold(): Promise<void> {
  result.value = null;
  back.value = null;
  const sums = { held: [] as string[], left: [] as HeldPlaces['left'][number][] };
  const ids = props.homes.map(({ id }) => id);
  await each(ids, MOST_HELD, async (part) => {
    const answer = await send(part, entry.until);
    sums.held.push(...answer.held);
    sums.left.push(...answer.left);
  });
  if (sums.held.length + sums.left.length > 0) result.value = sums;
  emit('held');
}
async function lift(): Promise<void> {
  let lifted = 0;
  await each(result.value!.held, MOST_HELD, async (part) => {
    lifted += (await send(part, null)).held.length;
  });
  back.value = lifted;
  result.value = null;
  emit('held');
}
</script>

<template>
  <form class="stack close" @submit.prevent="hold">
    <div v-if="!result" class="fields inline short">
      <VTextField
        v-model="entry.until"
        type="date"
        density="compact"
        :label="say('hold.date')"
        :error-messages="errors.until"
      />
      <VTextField
        v-model="entry.reason"
        density="compact"
        :label="say('hold.reason')"
        :error-messages="errors.reason"
      />
    </div>
    <p v-if="!result" class="small quiet">{{ say('holdMany.why') }}</p>
    <Notice :says="problem || failure" />
    <Notice v-if="back !== null" done :says="say('holdMany.back', { count: back })" />
    <PartsProgress :of="sending" />
    <template v-if="result && !busy">
      <Notice done
        >{{ say('holdMany.held', { count: result.held.length }) }}
        <button v-if="result.held.length" type="button" class="plain link" @click="lift">
          {{ say('undo') }}
        </button></Notice
      >
      <LeftList
        :says="say('holdMany.left', { count: result.left.length })"
        :left="result.left.map(({ placeId, place, says }) => ({ to: `/homes/${placeId}`, what: place, says }))"
      />
    </template>
    <p v-else-if="!busy">
      <VBtn type="submit" color="primary" :disabled="homes.length === 0">{{
        say('holdMany.hold', { count: homes.length })
      }}</VBtn>
    </p>
  </form>
</template>
