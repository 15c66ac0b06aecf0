<script setup lang="ts">
/** Deficiencies: by when each is put right and by whom; closed with what was done. */
import { reactive, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import {
  changeDeficiency,
  closeDeficiency,
  SEVERITIES,
  type DeficienciesAnswer,
  type DeficiencySummary,
} from '../../contract/faults/deficiencies.ts';
import { useDesk } from '../people/deskStore.ts';
import { api, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

defineProps<{ answer: DeficienciesAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const desk = useDesk();
const open = ref<{ id: string; for: 'change' | 'close' } | null>(null);
const entry = reactive({ severity: 'low', correctBy: '', responsibleId: null as string | null, done: '' });
const changing = useForm(changeDeficiency);
const closing = useForm(closeDeficiency);

function show(it: DeficiencySummary, what: 'change' | 'close'): void {
  open.value = open.value?.id === it.id && open.value.for === what ? null : { id: it.id, for: what };
  Object.assign(entry, { severity: it.severity, correctBy: it.correctBy, responsibleId: it.responsibleId, done: '' });
}
async function change(id: string): Promise<void> {
  const { severity, correctBy, responsibleId } = entry;
  if (await changing.submit({ severity, correctBy, responsibleId }, (form) => api('deficiencies.change', { id, form })))
    finish();
}
async function close(id: string): Promise<void> {
  if (await closing.submit({ done: entry.done }, (form) => api('deficiencies.close', { id, form }))) finish();
}
function finish(): void {
  open.value = null;
  emit('changed');
}
</script>

<template>
  <p v-if="!answer.deficiencies.length" class="quiet">{{ say('deficiencies.none') }}</p>
  <ul class="ruled">
    <li v-for="it in answer.deficiencies" :key="it.id" class="stack tight" :class="{ quiet: it.closedOn }">
      <p>
        <b>{{ it.says }}</b> <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' ' }}
        <span class="quiet small">{{ it.machine }}</span>
      </p>
      <p v-if="it.note" class="small">“{{ it.note }}”</p>
      <p class="quiet small">
        {{ say('deficiencies.seen', { by: it.openedBy, day: say.shortDay(dayFromIso(it.openedOn)) }) }}
      </p>
      <div v-if="it.photoIds.length" class="photos">
        <img
          v-for="photo in it.photoIds"
          :key="photo"
          :src="photoUrl(photo)"
          :alt="it.says"
          width="110"
          loading="lazy"
        />
      </div>
      <p v-if="it.closedOn" class="small">
        {{ say('deficiencies.closed', { done: it.done ?? '', day: say.shortDay(dayFromIso(it.closedOn)) }) }}
      </p>
      <template v-else>
        <p class="small" :class="{ alarm: it.overdue }">
          {{ say(`severity.${it.severity}`) }} ·
          {{
            say(it.overdue ? 'deficiencies.overdue' : 'deficiencies.by', {
              day: say.shortDay(dayFromIso(it.correctBy)),
            })
          }}
          · {{ it.responsible ?? say('deficiencies.nobody') }}
        </p>
        <p class="row">
          <button v-if="desk.isManager" type="button" class="plain link small" @click="show(it, 'change')">
            {{ say('deficiencies.change') }}
          </button>
          <button type="button" class="plain link small" @click="show(it, 'close')">
            {{ say('deficiencies.close') }}
          </button>
        </p>
        <form class="stack close" v-if="open?.id === it.id && open.for === 'change'" @submit.prevent="change(it.id)">
          <VSelect
            v-model="entry.severity"
            :items="SEVERITIES.map((value) => ({ value, title: say(`severity.${value}`) }))"
            :label="say('deficiencies.severity')"
            :error-messages="changing.errors.severity"
          />
          <VTextField
            v-model="entry.correctBy"
            type="date"
            :label="say('deficiencies.correctBy')"
            :error-messages="changing.errors.correctBy"
          />
          <VSelect
            v-model="entry.responsibleId"
            :items="[
              { value: null, title: say('deficiencies.nobody') },
              ...answer.people.map(({ id, name }) => ({ value: id, title: name })),
            ]"
            :label="say('deficiencies.responsible')"
            :error-messages="changing.errors.responsibleId"
          />
          <Notice class="small" :says="changing.problem.value" />
          <VBtn type="submit" color="primary" :loading="changing.busy.value">{{ say('deficiencies.save') }}</VBtn>
        </form>
        <form class="stack close" v-if="open?.id === it.id && open.for === 'close'" @submit.prevent="close(it.id)">
          <VTextarea
            v-model="entry.done"
            :label="say('deficiencies.done')"
            rows="2"
            :error-messages="closing.errors.done"
          />
          <Notice class="small" :says="closing.problem.value" />
          <VBtn type="submit" color="primary" :loading="closing.busy.value">{{ say('deficiencies.close') }}</VBtn>
        </form>
      </template>
    </li>
  </ul>
</template>
