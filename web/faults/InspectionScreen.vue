<script setup lang="ts">
/** One visit: its findings, entered against parts, answered one by one; printed as an answer. */
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { dayFromIso } from '../../core/calendar/day.ts';
import { api } from '../api/api.ts';
import { paperUrl } from '../api/paper.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import FindingForm from './FindingForm.vue';
import PhotoStrip from './PhotoStrip.vue';
import PutRight from './PutRight.vue';

const props = defineProps<{ id: string }>();
const desk = useDesk();
const router = useRouter();
const inspection = useLoading(() => api('inspection.read', { id: props.id }));
const { value: answer, reload } = inspection;
const { failure, run } = useSending();
const answering = ref<string | null>(null);
const dayOf = (iso: string) => say.day(dayFromIso(iso));

async function answered(): Promise<void> {
  answering.value = null;
  await reload();
}
const takeBack = (id: string) =>
  run(async () => {
    await api('finding.remove', { id });
    await reload();
  });
const remove = () =>
  run(async () => {
    await api('inspection.remove', { id: props.id });
    await router.push('/inspections');
  });
onMounted(reload);
</script>

<template>
  <PageFrame width="text" :title="answer?.inspector" :of="inspection">
    <template #above
      ><RouterLink to="/faults">{{ say('faults.title') }}</RouterLink> ·
      <RouterLink to="/inspections">{{ say('inspections.title') }}</RouterLink></template
    >
    <template #actions
      ><VBtn v-if="answer" variant="outlined" :href="paperUrl('inspection.paper', { id })" target="_blank">{{
        say('inspection.paper')
      }}</VBtn></template
    >
    <template v-if="answer">
      <p>
        {{ answer.property }} · {{ dayOf(answer.day)
        }}<template v-if="answer.reference"> · {{ answer.reference }}</template>
      </p>
      <p class="strong" :class="{ alarm: answer.overdue > 0 }">{{ say('inspections.sum', answer) }}</p>
      <Notice :says="failure" />
      <ol class="ruled">
        <li v-for="(it, i) in answer.list" :key="it.id" class="stack tight">
          <p>
            <b>{{ i + 1 }}. {{ it.part ?? it.machine }}</b
            >{{ ' ' }} <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>{{ ' ' }}
            <span v-if="it.part" class="quiet small">{{ it.machine }}</span>
          </p>
          <p>
            <q>{{ it.note }}</q>
          </p>
          <p class="small" :class="{ alarm: it.overdue }">
            {{ say(`severity.${it.severity}`) }} ·
            {{
              say(it.overdue ? 'deficiencies.overdue' : 'deficiencies.by', {
                day: say.shortDay(dayFromIso(it.correctBy)),
              })
            }}
            <template v-if="!it.answer"> · {{ it.responsible ?? say('clock.nobody') }}</template>
          </p>
          <PhotoStrip :photo-ids="it.photoIds" :says="it.note" />
          <p v-if="it.served" class="small quiet">
            {{ say('inspection.served', { day: dayOf(it.served.day), evidence: it.served.evidence }) }}
          </p>
          <template v-if="it.answer">
            <p class="marked">
              {{ say('inspection.answered', { day: dayOf(it.answer.day), by: it.answer.by, done: it.answer.done }) }}
            </p>
            <PhotoStrip :photo-ids="it.answer.photoIds" :says="it.answer.done" />
          </template>
          <template v-else>
            <p class="row small no-print">
              <button type="button" class="plain link" @click="answering = answering === it.id ? null : it.id">
                {{ say('inspection.answer') }}
              </button>
              <RouterLink v-if="it.pointNumber && desk.isManager" :to="`/line/${it.pointNumber}`">{{
                say('inspection.part')
              }}</RouterLink>
              <button v-if="desk.isManager" type="button" class="plain link" @click="takeBack(it.id)">
                {{ say('inspection.takeBack') }}
              </button>
            </p>
            <PutRight v-if="answering === it.id" :id="it.id" :action="say('inspection.send')" @closed="answered" />
          </template>
        </li>
      </ol>
      <section v-if="desk.isManager" aria-labelledby="enter" class="stack close no-print">
        <h2 id="enter">{{ say('inspection.more') }}</h2>
        <FindingForm :inspection="answer" @entered="reload" />
        <p v-if="!answer.list.length" class="small">
          <button type="button" class="plain link" @click="remove">{{ say('inspection.remove') }}</button>
        </p>
      </section>
    </template>
  </PageFrame>
</template>
