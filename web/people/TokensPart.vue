<script setup lang="ts">
/** Tokens of programs: made here, told once, revoked here. */
import { onMounted, reactive, ref } from 'vue';
import { newToken, TOKEN_AREAS, type TokenArea } from '../../contract/people/tokens.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const list = useLoading(() => api('tokens.list'));
const blank = () => ({
  name: '',
  writes: false,
  areas: ['pages', 'register'] as TokenArea[],
  properties: [] as string[],
  days: 90,
});
const entry = reactive(blank());
const { errors, problem, busy, submit } = useForm(newToken);
const revoking = useSending();
/** Told once. */
const made = ref('');

async function make(): Promise<void> {
  const id = newId();
  const done = await submit({ ...entry, id }, async (form) => {
    made.value = (await api('token.create', { form, once: id })).token;
  });
  if (!done) return;
  Object.assign(entry, blank());
  await list.reload();
}
async function revoke(id: string): Promise<void> {
  made.value = '';
  await revoking.run(async () => void (await api('token.revoke', { id })));
  await list.reload();
}
onMounted(list.reload);
</script>

<template>
  <section class="stack close" aria-labelledby="tokens">
    <h2 id="tokens">{{ say('tokens.title') }}</h2>
    <p class="quiet">
      {{ say('tokens.why') }} <a href="/api/openapi.json">{{ say('tokens.document') }}</a>
    </p>
    <form class="fields" @submit.prevent="make">
      <VTextField v-model="entry.name" :label="say('tokens.name')" :error-messages="errors.name" />
      <VTextField
        v-model.number="entry.days"
        type="number"
        min="1"
        max="730"
        :label="say('tokens.days')"
        :error-messages="errors.days"
      />
      <VSelect
        v-model="entry.areas"
        multiple
        chips
        :items="TOKEN_AREAS.map((value) => ({ value, title: say(`area.${value}`) }))"
        :label="say('tokens.areas')"
        :error-messages="errors.areas"
      />
      <VSelect
        v-model="entry.properties"
        multiple
        chips
        :items="list.value.value?.properties ?? []"
        item-value="id"
        item-title="name"
        :label="say('tokens.properties')"
        :hint="say('tokens.properties.hint')"
        persistent-hint
        :error-messages="errors.properties"
      />
      <VCheckbox v-model="entry.writes" :label="say('tokens.writes')" density="compact" hide-details />
      <Notice :says="problem || revoking.failure.value" />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('tokens.make') }}</VBtn>
    </form>
    <Notice v-if="made" done
      >{{ say('tokens.made') }} <code class="break">{{ made }}</code></Notice
    >
    <ul class="ruled apart">
      <li v-for="it in list.value.value?.tokens ?? []" :key="it.id">
        <span
          ><b>{{ it.name }}</b
          >{{ ' ' }}
          <span class="quiet small">{{
            say('tokens.says', {
              by: it.by,
              areas: say.list(it.areas.map((area) => say(`area.${area}`))),
              where: it.properties ? say.list(it.properties) || 'nowhere' : 'all',
              writes: it.writes ? 'yes' : 'no',
              day: say.day(Math.floor(it.expiresAt / MS_PER_DAY)),
            })
          }}</span></span
        >
        <button type="button" class="plain link last" @click="revoke(it.id)">{{ say('tokens.revoke') }}</button>
      </li>
    </ul>
  </section>
</template>
