<script setup lang="ts">
/** The month's list of a home: on which day, and whose it is. */
import { onMounted, reactive, ref, watch } from 'vue';
import { changeMonthList } from '../../contract/jobs/monthList.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { UPKEEP_RULES } from '../due/upkeepRules.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ placeId: string; manages: boolean }>();
const { value: list, reload } = useLoading(() => api('monthList.read', { id: props.placeId }));
const DAYS = { saturday: UPKEEP_RULES.first, monday: UPKEEP_RULES.monday, friday: UPKEEP_RULES.last } as const;
const entry = reactive({ rule: null as string | null, personId: null as string | null });
const { errors, problem, busy, submit } = useForm(changeMonthList);
const saved = ref(false);
watch(list, (it) => {
  if (it) Object.assign(entry, { rule: it.rule, personId: it.personId });
});
async function save(): Promise<void> {
  saved.value = await submit({ ...entry }, (form) => api('monthList.change', { id: props.placeId, form }));
  if (saved.value) await reload();
}
onMounted(reload);
</script>

<template>
  <section v-if="list" class="stack close">
    <h2>{{ say('monthList.title') }}</h2>
    <p v-if="list.day" class="small">
      <RouterLink :to="`/homes/${placeId}/list`">{{
        say(list.given ? 'monthList.open' : 'monthList.next', { day: say.day(dayFromIso(list.day)) })
      }}</RouterLink>
    </p>
    <p v-else class="quiet small">{{ say('monthList.why') }}</p>
    <form v-if="manages" class="fields no-print" @submit.prevent="save">
      <VSelect
        v-model="entry.rule"
        :items="[
          { value: null, title: say('monthList.never') },
          ...Object.entries(DAYS).map(([key, value]) => ({
            value,
            title: say(`monthList.day.${key as keyof typeof DAYS}`),
          })),
          ...(list.rule && !Object.values<string>(DAYS).includes(list.rule)
            ? [{ value: list.rule, title: list.says }]
            : []),
        ]"
        :label="say('monthList.on')"
        :error-messages="errors.rule"
      />
      <VSelect
        v-model="entry.personId"
        :items="[
          { value: null, title: say('monthList.tenant') },
          ...list.people.map(({ id, name }) => ({ value: id, title: name })),
        ]"
        :label="say('monthList.whose')"
        :disabled="entry.rule === null"
        :error-messages="errors.personId"
      />
      <Notice :says="problem" />
      <p class="whole">
        <VBtn type="submit" variant="outlined" size="small" :loading="busy">{{ say('monthList.save') }}</VBtn>{{ ' ' }}
        <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
      </p>
    </form>
  </section>
</template>
