<script setup lang="ts">
/** The baseline: weeks as bars of minutes, what is done and given in each, and giving a week. */
import { computed, onMounted, reactive, ref } from 'vue';
import { PART_KINDS } from '../../core/catalogue/types.ts';
import { BASELINE_WEEKS, claimDone, planBaseline, type BaselineWeek } from '../../contract/due/baseline.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import EmptyState from '../kit/EmptyState.vue';
import BaselineParts from './BaselineParts.vue';

const entry = reactive({ propertyId: null as string | null, weeks: BASELINE_WEEKS.usual as number, start: '' });
const baseline = useLoading(() =>
  api('baseline.read', {
    form: {
      propertyId: entry.propertyId,
      weeks: Number(entry.weeks) || BASELINE_WEEKS.usual,
      ...(entry.start && { start: entry.start }),
    },
  }),
);
const { value: answer, reload } = baseline;
const { errors, problem, busy, submit } = useForm(planBaseline);
const sending = useSending();
const told = ref('');
const refused = ref<readonly string[]>([]);
const open = ref<string | null>(null);
const planned = computed(() => answer.value?.planned ?? []);
const shown = computed(() =>
  planned.value.length && !replanning.value ? planned.value : (answer.value?.proposed ?? []),
);
const replanning = ref(false);
const most = computed(() => Math.max(1, ...shown.value.map(({ minutes }) => minutes)));
const behind = ({ week, done, points }: BaselineWeek) =>
  dayFromIso(week) + 7 <= dayFromIso(answer.value!.today) && done < points.length;
const width = (minutes: number) => `${Math.round((minutes / most.value) * 1000) / 10}%`;
const share = (it: BaselineWeek, state: string) =>
  width(it.points.filter((point) => point.state === state).reduce((sum, { minutes }) => sum + minutes, 0));

