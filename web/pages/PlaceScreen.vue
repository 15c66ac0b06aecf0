<script setup lang="ts">
/** A home: its standing, who lives there, its machines with their points on the strip, its faults. */
import { computed, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { newTemplate, type MachineSummary } from '../../contract/register.ts';
import { useForm } from '../api/form.ts';
import { useDesk } from '../people/deskStore.ts';
import { api, photoUrl, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import AlarmList from '../faults/AlarmList.vue';
import HomeList from '../jobs/HomeList.vue';
import HandBackList from '../jobs/HandBackList.vue';
import FaultList from '../faults/FaultList.vue';
import KindGlyph from '../strip/KindGlyph.vue';
import HabitPanel from '../due/HabitPanel.vue';
import SignalList from '../due/SignalList.vue';
import StripGauge, { type GaugeMark } from '../strip/StripGauge.vue';
import { isLate, isSent, standOn } from '../strip/marks.ts';
import { say } from '../language/say.ts';
import MachineForm from '../register/MachineForm.vue';
import MachineMore from '../register/MachineMore.vue';
import PhotoField from '../register/PhotoField.vue';
import PointSpecification from '../register/PointSpecification.vue';
import TenancyPanel from '../register/TenancyPanel.vue';
import UnitsForm from '../register/UnitsForm.vue';
import type { PointSummary } from '../../contract/register.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ id: string }>();
const desk = useDesk();
const home = useLoading(() => api('place.read', { id: props.id }));
const { value: place, reload } = home;
const addingMachine = ref(false);
const specifying = ref<string | null>(null);
const more = ref<string | null>(null);

const today = computed(() => place.value!.property.today);
const gaugeOf = (points: readonly PointSummary[]): GaugeMark[] =>
  points.map(({ mark, kind, name, safetyCritical }) => ({ ...mark, kind, name, safetyCritical }));
const standing = computed(() => {
  const it = place.value!.standing;
  if (it.inOrder.of === 0) return [];
  const { proven, selfCertified } = it.evidence;
  return [
    say('standing.inOrder', { ...it.inOrder }),
    say('standing.onTime', { ...it.onTime }),
    say('standing.proven', { ...proven }),
    ...(selfCertified.count ? [say('standing.selfCertified', { ...selfCertified })] : []),
    ...(it.safetyCritical.of ? [say('standing.critical', { ...it.safetyCritical })] : []),
  ];
});
function words({ mark }: PointSummary): string {
  const { share, daysLeft, state } = standOn(mark, today.value);
  if (isSent(mark)) return say('work.sent');
  if (state === 'onHold') return say('work.onHold');
  if (share === undefined) return say(`state.${state}`);
  if (daysLeft < 0) return say('words.past', { days: -daysLeft });
  return daysLeft === 0 ? say('words.due') : say('words.in', { days: daysLeft });
}
const late = ({ mark }: PointSummary) => isLate({ ...standOn(mark, today.value), work: mark.work });
const lacksSpecification = ({ fields, specification }: PointSummary) =>
  fields.includes('filterSize') && !specification.filterSize;
const detail = (machine: MachineSummary) =>
  [
    [machine.maker, machine.model].filter(Boolean).join(' '),
    say('machine.number', { number: machine.number }),
    machine.fuel === 'gas' ? say('machine.gas') : '',
    machine.installed ? say('machine.installed.says', { day: say.day(dayFromIso(machine.installed)) }) : '',
    machine.drainBranch,
    machine.contract ? say('machine.contract.says', { months: machine.contract.everyMonths }) : '',
    machine.retired ? say('machine.retired', { day: say.day(dayFromIso(machine.retired)) }) : '',
  ]
    .filter(Boolean)
    .join(' · ');

async function setShutoff(machine: MachineSummary, shutoffPhotoId: string | null): Promise<void> {
  if (!shutoffPhotoId) return;
  await api('machine.change', { id: machine.id, form: { shutoffPhotoId } });
  await reload();
}
const copying = ref(false);
const naming = ref(false);
const listing = ref(false);
async function listed(says: string): Promise<void> {
  listing.value = false;
  told.value = says;
  await reload();
}
const templateName = ref('');
const told = ref('');
const template = useForm(newTemplate);
function copied(says: string): void {
  copying.value = false;
  told.value = says;
}
async function saveTemplate(): Promise<void> {
  const { machines } = await api('template.ofPlace', { id: props.id });
  const id = newId();
  if (
    !(await template.submit({ id, name: templateName.value, machines }, (form) =>
      api('template.create', { form, once: id }),
    ))
  )
    return;
  naming.value = false;
  told.value = say('template.saved');
}
async function saved(): Promise<void> {
  addingMachine.value = false;
  specifying.value = null;
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame :title="place?.name" :of="home">
    <template v-if="place" #lead
      ><p class="quiet">{{ place.property.name }}</p></template
    >
    <template v-if="place" #actions
      ><p class="verdict" :class="place.standing.verdict">
        <b>{{
          say(
            place.standing.inOrder.of
              ? `standing.${place.standing.verdict}`
              : place.hold
                ? 'standing.onHold'
                : 'standing.none',
          )
        }}</b>
      </p></template
    >
    <template v-if="place">
      <AlarmList :alarms="place.alarms.map((it) => ({ ...it, at: say.time(it.at, it.zone) }))" @changed="reload" />
      <StripGauge
        v-if="place.machines.length"
        :marks="place.machines.flatMap((machine) => gaugeOf(machine.points))"
        :today="today"
        :width="1060"
        class="whole"
      />
      <ul v-if="standing.length" class="row small" :aria-label="say('place.standing')">
        <li v-for="line in standing" :key="line">{{ line }}</li>
      </ul>
      <div class="columns aside">
        <section>
          <div class="row apart">
            <h2>{{ say('place.machines') }}</h2>
            <VBtn
              v-if="desk.isManager"
              color="primary"
              :variant="addingMachine ? 'outlined' : 'flat'"
              @click="addingMachine = !addingMachine"
              >{{ say(addingMachine ? 'cancel' : 'place.addMachine') }}</VBtn
            >
          </div>
          <p v-if="desk.isManager" class="row small no-print">
            <button v-if="place.machines.length" type="button" class="plain link" @click="listing = !listing">
              {{ say('list.title') }}</button><RouterLink :to="`/homes/${place.id}/walk`">{{
              say('place.walk')
            }}</RouterLink
            ><button type="button" class="plain link" @click="copying = !copying">{{ say('place.copy') }}</button
            ><button v-if="place.machines.length" type="button" class="plain link" @click="naming = !naming">
              {{ say('template.save') }}</button
            ><RouterLink
              v-if="place.machines.length"
              :to="{ path: '/homes/labels', query: { where: `place/${place.id}` } }"
              >{{ say('place.labels') }}</RouterLink
            >
          </p>
          <Notice done :says="told" />
          <HomeList v-if="listing" :place-id="place.id" @given="listed" @close="listing = false" />
          <UnitsForm
            v-if="copying"
            :property-id="place.property.id"
            :buildings="[]"
            :copy-of="place.id"
            :building-id="place.buildingId"
            @saved="copied"
          />
          <form v-if="naming" class="naming fields inline" @submit.prevent="saveTemplate">
            <VTextField
              v-model="templateName"
              :label="say('template.name')"
              density="compact"
              :error-messages="template.errors.name"
            /><VBtn type="submit" variant="outlined" :loading="template.busy.value">{{ say('template.save') }}</VBtn>
          </form>
          <MachineForm v-if="addingMachine" :place="place" @saved="saved" />
          <p v-if="place.machines.length === 0" class="quiet">{{ say('place.noMachines') }}</p>
          <article v-for="machine in place.machines" :key="machine.id" class="machine heavy">
            <div class="row apart">
              <h3>{{ machine.name }}</h3>
              <p class="quiet small">
                {{ detail(machine) }}
                <button
                  v-if="desk.isManager && !machine.retired"
                  type="button"
                  class="plain link"
                  :aria-expanded="more === machine.id"
                  @click="more = more === machine.id ? null : machine.id"
                >
                  {{ say('machine.more') }}
                </button>
              </p>
            </div>
            <MachineMore
              v-if="more === machine.id"
              :machine="machine"
              :place-id="place.id"
              :today="today"
              @saved="saved"
            />
            <ul class="ruled tight ink-link">
              <li v-for="point in machine.points" :key="point.id" class="point">
                <RouterLink v-if="desk.isManager" :to="`/line/${point.number}`"
                  ><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink
                >
                <RouterLink v-else :to="`/look/${point.number}`"
                  ><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink
                >
                <StripGauge :marks="gaugeOf([point])" :today="today" />
                <span class="small" :class="{ alarm: late(point), strong: late(point) }"
                  >{{ words(point)
                  }}<span v-if="!point.scheduled" class="quiet"> · {{ say('words.rides') }}</span></span
                >
                <button
                  v-if="desk.isManager"
                  type="button"
                  class="plain link small"
                  @click="specifying = specifying === point.id ? null : point.id"
                >
                  {{ say(lacksSpecification(point) ? 'machine.specMissing' : 'point.specify') }}
                </button>
                <PointSpecification
                  v-if="specifying === point.id"
                  class="spec"
                  :place-id="place.id"
                  :point-id="point.id"
                  @saved="saved"
                />
              </li>
            </ul>
            <div v-if="desk.isManager || machine.shutoffPhotoId" class="small">
              <img
                class="thumb"
                v-if="machine.shutoffPhotoId"
                :src="photoUrl(machine.shutoffPhotoId)"
                :alt="say('machine.shutoff')"
                width="120"
                loading="lazy"
              />
              <PhotoField
                v-if="desk.isManager && !machine.shutoffPhotoId"
                quiet
                :label="say('machine.addShutoff')"
                :model-value="null"
                @update:model-value="setShutoff(machine, $event)"
              />
            </div>
          </article>
        </section>
        <aside class="stack airy">
          <TenancyPanel v-if="place.kind === 'unit'" :key="place.tenancy?.id ?? 'none'" :place="place" @saved="saved" />
          <section v-if="place.handBacks.length">
            <h2>{{ say('handBack.title') }}</h2>
            <HandBackList :open="place.handBacks" @changed="reload" />
          </section>
          <section v-if="place.signals.length">
            <h2>{{ say('signals.title') }}</h2>
            <SignalList :signals="place.signals" @changed="saved" />
          </section>
          <section v-if="place.habits.length">
            <h2>{{ say('habits.title') }}</h2>
            <HabitPanel :habits="place.habits" :let="place.tenancy !== null" @changed="saved" />
          </section>
          <section>
            <h2>{{ say('place.faults') }}</h2>
            <FaultList :faults="place.faults" @changed="saved" />
          </section>
        </aside>
      </div>
    </template>
  </PageFrame>
</template>

<style scoped>
.verdict {
  border: 1.5px solid var(--dew);
  border-radius: 6px;
  padding: 2px 12px;
  color: var(--dew-deep);
}
.verdict.watch {
  border-color: var(--edge);
  color: var(--ink);
  border-style: dashed;
}
.verdict.breach {
  border-color: var(--alarm);
  color: var(--alarm);
}
.machine {
  padding-bottom: 14px;
  margin-top: 12px;
}
.point {
  display: grid;
  grid-template-columns: 190px minmax(80px, 1fr) 110px 100px;
  gap: 6px 12px;
  align-items: center;
}
.point .link {
  text-align: right;
}
.spec {
  grid-column: 1 / -1;
}
@media (max-width: 860px) {
  .point {
    grid-template-columns: minmax(120px, 1fr) minmax(0, 1fr);
  }
}
</style>
