<script setup lang="ts">
/** The upkeep day, the cooling season, and the calendar to take along. */
import { computed, reactive, ref } from 'vue';
import { changeSeasons, changeUpkeepDay, type PracticeAnswer } from '../../contract/due/practice.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import { useBoard } from './boardStore.ts';
import { UPKEEP_RULES } from './upkeepRules.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const board = useBoard();
const chosen = ref<string>(
  props.answer.upkeepDay === null
    ? 'none'
    : (Object.entries(UPKEEP_RULES).find(([, rule]) => rule === props.answer.upkeepDay!.rule)?.[0] ?? 'own'),
);
const own = ref(props.answer.upkeepDay?.rule ?? '');
const rule = computed(() => {
  if (chosen.value === 'none') return null;
  return chosen.value === 'own' ? own.value : UPKEEP_RULES[chosen.value as keyof typeof UPKEEP_RULES];
});
const day = useForm(changeUpkeepDay);
const seasons = reactive({ ...props.answer.seasons });
const season = useForm(changeSeasons);
const told = ref('');

const whole = { scope: 'organisation', subjectId: null } as const;
async function done(saved: boolean): Promise<void> {
  if (!saved) return;
  told.value = say('saved');
  emit('changed');
  await board.load();
}
const saveDay = async () =>
  done(await day.submit({ ...whole, rule: rule.value }, (form) => api('upkeepDay.change', { form })));
const saveSeasons = async () =>
  done(await season.submit({ ...whole, ...seasons }, (form) => api('seasons.change', { form })));
</script>

<template>
  <div class="stack airy">
    <section v-if="answer.beyond.length">
      <h2>{{ say('beyond.title', { count: answer.beyond.length }) }}</h2>
      <ul class="small">
        <li v-for="it in answer.beyond" :key="it.number">
          <RouterLink :to="`/line/${it.number}/working`">{{ it.point }}, {{ it.place }}</RouterLink> {{ it.says }}
        </li>
      </ul>
    </section>
    <p v-if="told" class="unseen" role="status">{{ told }}</p>
    <form class="stack close" @submit.prevent="saveDay">
      <h2>{{ say('calendar.upkeep') }}</h2>
      <p class="quiet lead">
        {{ say('calendar.upkeep.why') }}
        <b>{{ answer.upkeepDay ? say('calendar.now', { says: answer.upkeepDay.says }) : say('calendar.now.none') }}</b>
      </p>
      <div class="fields inline short">
        <VSelect
          v-model="chosen"
          :items="
            ['none', ...Object.keys(UPKEEP_RULES), 'own'].map((value) => ({
              value,
              title: say(`calendar.upkeep.${value}`),
            }))
          "
          :label="say('calendar.upkeep')"
          :error-messages="chosen === 'own' ? '' : day.errors.rule"
        />
        <VTextField
          v-if="chosen === 'own'"
          v-model="own"
          :label="say('calendar.rule')"
          placeholder="FREQ=MONTHLY;BYDAY=1SA"
          :error-messages="day.errors.rule"
        />
        <VBtn type="submit" color="primary" :loading="day.busy.value">{{ say('calendar.save') }}</VBtn>
      </div>
      <Notice :says="day.problem.value" />
    </form>
    <form class="stack close" @submit.prevent="saveSeasons">
      <h2>{{ say('calendar.seasons') }}</h2>
      <p class="quiet lead">{{ say('calendar.seasons.why') }}</p>
      <div class="fields inline short">
        <VTextField
          v-model.number="seasons.coolingMonth"
          type="number"
          min="1"
          max="12"
          :label="say('calendar.month')"
          :error-messages="season.errors.coolingMonth"
        />
        <VTextField
          v-model.number="seasons.coolingDate"
          type="number"
          min="1"
          max="28"
          :label="say('calendar.date')"
          :error-messages="season.errors.coolingDate"
        />
        <VTextField
          v-model.number="seasons.leadDays"
          type="number"
          min="0"
          :label="say('calendar.lead')"
          :error-messages="season.errors.leadDays"
        />
        <VTextField
          v-model.number="seasons.warmCelsius"
          type="number"
          step="0.5"
          :label="say('calendar.warm')"
          :error-messages="season.errors.warmCelsius"
        />
        <VBtn type="submit" color="primary" :loading="season.busy.value">{{ say('calendar.save') }}</VBtn>
      </div>
      <Notice :says="season.problem.value" />
    </form>
    <p>
      <a href="/api/calendar/organisation/all" download>{{ say('calendar.export') }}</a>
    </p>
  </div>
</template>