async function plan(): Promise<void> {
  let count = 0;
  const form = { ...entry, weeks: Number(entry.weeks), start: entry.start || answer.value!.today };
  if (
    !(await submit(form, async (it) => {
      ({ planned: count } = await api('baseline.plan', { form: it }));
    }))
  )
    return;
  replanning.value = false;
  told.value = say('baseline.kept', { count });
  await reload();
}
/** Whoever handed the homes over knows when something was last done. */
const claims = reactive({ kind: null as string | null, day: '' });
const claiming = useForm(claimDone);
async function claim(): Promise<void> {
  let count = 0;
  if (
    !(await claiming.submit({ ...claims, propertyId: entry.propertyId }, async (form) => {
      ({ claimed: count } = await api('lastDone.claim', { form }));
    }))
  )
    return;
  told.value = say('baseline.claimed', { count });
  await reload();
}
async function give(week: string, assigneeId: string | null, pointIds: string[] | null): Promise<void> {
  await sending.run(async () => {
    const gave = await api('baseline.give', { form: { week, propertyId: entry.propertyId, assigneeId, pointIds } });
    told.value = say('baseline.gave', { count: gave.jobs });
    refused.value = gave.refused;
  });
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame :title="say('baseline.title')" :of="baseline">
    <template #above
      ><RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink></template
    >
    <template #lead
      ><p class="quiet lead">{{ say('baseline.lead') }}</p></template
    >
    <Notice :says="sending.failure.value" />
    <Notice done :says="told" />
    <ul v-if="refused.length" class="caution small">
      <li v-for="it in refused" :key="it">{{ it }}</li>
    </ul>
    <template v-if="answer">
      <EmptyState
        v-if="answer.noRecord === 0 && planned.length === 0"
        :title="say('baseline.none')"
        :why="say('baseline.none.why')"
      />
      <template v-else>
        <p class="strong">{{ say('baseline.count', { count: answer.noRecord }) }}</p>
        <form class="fields inline short" @submit.prevent="plan">
          <VSelect
            v-model="entry.propertyId"
            :items="[
              { value: null, title: say('baseline.all') },
              ...answer.properties.map(({ id, name }) => ({ value: id, title: name })),
            ]"
            :label="say('baseline.property')"
            hide-details
            density="compact"
            @update:model-value="reload()"
          />
          <template v-if="planned.length === 0 || replanning">
            <VTextField
              v-model.number="entry.weeks"
              type="number"
              :min="BASELINE_WEEKS.least"
              :max="BASELINE_WEEKS.most"
              :label="say('baseline.weeks')"
              density="compact"
              :error-messages="errors.weeks"
              @change="reload()"
            />
            <VTextField
              v-model="entry.start"
              type="date"
              :label="say('baseline.start')"
              density="compact"
              :error-messages="errors.start"
              @change="reload()"
            />
            <VBtn type="submit" color="primary" :loading="busy">{{ say('baseline.plan') }}</VBtn>
          </template>
          <button v-else type="button" class="plain link" @click="replanning = true">
            {{ say('baseline.replan') }}
          </button>
        </form>
        <Notice :says="problem" />
        <details class="claim">
          <summary>{{ say('baseline.claim') }}</summary>
          <form class="fields inline short" @submit.prevent="claim">
            <VSelect
              v-model="claims.kind"
              :items="[
                { value: null, title: say('baseline.claim.all') },
                ...PART_KINDS.map((value) => ({ value, title: say(`kind.${value}`) })),
              ]"
              :label="say('baseline.claim.kind')"
              hide-details
              density="compact"
            />
            <VTextField
              v-model="claims.day"
              type="date"
              :label="say('baseline.claim.day')"
              density="compact"
              :error-messages="claiming.errors.day"
            />
            <VBtn type="submit" variant="outlined" :loading="claiming.busy.value">{{
              say('baseline.claim.save')
            }}</VBtn>
          </form>
          <Notice :says="claiming.problem.value" />
          <p class="small quiet">{{ say('baseline.claim.why') }}</p>
        </details>
        <h2>{{ say(planned.length && !replanning ? 'baseline.planned' : 'baseline.proposed') }}</h2>
        <ol class="weeks ruled">
          <li v-for="it in shown" :key="it.week">
            <div class="week">
              <span class="stack tight" :class="{ alarm: behind(it) }"
                ><b>{{ say('baseline.week', { day: say.shortDay(dayFromIso(it.week)) }) }}</b
                ><small v-if="behind(it)">{{ say('baseline.past') }}</small></span
              >
              <span class="bar" aria-hidden="true"
                ><i class="done" :style="{ width: share(it, 'done') }" /><i
                  class="given"
                  :style="{ width: share(it, 'given') }" /><i class="open" :style="{ width: share(it, 'open') }"
              /></span>
              <span class="figures small"
                >{{ say('baseline.parts', { count: it.points.length }) }} ·
                {{ say('baseline.hours', { hours: Math.round(it.minutes / 6) / 10 }) }} ·
                {{ say('baseline.doors', { count: it.doors })
                }}<template v-if="planned.length && !replanning">
                  · {{ say('baseline.progress', { done: it.done, of: it.points.length })
                  }}{{ say('baseline.givenCount', { count: it.given }) }}</template
                ></span
              >
              <button
                type="button"
                class="plain link small"
                :aria-expanded="open === it.week"
                @click="open = open === it.week ? null : it.week"
              >
                {{ say('baseline.more') }}
              </button>
            </div>
            <BaselineParts
              v-if="open === it.week"
              :week="it"
              :assignees="answer.assignees"
              :kept="planned.length > 0 && !replanning"
              :busy="sending.busy.value"
              @give="(assigneeId, pointIds) => give(it.week, assigneeId, pointIds)"
            />
          </li>
        </ol>
        <p class="small quiet">{{ say('baseline.minutesNote') }}</p>
      </template>
    </template>
  </PageFrame>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: 150px minmax(100px, 1fr) 330px 90px;
  gap: 14px;
  align-items: center;
}
.bar {
  display: flex;
  height: 14px;
}
.bar i {
  display: block;
  height: 100%;
}
.done {
  background: var(--dew);
}
.given {
  background: repeating-linear-gradient(90deg, var(--dew) 0 3px, transparent 3px 6px);
  outline: 1px solid var(--dew);
  outline-offset: -1px;
}
.open {
  border: 1.5px solid var(--edge);
}
@media (max-width: 860px) {
  .week {
    grid-template-columns: 1fr auto;
  }
  .bar {
    grid-column: 1 / -1;
  }
}
</style>
