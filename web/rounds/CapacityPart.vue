<script setup lang="ts">
/** Do the people suffice: hours that staff need under a practice, month by month, against the hours that they have. */
import { computed, ref } from 'vue';
import { DAYS_A_MONTH, dayFromIso } from '../../core/calendar/day.ts';
import { PRACTICES, type Practice } from '../../core/catalogue/practice.ts';
import { DOOR_MINUTES } from '../../core/rounds/instance.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { hearing } from '../api/progress.ts';
import LoadState from '../kit/LoadState.vue';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';

const MONTHS = 12;
const share = ref<number>();
const practice = ref<Practice>('steady');
const read = useLoading(async () => {
  const [preview, capacity] = await Promise.all([
    hearing(
      'preview',
      (done) => (share.value = done),
      () => api('practice.preview', { scope: 'organisation', id: 'all' }),
    ),
    api('capacity.read'),
  ]);
  practice.value = preview.now;
  return { preview, capacity };
});
const { value: answer, reload, loading } = read;
const hours = (of: number) => say('rounds.hours', { minutes: Math.round(of) * 60 });
const rows = computed(() => {
  if (!answer.value) return [];
  const { preview, capacity } = answer.value;
  const { burden } = preview.options.find((it) => it.practice === practice.value)!;
  const from = dayFromIso(capacity.from);
  return Array.from({ length: MONTHS }, (_, i) => {
    const { staffHours, doors } = burden.months[i]!;
    const needed = staffHours + (doors * DOOR_MINUTES) / 60;
    const each = capacity.people.map(({ hours: had }) => had[i]!);
    const had = each.reduce((sum, it) => sum + it, 0);
    return { day: say.day(from + Math.ceil(i * DAYS_A_MONTH)), needed, had, each, short: needed > had };
  });
});
const short = computed(() => rows.value.filter((it) => it.short).length);
</script>

<template>
  <section class="stack close">
    <h2>{{ say('rounds.capacity') }}</h2>
    <p class="quiet small">{{ say('rounds.capacity.how') }}</p>
    <p v-if="!answer" class="no-print">
      <VBtn variant="outlined" :loading="loading" @click="reload">{{ say('rounds.capacity.reckon') }}</VBtn>
    </p>
    <ProgressBar v-if="loading && share !== undefined" :done="share" :of="1" :label="say('rounds.capacity')" />
    <LoadState v-if="read.failure.value" :of="read" />
    <template v-if="answer">
      <div class="row middle">
        <VSelect
          v-model="practice"
          class="find"
          :items="PRACTICES.map((it) => ({ value: it, title: say(`practice.${it}`) }))"
          :label="say('rounds.capacity.practice')"
        />
        <p class="strong" :class="{ alarm: short }">{{ say('rounds.capacity.short', { months: short }) }}</p>
      </div>
      <div class="scroll">
        <table class="compared">
          <thead>
            <tr>
              <th scope="col">{{ say('rounds.capacity.month') }}</th>
              <th scope="col">{{ say('rounds.capacity.needed') }}</th>
              <th scope="col">{{ say('rounds.capacity.had') }}</th>
              <th v-for="person in answer.capacity.people" :key="person.id" scope="col">{{ person.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.day">
              <th scope="row">{{ row.day }}</th>
              <td :class="{ alarm: row.short }">
                <b>{{ hours(row.needed) }}</b>
              </td>
              <td>{{ hours(row.had) }}</td>
              <td v-for="(had, i) in row.each" :key="i" class="quiet">{{ hours(had) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>
