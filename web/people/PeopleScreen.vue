<script setup lang="ts">
/** Who works here: found, added, invited, changed, let go and taken back; former ones apart. */
import { computed, onMounted, ref } from 'vue';
import type { Person } from '../../contract/people/people.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { api, opensHereOnly, publicAddress } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { keepInAddress, textChoice } from '../kit/inAddress.ts';
import { say } from '../language/say.ts';
import DutyPart from '../notices/DutyPart.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import { useDesk } from './deskStore.ts';
import PersonForm from './PersonForm.vue';

const desk = useDesk();
const people = useLoading(() => api('people.read'));
const { value: answer, reload } = people;
const find = ref('');
keepInAddress({ find: textChoice(find, '') });
/** Whose form is open; `new` for somebody new. */
const editing = ref<string | null>(null);
const acting = useSending();
/** Told once. */
const link = ref<{ name: string; address: string } | null>(null);
/** Jobs of somebody who was just limited, in homes that they do not look after any more. */
const elsewhere = ref<{ id: string; jobs: number } | null>(null);
/** Who was just let go, while it can be taken back by one press. */
const gone = ref<Person | null>(null);

const PAGE = 50;
const shown = ref(PAGE);
const found = computed(() => {
  const wanted = find.value.trim().toLowerCase();
  const office = (answer.value?.people ?? []).filter(({ roles }) =>
    roles.some((role) => role === 'manager' || role === 'staff'),
  );
  return office.filter(({ name, email }) => `${name} ${email ?? ''}`.toLowerCase().includes(wanted));
});
const here = computed(() => found.value.filter(({ disabledAt }) => disabledAt === null));
const former = computed(() => found.value.filter(({ disabledAt }) => disabledAt !== null));
const others = computed(() => (answer.value?.people.length ?? 0) - found.value.length);
const says = (it: Person) =>
  [
    it.roles.map((role) => say(`people.role.${role}`)).join(', '),
    it.email ?? '',
    it.properties ? say('people.looksAfter', { names: say.list(it.properties.map(({ name }) => name)) || 'none' }) : '',
    say('people.jobs', { count: it.openJobs }),
    it.onTime
      ? say('people.onTime', { on: it.onTime.on, of: it.onTime.of, low: it.onTime.low, high: it.onTime.high })
      : '',
    it.rehearsed ? say('people.rehearsed', { count: it.rehearsed }) : '',
    it.secondFactor ? say('people.factor') : '',
    it.opened || it.disabledAt !== null ? '' : say('people.notYet'),
    it.disabledAt === null ? '' : say('people.gone', { day: say.day(Math.floor(it.disabledAt / MS_PER_DAY)) }),
  ]
    .filter(Boolean)
    .join(' · ');

async function saved(id: string, fresh: boolean, jobs: number): Promise<void> {
  editing.value = null;
  elsewhere.value = jobs > 0 ? { id, jobs } : null;
  await reload();
  const person = answer.value?.people.find((it) => it.id === id);
  if (fresh && person) await invite(person);
}
async function act(work: () => Promise<unknown>): Promise<boolean> {
  link.value = null;
  const done = await acting.run(async () => void (await work()));
  await reload();
  return done;
}
async function invite(person: Person): Promise<void> {
  await act(async () => {
    const { path } = await api('people.link', { id: person.id });
    link.value = { name: person.name, address: `${publicAddress()}${path}` };
  });
}
async function letGo(person: Person): Promise<void> {
  if (await act(() => api('people.disable', { id: person.id }))) gone.value = person;
}
async function takeBack({ id }: Person): Promise<void> {
  gone.value = null;
  await act(() => api('people.restore', { id }));
}
const factorOff = (person: Person) => act(() => api('people.secondFactorOff', { id: person.id }));
onMounted(reload);
</script>

<template>
  <PageFrame width="text" :title="say('people.title')" :of="people">
    <template #actions
      ><VBtn color="primary" @click="editing = 'new'">{{ say('people.add') }}</VBtn></template
    >
    <PersonForm
      v-if="editing === 'new'"
      :properties="answer?.properties ?? []"
      @saved="saved"
      @cancelled="editing = null"
    />
    <Notice v-if="link" done
      >{{ say('people.link', { name: link.name }) }} <code class="break">{{ link.address }}</code>
      <span v-if="opensHereOnly(link.address)" class="quiet small">{{ say('address.here') }}</span></Notice
    >
    <Notice v-if="gone" done
      >{{ say('people.isGone', { name: gone.name, jobs: gone.openJobs }) }}
      <button type="button" class="plain link" @click="takeBack(gone)">{{ say('undo') }}</button></Notice
    >
    <Notice :says="acting.failure.value" />
    <template v-if="answer">
      <VTextField v-model="find" class="find" density="compact" hide-details clearable :label="say('people.find')" />
      <ul class="ruled" :aria-label="say('people.title')">
        <li v-for="person in here.slice(0, shown)" :key="person.id" class="stack tight">
          <div class="row apart">
            <span class="strong">{{ person.name }}</span>
            <span class="row close small">
              <button type="button" class="plain link" @click="editing = person.id">{{ say('change') }}</button>
              <button type="button" class="plain link" @click="invite(person)">
                {{ say(person.opened ? 'people.newPassword' : 'people.inviteAgain') }}
              </button>
              <button v-if="person.secondFactor" type="button" class="plain link" @click="factorOff(person)">
                {{ say('people.factorOff') }}
              </button>
              <button v-if="person.id !== desk.me?.id" type="button" class="plain link" @click="letGo(person)">
                {{ say('people.letGo') }}
              </button>
            </span>
          </div>
          <span class="quiet small">{{ says(person) }}</span>
          <Notice v-if="elsewhere?.id === person.id" :says="say('people.elsewhere', { jobs: elsewhere.jobs })" />
          <PersonForm
            v-if="editing === person.id"
            :person="person"
            :properties="answer.properties"
            @saved="saved"
            @cancelled="editing = null"
          />
        </li>
      </ul>
      <p v-if="find && !found.length" class="quiet">{{ say('people.none', { find }) }}</p>
      <button v-if="here.length > shown" type="button" class="plain link" @click="shown += PAGE">
        {{ say('more', { count: here.length - shown }) }}
      </button>
      <details v-if="former.length">
        <summary>{{ say('people.former', { count: former.length }) }}</summary>
        <ul class="ruled">
          <li v-for="person in former" :key="person.id" class="row apart">
            <span
              >{{ person.name }} <span class="quiet small">{{ says(person) }}</span></span
            >
            <button type="button" class="plain link small" @click="takeBack(person)">
              {{ say('people.takeBack') }}
            </button>
          </li>
        </ul>
      </details>
      <p class="quiet small">{{ say('people.others', { count: others }) }} {{ say('people.tenantWhy') }}</p>
    </template>
    <DutyPart />
  </PageFrame>
</template>
