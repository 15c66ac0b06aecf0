<script setup lang="ts">
/** Who works here: found, added, invited, changed, let go and taken back; former ones apart. */
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import {
  PEOPLE_KINDS,
  PEOPLE_ORDERS,
  type FindPeople,
  type PeopleKind,
  type Person,
} from '../../contract/people/people.ts';
import { dayFromIso, MS_PER_DAY } from '../../core/calendar/day.ts';
import { api, opensHereOnly, publicAddress } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import { keepInAddress, oneChoice, textChoice } from '../kit/inAddress.ts';
import { say } from '../language/say.ts';
import AskingRulePart from '../notices/AskingRulePart.vue';
import DutyPart from '../notices/DutyPart.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import { useDesk } from './deskStore.ts';
import PersonForm from './PersonForm.vue';
import WorkingTimeForm from './WorkingTimeForm.vue';

const desk = useDesk();
const find = ref('');
const kind = ref<PeopleKind>('office');
const order = ref<FindPeople['order']>('name');
keepInAddress({
  kind: oneChoice(kind, PEOPLE_KINDS),
  find: textChoice(find, ''),
  order: oneChoice(order, PEOPLE_ORDERS),
});
const asked = (skip: number) => ({ kind: kind.value, find: find.value?.trim() ?? '', order: order.value, skip });
const people = useLoading(() => api('people.read', { form: asked(0) }));
const { value: answer } = people;
/** Pages after the first, as far as they were asked for. */
const more = ref<Person[]>([]);
const listed = computed(() => [...(answer.value?.people ?? []), ...more.value]);
async function reload(): Promise<void> {
  more.value = [];
  await people.reload();
}
async function next(): Promise<void> {
  await acting.run(async () => {
    const page = await api('people.read', { form: asked(listed.value.length) });
    more.value = [...more.value, ...page.people];
  });
}
let typing: ReturnType<typeof setTimeout> | undefined;
watch([find, kind, order], ([wanted], [before]) => {
  clearTimeout(typing);
  typing = setTimeout(reload, wanted === before ? 0 : 250);
});
onBeforeUnmount(() => clearTimeout(typing));
const kinds = computed(() =>
  PEOPLE_KINDS.map((value) => ({
    value,
    says: say(`people.kind.${value}`, { count: answer.value?.counts[value] ?? 0 }),
  })),
);
const orders = PEOPLE_ORDERS.map((value) => ({ value, title: say(`people.order.${value}`) }));
const isOffice = ({ roles }: Person) => roles.some((role) => role === 'manager' || role === 'staff');
/** Whose form is open; `new` for somebody new. */
const editing = ref<string | null>(null);
const acting = useSending();
/** Told once. */
const link = ref<{ name: string; address: string } | null>(null);
/** Jobs of somebody who was just limited, in homes that they do not look after any more. */
const elsewhere = ref<{ id: string; jobs: number } | null>(null);
/** Who was just let go, while it can be taken back by one press. */
const gone = ref<Person | null>(null);

const says = (it: Person) =>
  [
    it.roles.map((role) => say(`people.role.${role}`)).join(', '),
    it.email ?? '',
    isOffice(it) && it.level === 'licensed' ? say('people.level.licensed') : '',
    it.properties ? say('people.looksAfter', { names: say.list(it.properties.map(({ name }) => name)) || 'none' }) : '',
    say('people.jobs', { count: it.openJobs }),
    isOffice(it) && (it.openMinutes > 0 || it.hoursAWeek !== null)
      ? say('people.load', { minutes: it.openMinutes, hours: it.hoursAWeek ?? 'none' })
      : '',
    it.onTime
      ? say('people.onTime', { on: it.onTime.on, of: it.onTime.of, low: it.onTime.low, high: it.onTime.high })
      : '',
    it.rehearsed ? say('people.rehearsed', { count: it.rehearsed }) : '',
    it.secondFactor ? say('people.factor') : '',
    it.opened || it.disabledAt !== null || !isOffice(it) ? '' : say('people.notYet'),
    it.disabledAt === null ? '' : say('people.gone', { day: say.day(Math.floor(it.disabledAt / MS_PER_DAY)) }),
  ]
    .filter(Boolean)
    .join(' · ');

