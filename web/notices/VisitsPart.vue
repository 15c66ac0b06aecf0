<script setup lang="ts">
/** Visits to one home, announcing one, and how the home was entered. */
import { onMounted, ref } from 'vue';
import { entryNote } from '../../contract/notices/visits.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import VisitForm from './VisitForm.vue';
import VisitList from './VisitList.vue';

const props = defineProps<{ placeId: string; today: number; lived: boolean; manages: boolean }>();
const read = useLoading(() => api('visits.list', { form: { placeId: props.placeId } }));
const { value: answer, reload } = read;
const announcing = ref(false);
const noting = ref<string | null>(null);
const words = ref('');
const { errors, problem, submit } = useForm(entryNote);
async function saved(): Promise<void> {
  announcing.value = false;
  await reload();
}
async function keepNote(id: string): Promise<void> {
  if (!(await submit({ note: words.value }, (form) => api('entry.note', { id, form })))) return;
  noting.value = null;
  words.value = '';
  await reload();
}
onMounted(reload);
</script>

<template>
  <section class="stack close start">
    <h2>{{ say('visits.title') }}</h2>
    <LoadState v-if="read.failure.value" :of="read" />
    <template v-if="answer">
      <VisitList
        v-if="answer.visits.length"
        :visits="answer.visits"
        :answer="answer"
        :manages="manages"
        @changed="reload"
      />
      <p v-else class="quiet small">{{ say('visits.none') }}</p>
      <p v-if="manages && lived && !announcing" class="no-print">
        <VBtn size="small" variant="outlined" @click="announcing = true">{{ say('visits.announce') }}</VBtn>
      </p>
      <VisitForm
        v-if="announcing"
        :place-id="placeId"
        :today="today"
        :answer="answer"
        @saved="saved"
        @cancelled="announcing = false"
      />
      <template v-if="answer.entries.length">
        <h3>{{ say('visits.entries') }}</h3>
        <ul class="ruled small">
          <li v-for="it in answer.entries" :key="it.id" class="stack tight">
            <span :class="{ alarm: it.wantsNote }">{{ say.time(it.at, it.zone) }}. {{ it.says }}</span>
            <q v-if="it.note">{{ it.note }}</q>
            <button
              v-else-if="it.wantsNote && noting !== it.id"
              type="button"
              class="plain link"
              @click="noting = it.id"
            >
              {{ say('visits.note') }}
            </button>
            <form v-if="noting === it.id" class="stack tight" @submit.prevent="keepNote(it.id)">
              <VTextarea v-model="words" rows="2" :label="say('visits.note')" :error-messages="errors.note" />
              <Notice :says="problem" />
              <VBtn type="submit" size="small" variant="outlined">{{ say('visits.noteSave') }}</VBtn>
            </form>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>
