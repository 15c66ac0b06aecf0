<script setup lang="ts">
/** What an empty home wants before somebody moves in, machine by machine; given with one press, or printed. */
import { computed, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api, newId } from '../api/api.ts';
import { paperUrl } from '../api/paper.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import { say } from '../language/say.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ id: string }>();
const turnover = useLoading(() => api('place.turnover', { id: props.id }));
const { value: answer, reload } = turnover;
const who = ref('');
const given = ref(false);
const { failure: problem, busy, run } = useSending();
const machines = computed(() => answer.value?.machines.filter(({ tasks }) => tasks.length > 0) ?? []);
const count = computed(() => machines.value.reduce((sum, { tasks }) => sum + tasks.length, 0));
const open = computed(() =>
  machines.value
    .map(({ tasks }) =>
      tasks.filter(({ todo, taken }) => todo === 'serve' && taken === null).map(({ pointId }) => pointId),
    )
    .filter((ids) => ids.length > 0),
);

async function give(): Promise<void> {
  // A sitting a machine: isolated once.
  given.value = await run(async () => {
    for (const pointIds of open.value) {
      const id = newId();
      await api('jobs.give', { form: { id, pointIds, assigneeId: who.value }, once: id });
    }
  });
  await reload();
}
/** What became of the home while they lived there, on paper. */
const endOf = (tenancyId: string) => paperUrl('history.paper', { scope: 'place', id: props.id }, { tenancyId });
const print = () => window.print();
onMounted(reload);
</script>

<template>
  <PageFrame width="text" :title="answer ? say('turnover.title') : ''" :of="turnover">
    <template v-if="answer" #above
      ><RouterLink :to="`/homes/${answer.place.id}`">{{ answer.place.name }}</RouterLink
      >, {{ answer.place.property }}</template
    >
    <template v-if="answer">
      <div class="stack tight">
        <p class="strong">{{ say('turnover.lead', { count, minutes: answer.minutes }) }}</p>
        <p v-if="answer.tenancy?.to" class="quiet">
          {{ say('turnover.ended', { name: answer.tenancy.name, day: say.day(dayFromIso(answer.tenancy.to)) }) }}
          <a :href="endOf(answer.tenancy.id)" target="_blank">{{ say('turnover.pdf') }}</a>
        </p>
        <p v-if="answer.hold" class="quiet">
          {{ say('hold.until', { day: say.day(dayFromIso(answer.hold.until)) })
          }}<template v-if="answer.hold.reason">: {{ answer.hold.reason }}</template>
        </p>
      </div>
      <p v-if="count === 0" class="quiet">{{ say('turnover.nothing') }}</p>
      <form v-if="open.length" class="fields inline short no-print" @submit.prevent="give">
        <VSelect
          v-model="who"
          :items="answer.assignees.map(({ id: value, name: title }) => ({ value, title }))"
          :label="say('turnover.give')"
          hide-details
          density="compact"
        />
        <VBtn type="submit" color="primary" :disabled="!who" :loading="busy">{{ say('turnover.giveNow') }}</VBtn>
      </form>
      <p v-if="given && !problem" role="status" class="dew">{{ say('turnover.given') }}</p>
      <Notice :says="problem" />
      <section v-for="machine in machines" :key="machine.id" class="stack tight">
        <h2 class="heavy">{{ machine.name }}</h2>
        <ul class="ruled tight ink-link">
          <li v-for="task in machine.tasks" :key="task.pointId">
            <i class="box" aria-hidden="true" /><span class="todo strong" :class="task.todo">{{
              say(`turnover.todo.${task.todo}`)
            }}</span>
            <RouterLink :to="task.todo === 'look' ? `/look/${task.number}` : `/line/${task.number}`"
              ><KindGlyph :kind="task.kind" /> {{ task.name }}</RouterLink
            >
            <span class="quiet small">{{ task.says }}</span><span class="small">{{
              task.taken ?? say('job.minutes', { minutes: task.minutes })
            }}</span>
          </li>
        </ul>
        <p v-if="machine.habits.length" class="small quiet">
          {{ say('turnover.habits', { list: machine.habits.join('; ') }) }}
        </p>
      </section>
      <p v-if="!answer.tenancy" class="quiet">{{ say('turnover.next') }}</p>
      <p class="no-print">
        <button type="button" class="plain link" @click="print">{{ say('turnover.print') }}</button>
      </p>
    </template>
  </PageFrame>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 16px 60px minmax(150px, 1fr) minmax(110px, auto) 110px;
  gap: 10px;
  align-items: center;
}
.box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--edge);
  border-radius: 3px;
}
.todo.look {
  color: var(--ink-2);
  font-weight: 460;
}
@media (max-width: 720px) {
  li {
    grid-template-columns: 16px 54px 1fr;
  }
}
</style>
