<script setup lang="ts">
/** One procedure, whole: who, how long, what with, step by step; and the manager's own editions of it. */
import { computed, onMounted, ref } from 'vue';
import { SCHOOLS } from '../../core/catalogue/practice.ts';
import { useDesk } from '../people/deskStore.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import EditionForm from './EditionForm.vue';
import Illustration from './Illustration.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import FactList from '../kit/FactList.vue';

const props = defineProps<{ id: string }>();
const desk = useDesk();
const procedure = useLoading(() => api('procedure.read', { key: props.id }));
const { value: it, reload } = procedure;
const schools = computed(() =>
  SCHOOLS.map((school) => {
    const { signalled, days, assumed } = it.value!;
    return {
      name: say(`practice.${school}`),
      value: say(signalled.includes(school) ? 'procedure.signalled' : 'point.days', { days: days[school] }),
      aside: assumed.includes(school) ? say('procedure.assumed') : undefined,
    };
  }),
);
const sending = useSending();
const editing = ref(false);
const comparing = ref(false);
const sure = ref(false);
const told = ref('');
const steps = computed(() => (comparing.value ? it.value!.ourSteps : it.value!.steps));
const zone = deviceZone();

async function saved(number: number): Promise<void> {
  editing.value = false;
  told.value = say('procedure.saved', { number });
  await reload();
}
async function takeOurs(): Promise<void> {
  if (!sure.value) {
    sure.value = true;
    return;
  }
  sure.value = false;
  if (
    await sending.run(async () => {
      await api('edition.takeOurs', { key: props.id, form: { note: '', basedOn: it.value!.number } });
    })
  )
    told.value = say('procedure.taken');
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame :title="it?.task" :of="procedure">
    <template #above
      ><RouterLink to="/procedures">{{ say('procedures.title') }}</RouterLink></template
    >
    <template v-if="it" #title><KindGlyph :kind="it.kind" :size="18" /> {{ it.task }}</template>
    <Notice :says="sending.failure.value" />
    <template v-if="it">
      <div>
        <p class="quiet">{{ it.name }} · {{ it.why }}</p>
        <p class="small">
          <b>{{ say(it.number ? 'procedure.yours' : 'procedure.ours', { number: it.number }) }}</b> ·
          {{ it.levelSays }} · {{ say('procedure.minutes', { minutes: it.minutes })
          }}<template v-if="it.waitMinutes"> · {{ say('procedure.wait', { minutes: it.waitMinutes }) }}</template>
        </p>
      </div>
      <Notice done :says="told" />
      <p v-if="it.improved" class="caution">{{ say('procedure.improved', { version: it.version }) }}</p>
      <EditionForm v-if="editing" :procedure="it" @saved="saved" @close="editing = false" />
      <div v-else class="columns aside">
        <section class="stack close">
          <h2>{{ say('procedure.stops') }}</h2>
          <ul class="stops stack close">
            <li v-for="stop in it.stops" :key="stop" class="caution small">{{ stop }}</li>
            <li class="small quiet">{{ say('procedure.defer') }}</li>
          </ul>
          <h2>
            {{ say('procedure.steps') }} <small v-if="comparing" class="quiet">{{ say('procedure.ours') }}</small>
          </h2>
          <ol class="steps ruled">
            <li v-for="step in steps" :key="step.key" :class="step.phase">
              <div>
                <h3>
                  {{ step.title }}
                  <small v-if="!step.own && step.stateSays" class="quiet">{{ step.stateSays }}</small>{{ ' ' }}
                  <small v-if="step.own" class="dew">{{ say('procedures.own') }}</small>
                </h3>
                <p>{{ step.body }}</p>
                <p v-if="step.caution" class="caution small">{{ step.caution }}</p>
                <p v-if="step.own && step.stateSays" class="small quiet">
                  {{ say('procedure.own.state', { state: step.stateSays }) }}
                </p>
                <p v-if="step.asks.length" class="small quiet">
                  {{ say('procedure.asks') }}: {{ step.asks.join('; ') }}
                </p>
              </div>
              <Illustration v-if="step.illustration" :drawing="step.illustration" />
            </li>
          </ol>
        </section>
        <aside class="stack airy">
          <section class="stack close start no-print">
            <VBtn variant="outlined" :to="`/procedures/${id}/rehearsal`">{{ say('rehearsal.start') }}</VBtn>
          </section>
          <section v-if="desk.isManager" class="stack close start no-print">
            <VBtn color="primary" @click="editing = true">{{
              say(it.number ? 'procedure.edit.again' : 'procedure.edit')
            }}</VBtn>
            <template v-if="it.number"
              ><button type="button" class="plain link" @click="comparing = !comparing">
                {{ say(comparing ? 'procedure.compare.back' : 'procedure.compare') }}</button
              ><button type="button" class="plain link" :class="{ alarm: sure }" @click="takeOurs">
                {{ say(sure ? 'procedure.takeOurs.sure' : 'procedure.takeOurs') }}
              </button></template
            >
          </section>
          <section>
            <h2>{{ say('procedure.days') }}</h2>
            <p v-if="it.kind === 'visit'">{{ say('procedure.days.contract') }}</p>
            <FactList v-else :facts="schools" />
          </section>
          <section v-if="it.kit.length">
            <h2>{{ say('procedure.kit') }}</h2>
            <ul>
              <li v-for="item in it.kit" :key="item">{{ item }}</li>
            </ul>
          </section>
          <section>
            <h2>{{ say('procedure.mistakes') }}</h2>
            <p>{{ it.mistakes }}</p>
          </section>
          <section>
            <h2>{{ say('procedure.on') }}</h2>
            <p>{{ it.kind === 'visit' ? say('procedure.on.contract') : it.machines.join(', ') }}</p>
          </section>
          <section v-if="it.editions.length > 1">
            <h2>{{ say('procedure.editions') }}</h2>
            <ul class="ruled small">
              <li v-for="edition in [...it.editions].reverse()" :key="edition.number">
                <b>{{
                  edition.number === 0 || edition.ours
                    ? say('procedure.ours')
                    : say('procedure.yours', { number: edition.number })
                }}</b>{{ ' ' }} <span v-if="edition.inForce" class="dew">{{ say('practice.now') }}</span><span
                  v-if="edition.at"
                  class="quiet"
                >
                  {{ say('procedure.edition.by', { by: edition.by ?? '', at: say.time(edition.at, zone) }) }}</span
                ><br />{{ edition.changes.join('; ') }}<template v-if="edition.note"> – {{ edition.note }}</template>
              </li>
            </ul>
          </section>
        </aside>
      </div>
    </template>
  </PageFrame>
</template>

<style scoped>
.steps {
  counter-reset: step;
}
.steps li {
  counter-increment: step;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 16px;
  padding-left: 34px;
  position: relative;
}
.steps li::before {
  content: counter(step);
  position: absolute;
  left: 0;
  top: 8px;
  font-weight: 680;
  font-size: 18px;
  color: var(--dew-deep);
}
.steps li > div {
  display: grid;
  gap: 4px;
  align-content: start;
  max-width: 62ch;
}
.steps :deep(.drawing) {
  width: 170px;
}
@media (max-width: 860px) {
  .steps li {
    grid-template-columns: 1fr;
  }
}
</style>
