<script setup lang="ts">
/** When somebody of the office works, where they set out from, and their days off. */
import { onMounted, reactive, ref, watch } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { NamedProperty } from '../../contract/people/people.ts';
import { dayOff, workingTime } from '../../contract/rounds/rounds.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { useSending } from '../api/sending.ts';
import BusyPart from './BusyPart.vue';
import WeekdayPicker from '../kit/WeekdayPicker.vue';

const props = defineProps<{ personId: string; properties: readonly NamedProperty[] }>();
const read = useLoading(() => api('person.workingTime', { id: props.personId }));
const { value: known, reload } = read;
const entry = reactive({ workDays: [] as number[], basePropertyId: null as string | null });
const off = reactive({ from: '', to: '', why: '' });
const saved = ref(false);
const [times, offs, removing] = [useForm(workingTime), useForm(dayOff), useSending()];
watch(known, (it) => {
  if (it) Object.assign(entry, { workDays: [...it.workDays], basePropertyId: it.basePropertyId });
});
async function save(): Promise<void> {
  saved.value = await times.submit(entry, (form) => api('person.workingTimeChange', { id: props.personId, form }));
}
async function add(): Promise<void> {
  const id = newId();
  const form = { ...off, to: off.to || off.from, id };
  if (!(await offs.submit(form, (it) => api('person.dayOff', { id: props.personId, form: it, once: id })))) return;
  Object.assign(off, { from: '', to: '', why: '' });
  await reload();
}
async function remove(id: string): Promise<void> {
  await removing.run(async () => {
    await api('dayOff.remove', { id });
  });
  await reload();
}
const span = ({ from, to }: { from: string; to: string }) =>
  from === to
    ? say.day(dayFromIso(from))
    : say('rounds.off.span', { from: say.day(dayFromIso(from)), to: say.day(dayFromIso(to)) });
onMounted(reload);
</script>

<template>
  <section class="stack close">
    <h3>{{ say('rounds.time') }}</h3>
    <LoadState v-if="!known" :of="read" />
    <template v-else>
      <form class="fields" @submit.prevent="save">
        <WeekdayPicker v-model="entry.workDays" class="whole" :label="say('rounds.time.days')" />
        <VSelect
          v-model="entry.basePropertyId"
          :items="[
            { value: null, title: say('rounds.time.noBase') },
            ...properties.map((it) => ({ value: it.id, title: it.name })),
          ]"
          :label="say('rounds.time.base')"
          :error-messages="times.errors.basePropertyId"
        />
        <Notice :says="times.problem.value" />
        <p class="whole">
          <VBtn type="submit" variant="outlined" size="small" :loading="times.busy.value">{{
            say('rounds.time.save')
          }}</VBtn>{{ ' ' }}
          <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
        </p>
      </form>
      <h3>{{ say('rounds.off') }}</h3>
      <p v-if="!known.daysOff.length" class="quiet small">{{ say('rounds.off.none') }}</p>
      <ul v-else class="ruled tight small">
        <li v-for="it in known.daysOff" :key="it.id" class="row apart">
          <span
            >{{ span(it) }} <span class="quiet">{{ it.why }}</span></span
          >
          <VBtn
            size="small"
            variant="text"
            :aria-label="`${say('rounds.off.remove')}: ${span(it)}`"
            @click="remove(it.id)"
            >{{ say('rounds.off.remove') }}</VBtn
          >
        </li>
      </ul>
      <form class="fields" @submit.prevent="add">
        <VTextField v-model="off.from" type="date" :label="say('rounds.off.from')" :error-messages="offs.errors.from" />
        <VTextField v-model="off.to" type="date" :label="say('rounds.off.to')" :error-messages="offs.errors.to" />
        <VTextField v-model="off.why" maxlength="80" :label="say('rounds.off.why')" />
        <Notice :says="offs.problem.value" />
        <p class="whole">
          <VBtn type="submit" variant="outlined" size="small" :loading="offs.busy.value">{{
            say('rounds.off.add')
          }}</VBtn>
        </p>
      </form>
      <BusyPart :person-id="personId" />
    </template>
  </section>
</template>
