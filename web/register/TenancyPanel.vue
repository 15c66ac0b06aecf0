<script setup lang="ts">
/** Who lives in a unit, the household that drives its intervals, and the tenant's personal link. */
import { computed, reactive, ref } from 'vue';
import { COOKING, DETERGENTS } from '../../core/due/drivers.ts';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { endTenancy, householdChange, newTenancy, type HouseholdFacts } from '../../contract/register/register.ts';
import { type PlaceAnswer } from '../../contract/pages/place.ts';
import { useDesk } from '../people/deskStore.ts';
import { api, newId, publicAddress } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import ComingTenancy from './ComingTenancy.vue';
import HomeCard from './HomeCard.vue';
import HoldForm from './HoldForm.vue';
import Notice from '../kit/Notice.vue';
import AgreementForm from '../notices/AgreementForm.vue';
import ContactForm from '../notices/ContactForm.vue';
import TenancyEdit from './TenancyEdit.vue';

const props = defineProps<{ place: PlaceAnswer }>();
const emit = defineEmits<{ saved: [] }>();
const desk = useDesk();

const open = ref(false);
const link = ref('');
const code = ref('');
const copied = ref(false);
const told = ref('');
const { failure, run } = useSending();
const ids = { id: newId(), personId: newId() };
const entry = reactive<{ name: string; from: string; household: HouseholdFacts }>({
  name: '',
  from: isoFromDay(props.place.property.today),
  household: props.place.tenancy?.household ?? {
    people: 2,
    pets: 0,
    cooking: 'average',
    loadsAWeek: null,
    coolWashes: false,
    smoking: false,
    dust: false,
    detergent: null,
  },
});
const changed = useForm(householdChange);
const made = useForm(newTenancy);
const { errors, problem, busy } = props.place.tenancy ? changed : made;

async function save(): Promise<void> {
  const { tenancy } = props.place;
  const sent = tenancy
    ? await changed.submit({ household: entry.household, from: entry.from }, (form) =>
        api('tenancy.household', { id: tenancy.id, form }),
      )
    : await made.submit({ ...entry, ...ids, placeId: props.place.id }, (form) =>
        api('tenancy.create', { form, once: ids.id }),
      );
  if (!sent) return;
  open.value = false;
  emit('saved');
}
const HOLD_DAYS = 60;
const ending = ref(false);
const end = reactive({
  last: isoFromDay(props.place.property.today),
  holdUntil: isoFromDay(props.place.property.today + HOLD_DAYS),
});
const ends = useForm(endTenancy);
async function endIt(): Promise<void> {
  if (
    !(await ends.submit({ last: end.last, holdUntil: end.holdUntil || null }, (form) =>
      api('tenancy.end', { id: props.place.tenancy!.id, form }),
    ))
  )
    return;
  ending.value = false;
  emit('saved');
}
const mending = ref(false);
const reaching = ref(false);
const agreeing = ref(false);
function mended(): void {
  mending.value = false;
  reaching.value = false;
  agreeing.value = false;
  emit('saved');
}
async function reopen(id: string): Promise<void> {
  if (await run(async () => void (await api('tenancy.reopen', { id })))) emit('saved');
}
async function makeLink(): Promise<void> {
  await run(async () => {
    const { path, code: made } = await api('tenancy.link', { id: props.place.tenancy!.id });
    link.value = `${publicAddress()}${path}`;
    code.value = made;
    copied.value = false;
    told.value = '';
    emit('saved');
  });
}
async function revoke(): Promise<void> {
  await run(async () => {
    await api('tenancy.revoke', { id: props.place.tenancy!.id });
    link.value = '';
    told.value = say('tenancy.revoked');
    emit('saved');
  });
}
async function copy(): Promise<void> {
  await navigator.clipboard?.writeText(link.value);
  copied.value = true;
}
const household = computed(() => {
  const it = props.place.tenancy!.household;
  return (
    say('tenancy.says', { people: it.people, pets: it.pets, cooking: say(`tenancy.cooking.${it.cooking}`) }) +
    (it.loadsAWeek === null ? '' : say('tenancy.loads.says', { loads: it.loadsAWeek }))
  );
});
const setLoads = (text: string) => {
  entry.household.loadsAWeek = text === '' ? null : Number(text);
};
</script>

