<script setup lang="ts">
/** Links for owners: who reads the standing of what, until when; made here, told once, revoked here. */
import { onMounted, reactive, ref } from 'vue';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { newOwnerLink, type StandingAnswer } from '../../contract/standing/standing.ts';
import { api, newId, publicAddress } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { useDesk } from '../people/deskStore.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ properties: StandingAnswer['properties'] }>();
const desk = useDesk();
const DEFAULT_DAYS = 30;
const entry = reactive({
  name: '',
  propertyId: desk.managesAll ? null : (props.properties[0]?.id ?? null),
  days: DEFAULT_DAYS,
});
const { errors, problem, busy, submit } = useForm(newOwnerLink);
const revoking = useSending();
const list = useLoading(() => api('ownerLinks.list'));
/** Told once; it is kept nowhere. */
const made = ref('');

async function make(): Promise<void> {
  const id = newId();
  const done = await submit({ ...entry, days: Number(entry.days), id }, async (form) => {
    const { path } = await api('ownerLink.create', { form, once: id });
    made.value = `${publicAddress()}${path}`;
  });
  if (!done) return;
  entry.name = '';
  await list.reload();
}
async function revoke(id: string): Promise<void> {
  await revoking.run(async () => void (await api('ownerLink.revoke', { id })));
  made.value = '';
  await list.reload();
}
const choices = [
  ...(desk.managesAll ? [{ value: null, title: say('standing.group.whole') }] : []),
  ...props.properties.map(({ id, name }) => ({ value: id, title: name })),
];
onMounted(list.reload);
</script>

<template>
  <section class="stack close no-print" aria-labelledby="owners">
    <h2 id="owners">{{ say('owner.title') }}</h2>
    <p class="quiet small lead">{{ say('owner.lead') }}</p>
    <form class="fields inline" @submit.prevent="make">
      <VTextField v-model="entry.name" :label="say('owner.name')" density="compact" :error-messages="errors.name" />
      <VSelect v-model="entry.propertyId" :items="choices" :label="say('line.property')" density="compact" />
      <VTextField
        v-model="entry.days"
        type="number"
        min="1"
        max="400"
        :label="say('owner.days')"
        density="compact"
        :error-messages="errors.days"
      />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('owner.make') }}</VBtn>
    </form>
    <Notice :says="problem || revoking.failure.value" />
    <Notice v-if="made" done
      >{{ say('owner.made') }} <code class="break">{{ made }}</code></Notice
    >
    <ul class="ruled">
      <li v-for="it in list.value.value?.links ?? []" :key="it.id" class="row apart">
        <span
          ><b>{{ it.name }}</b
          >: {{ it.property ?? say('standing.group.whole') }}
          <span class="quiet small">{{
            say('owner.until', { day: say.day(Math.floor(it.expiresAt / MS_PER_DAY)) })
          }}</span></span
        >
        <button type="button" class="plain link" @click="revoke(it.id)">{{ say('owner.revoke') }}</button>
      </li>
    </ul>
  </section>
</template>
