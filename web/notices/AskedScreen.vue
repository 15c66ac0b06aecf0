<script setup lang="ts">
/** Who is to be reminded: tenants with what they were asked for and have not sent, the most pressing first. */
import { computed, nextTick, onMounted, ref } from 'vue';
import type { AskedPerson, OpenAsking } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import EmptyState from '../kit/EmptyState.vue';
import { useKeys } from '../kit/keys.ts';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import AheadList from './AheadList.vue';
import ContractList from './ContractList.vue';
import VisitList from './VisitList.vue';
import MessageList from './MessageList.vue';

const SHOWN = 50;
const askings = useLoading(() => api('askings.list'));
const visits = useLoading(() => api('visits.list', { form: { placeId: null } }));
/** Another time was asked for, they were not told in time, or whoever was to come is gone. */
const questions = computed(
  () =>
    visits.value.value?.visits.filter(
      (it) => it.state === 'announced' && it.day >= it.today && (it.answer === 'another' || !it.lawful || it.gone),
    ) ?? [],
);
const shows = ref<'all' | 'late' | 'unreached'>('all');
const most = ref(SHOWN);
const at = ref(0);
const done = ref('');
const { failure, busy, run } = useSending();

const all = computed(() => askings.value.value?.people ?? []);
const isLate = ({ askings: [first], today }: AskedPerson) => first!.doBy < today;
const isUnreached = ({ unreached, askings: of }: AskedPerson) =>
  unreached !== null ||
  of.some(({ messages }) => messages.some(({ state }) => state === 'failed' || state === 'unsure'));
const counts = computed(() => ({
  people: all.value.length,
  jobs: all.value.reduce((sum, it) => sum + it.askings.reduce((of, { machines }) => of + machines.length, 0), 0),
  late: all.value.filter(isLate).length,
  unreached: all.value.filter(isUnreached).length,
}));
const people = computed(() => {
  if (shows.value === 'late') return all.value.filter(isLate);
  return shows.value === 'unreached' ? all.value.filter(isUnreached) : all.value;
});
const listed = computed(() => people.value.slice(0, most.value));

/** How much time is left until the do-by day, in words. */
const left = ({ today }: AskedPerson, { doBy }: OpenAsking) =>
  say('asked.left', { days: Math.abs(doBy - today), past: String(doBy < today) });
const days = ({ today }: AskedPerson, it: OpenAsking) =>
  say('asked.days', {
    given: say.shortDay(it.given),
    age: today - it.given,
    told: it.told === null ? 'none' : say.shortDay(it.told),
    doBy: say.shortDay(it.doBy),
    passes: it.passes === null ? 'none' : say.shortDay(it.passes),
  });

async function act(name: 'asking.remind' | 'asking.said', person: AskedPerson): Promise<void> {
  done.value = '';
  const sent = await run(async () => {
    if (name === 'asking.remind') await api(name, { id: person.id });
    else await api(name, { id: person.id, form: { note: '' } });
  });
  if (!sent) return;
  await askings.reload();
  done.value = say(name === 'asking.remind' ? 'asked.reminded' : 'asked.said', { name: person.name });
}
const remind = (person: AskedPerson) => act('asking.remind', person);
const reminds = ({ remindedToday }: AskedPerson) => say(remindedToday ? 'asked.remindedToday' : 'asked.remind');
const mayRemind = ({ unreached, remindedToday }: AskedPerson) => unreached === null && !remindedToday;

async function go(step: number): Promise<void> {
  at.value = Math.min(Math.max(at.value + step, 0), listed.value.length - 1);
  await nextTick();
  document.getElementById(`asked-${at.value}`)?.focus();
}
useKeys({
  ArrowDown: () => go(1),
  ArrowUp: () => go(-1),
  r: () => {
    const person = listed.value[at.value];
    return person && mayRemind(person) && !busy.value ? remind(person) : false;
  },
});
onMounted(() => Promise.all([askings.reload(), visits.reload()]));
</script>

<template>
  <PageFrame :title="say('asked.title')" :of="askings">
    <template #lead
      ><p v-if="all.length" class="quiet">{{ say('asked.head', counts) }}</p></template
    >
    <section v-if="questions.length && visits.value.value" class="stack close">
      <h2>{{ say('asked.visits') }}</h2>
      <VisitList :visits="questions" :answer="visits.value.value" manages with-place @changed="visits.reload" />
    </section>
    <ContractList />
    <EmptyState v-if="askings.value.value && !all.length" :title="say('asked.none')" :why="say('asked.none.why')" />
    <template v-if="all.length">
      <div class="no-print">
        <ChoiceList
          v-model="shows"
          look="chips"
          :legend="say('asked.show')"
          :choices="
            (['all', 'late', 'unreached'] as const).map((value) => ({ value, says: say(`asked.show.${value}`) }))
          "
        />
      </div>
      <Notice :says="failure" />
      <Notice done :says="done" />
      <p v-if="!people.length" class="quiet">{{ say('asked.show.none') }}</p>
      <ol class="ruled" :aria-label="say('asked.title')">
        <li
          v-for="(person, i) in listed"
          :id="`asked-${i}`"
          :key="person.id"
          tabindex="-1"
          class="stack tight"
          @focusin="at = i"
        >
          <div class="row apart">
            <span
              ><b>{{ person.name }}</b
              >{{ ' ' }}<RouterLink :to="`/homes/${person.placeId}`">{{ person.place }}</RouterLink></span
            >
            <span class="row close no-print">
              <VBtn
                v-if="person.unreached === null"
                size="small"
                :variant="i === at ? 'flat' : 'outlined'"
                :color="i === at ? 'primary' : undefined"
                :disabled="person.remindedToday"
                :aria-label="`${reminds(person)}: ${person.name}`"
                @click="remind(person)"
                >{{ reminds(person) }}</VBtn
              >
              <button
                type="button"
                class="plain link small"
                :aria-label="`${say('asked.say')}: ${person.name}`"
                @click="act('asking.said', person)"
              >
                {{ say('asked.say') }}
              </button>
            </span>
          </div>
          <p v-if="person.unreached" class="small alarm">{{ person.unreached }}</p>
          <div v-for="it in person.askings" :key="it.id" class="stack tight small">
            <p>
              <b :class="{ alarm: it.doBy < person.today }">{{ left(person, it) }}</b><template v-if="it.safetyCritical"
                >{{ ' ' }}<b>{{ say('asked.safety') }}</b></template
              >
              <template v-for="machine in it.machines" :key="machine.jobId"
                ><br />{{ machine.says
                }}<span v-if="machine.begun" class="quiet">{{ ' ' }}{{ say('asked.begun') }}</span></template
              >
            </p>
            <p class="quiet">{{ days(person, it) }}</p>
            <MessageList v-if="it.messages.length" :messages="it.messages" />
          </div>
        </li>
      </ol>
      <button v-if="people.length > most" type="button" class="plain link" @click="most += SHOWN">
        {{ say('more', { count: people.length - most }) }}
      </button>
    </template>
    <AheadList />
  </PageFrame>
</template>