async function saved(who: { id: string; name: string }, fresh: boolean, jobs: number): Promise<void> {
  editing.value = null;
  elsewhere.value = jobs > 0 ? { id: who.id, jobs } : null;
  await reload();
  if (fresh) await invite(who);
}
async function act(work: () => Promise<unknown>): Promise<boolean> {
  link.value = null;
  const done = await acting.run(async () => void (await work()));
  await reload();
  return done;
}
async function invite(person: { id: string; name: string }): Promise<void> {
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
      <ChoiceList v-model="kind" look="chips" hide-legend :legend="say('people.title')" :choices="kinds" />
      <div class="fields inline no-print">
        <VTextField v-model="find" density="compact" hide-details clearable :label="say('people.find')" />
        <VSelect v-model="order" density="compact" hide-details :items="orders" :label="say('people.order')" />
      </div>
      <ul class="ruled" :aria-label="say('people.title')">
        <li v-for="person in listed" :key="person.id" class="stack tight">
          <div class="row apart">
            <span class="strong">{{ person.name }}</span>
            <span class="row close small no-print">
              <template v-if="isOffice(person) && person.disabledAt === null">
                <button type="button" class="plain link" @click="editing = person.id">
                  {{ say('change') }}<span class="unseen">: {{ person.name }}</span>
                </button>
                <button type="button" class="plain link" @click="invite(person)">
                  {{ say(person.opened ? 'people.newPassword' : 'people.inviteAgain')
                  }}<span class="unseen">: {{ person.name }}</span>
                </button>
                <button v-if="person.secondFactor" type="button" class="plain link" @click="factorOff(person)">
                  {{ say('people.factorOff') }}<span class="unseen">: {{ person.name }}</span>
                </button>
                <button v-if="person.id !== desk.me?.id" type="button" class="plain link" @click="letGo(person)">
                  {{ say('people.letGo') }}<span class="unseen">: {{ person.name }}</span>
                </button>
              </template>
              <button v-else-if="isOffice(person)" type="button" class="plain link" @click="takeBack(person)">
                {{ say('people.takeBack') }}<span class="unseen">: {{ person.name }}</span>
              </button>
            </span>
          </div>
          <span class="quiet small">{{ says(person) }}</span>
          <span v-for="home in person.homes" :key="`${home.id} ${home.from}`" class="small">
            <RouterLink :to="`/homes/${home.id}`">{{ home.name }}, {{ home.property }}</RouterLink
            >{{ ' ' }}
            <span class="quiet">{{
              say(home.to ? 'people.home.until' : 'people.home.since', {
                from: say.day(dayFromIso(home.from)),
                to: home.to ? say.day(dayFromIso(home.to)) : '',
              })
            }}</span>
          </span>
          <Notice v-if="elsewhere?.id === person.id" :says="say('people.elsewhere', { jobs: elsewhere.jobs })" />
          <PersonForm
            v-if="editing === person.id"
            :person="person"
            :properties="answer.properties"
            @saved="saved"
            @cancelled="editing = null"
          />
          <WorkingTimeForm v-if="editing === person.id" :person-id="person.id" :properties="answer.properties" />
        </li>
      </ul>
      <p v-if="listed.length === 0" class="quiet">{{ find ? say('people.none', { find }) : say('people.nobody') }}</p>
      <button v-if="answer.matching > listed.length" type="button" class="plain link" @click="next">
        {{ say('more', { count: answer.matching - listed.length }) }}
      </button>
      <p v-if="kind === 'tenants'" class="quiet small">{{ say('people.tenantWhy') }}</p>
    </template>
    <DutyPart />
    <AskingRulePart />
  </PageFrame>
</template>