<template>
  <section class="stack close start">
    <h2>{{ say('place.tenancy') }}</h2>
    <template v-if="place.tenancy">
      <p>
        <b>{{ place.tenancy.name }}</b>{{ ' ' }}
        <span class="quiet">{{ say('place.since', { day: say.day(dayFromIso(place.tenancy.from)) }) }}</span>
      </p>
      <p class="small">{{ household }}</p>
      <p class="small" :class="{ quiet: place.tenancy.contact }">
        {{
          say('contact.says', {
            way: place.tenancy.contact?.way ?? 'none',
            address: place.tenancy.contact?.email || place.tenancy.contact?.phone || '',
            rhythm: place.tenancy.contact?.rhythm ?? 'each',
            reminders: String(place.tenancy.contact?.reminders ?? true),
          })
        }}
      </p>
      <p v-if="place.tenancy.to" class="small strong">
        {{ say('turnover.ended', { name: place.tenancy.name, day: say.day(dayFromIso(place.tenancy.to)) }) }}
        <button
          v-if="desk.isManager && !place.coming"
          type="button"
          class="plain link"
          @click="reopen(place.tenancy.id)"
        >
          {{ say('tenancy.reopen') }}
        </button>
      </p>
      <p v-if="place.budget" class="small quiet">{{ say('budget.of', { ...place.budget }) }}</p>
      <div v-if="desk.isManager" class="row">
        <button type="button" class="plain link" @click="open = !open">{{ say('tenancy.change') }}</button>
        <button type="button" class="plain link" @click="mending = !mending">{{ say('tenancy.mend') }}</button>
        <button type="button" class="plain link" @click="reaching = !reaching">{{ say('contact.change') }}</button>
        <button type="button" class="plain link" @click="agreeing = !agreeing">{{ say('agreement.title') }}</button>
        <button type="button" class="plain link" @click="makeLink">
          {{ say(place.tenancy.hasLink ? 'tenancy.link.again' : 'tenancy.link') }}
        </button>
        <button v-if="place.tenancy.hasLink" type="button" class="plain link" @click="revoke">
          {{ say('tenancy.revoke') }}
        </button>
        <button v-if="!place.tenancy.to" type="button" class="plain link" @click="ending = !ending">
          {{ say('turnover.end') }}…
        </button>
      </div>
      <TenancyEdit v-if="mending" :tenancy="place.tenancy" @saved="mended" @cancelled="mending = false" />
      <AgreementForm v-if="agreeing" :tenancy-id="place.tenancy.id" @saved="mended" @cancelled="agreeing = false" />
      <ContactForm
        v-if="reaching"
        :tenancy-id="place.tenancy.id"
        :known="place.tenancy.contact"
        @saved="mended"
        @cancelled="reaching = false"
      />
      <div v-if="link" class="panel card stack close small wide" role="status">
        <p>{{ say('tenancy.link.once') }}</p>
        <code>{{ link }}</code>
        <HomeCard
          :place="place.name"
          :property="place.property.name"
          :name="place.tenancy.name"
          :link="link"
          :code="code"
        />
        <button type="button" class="plain link" @click="copy">
          {{ say(copied ? 'tenancy.link.copied' : 'tenancy.link.copy') }}
        </button>
      </div>
      <form v-if="ending" class="panel card stack tight" @submit.prevent="endIt">
        <VTextField v-model="end.last" type="date" :label="say('turnover.last')" :error-messages="ends.errors.last" />
        <VTextField
          v-model="end.holdUntil"
          type="date"
          :label="say('turnover.hold')"
          :hint="say('turnover.hold.why')"
          persistent-hint
          :error-messages="ends.errors.holdUntil"
        />
        <Notice class="small" :says="ends.problem.value" />
        <VBtn type="submit" color="primary" :loading="ends.busy.value">{{ say('turnover.endNow') }}</VBtn>
      </form>
      <p v-if="told" class="small" role="status">{{ told }}</p>
    </template>
    <template v-else>
      <p class="quiet">{{ say('place.noTenancy') }}</p>
      <p v-if="place.former" class="small">
        {{ say('tenancy.former', { name: place.former.name, day: say.day(dayFromIso(place.former.to)) }) }}
        <button
          v-if="desk.isManager && !place.coming"
          type="button"
          class="plain link"
          @click="reopen(place.former.id)"
        >
          {{ say('tenancy.reopen') }}
        </button>
      </p>
      <VBtn v-if="desk.isManager && !open && !place.coming" variant="outlined" @click="open = true">{{
        say('place.addTenancy')
      }}</VBtn>
    </template>
    <Notice class="small" :says="failure" />
    <ComingTenancy v-if="place.coming" :key="place.coming.from" :tenancy="place.coming" @saved="emit('saved')" />
    <details v-if="place.earlier.length" class="small">
      <summary>{{ say('tenancy.earlier', { count: place.earlier.length }) }}</summary>
      <ul>
        <li v-for="it in place.earlier" :key="it.id">
          {{
            say('tenancy.lived', { name: it.name, from: say.day(dayFromIso(it.from)), to: say.day(dayFromIso(it.to)) })
          }}
        </li>
      </ul>
    </details>
    <HoldForm v-if="desk.isManager" :place="place" @saved="emit('saved')" />
    <RouterLink
      v-if="desk.isManager && (place.tenancy?.to || !place.tenancy || place.hold)"
      class="small"
      :to="`/homes/${place.id}/turnover`"
      >{{ say('turnover.link') }}</RouterLink
    >
    <form v-if="open" class="panel card stack tight" @submit.prevent="save">
      <VTextField
        v-if="!place.tenancy"
        v-model="entry.name"
        :label="say('tenancy.name')"
        :error-messages="errors.name"
      />
      <VTextField v-model="entry.from" type="date" :label="say('tenancy.from')" :error-messages="errors.from" />
      <VTextField
        v-model.number="entry.household.people"
        type="number"
        :label="say('tenancy.people')"
        :error-messages="errors['household.people']"
      />
      <VTextField
        v-model.number="entry.household.pets"
        type="number"
        :label="say('tenancy.pets')"
        :error-messages="errors['household.pets']"
      />
      <VSelect
        v-model="entry.household.cooking"
        :items="COOKING.map((value) => ({ value, title: say(`tenancy.cooking.${value}`) }))"
        :label="say('tenancy.cooking')"
      />
      <VTextField
        :model-value="entry.household.loadsAWeek ?? ''"
        type="number"
        :label="say('tenancy.loads')"
        :hint="say('tenancy.loads.hint')"
        persistent-hint
        :error-messages="errors['household.loadsAWeek']"
        @update:model-value="setLoads(String($event))"
      />
      <VCheckbox v-model="entry.household.coolWashes" :label="say('tenancy.cool')" />
      <VCheckbox v-model="entry.household.smoking" :label="say('tenancy.smoking')" />
      <VCheckbox v-model="entry.household.dust" :label="say('tenancy.dust')" />
      <VSelect
        v-model="entry.household.detergent"
        :items="[null, ...DETERGENTS].map((value) => ({ value, title: say(`tenancy.detergent.${value ?? 'none'}`) }))"
        :label="say('tenancy.detergent')"
      />
      <Notice class="small" :says="problem" />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('tenancy.save') }}</VBtn>
    </form>
  </section>
</template>
