<script setup lang="ts">
/** A home: its standing, who lives there, its machines with their points on the strip, its faults. */
import { computed, onMounted, ref } from 'vue';
import { newTemplate } from '../../contract/register/machines.ts';
import { useForm } from '../api/form.ts';
import { useDesk } from '../people/deskStore.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import AlarmList from '../faults/AlarmList.vue';
import HomeList from '../jobs/HomeList.vue';
import MonthListPart from '../jobs/MonthListPart.vue';
import HandBackList from '../jobs/HandBackList.vue';
import FaultList from '../faults/FaultList.vue';
import HabitPanel from '../due/HabitPanel.vue';
import SignalList from '../due/SignalList.vue';
import StripGauge from '../strip/StripGauge.vue';
import { useKeys } from '../kit/keys.ts';
import { say } from '../language/say.ts';
import { gaugeOf } from './gauge.ts';
import VisitsPart from '../notices/VisitsPart.vue';
import HomeAccessForm from '../rounds/HomeAccessForm.vue';
import PlaceMachine from './PlaceMachine.vue';
import MachineForm from '../register/MachineForm.vue';
import PlaceEdit from '../register/PlaceEdit.vue';
import TenancyPanel from '../register/TenancyPanel.vue';
import UnitsForm from '../register/UnitsForm.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ id: string }>();
const desk = useDesk();
const home = useLoading(() => api('place.read', { id: props.id }));
const { value: place, reload } = home;
const addingMachine = ref(false);

const today = computed(() => place.value!.property.today);
const standing = computed(() => {
  const it = place.value!.standing;
  if (it.inOrder.of === 0) return [];
  const { proven, selfCertified, checked } = it.evidence;
  return [
    say('standing.inOrder', { ...it.inOrder }),
    say('standing.onTime', { ...it.onTime }),
    say('standing.proven', { ...proven }),
    ...(checked.count ? [say('standing.checked', { ...checked })] : []),
    ...(selfCertified.count ? [say('standing.selfCertified', { ...selfCertified })] : []),
    ...(it.safetyCritical.of ? [say('standing.critical', { ...it.safetyCritical })] : []),
  ];
});
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
const editing = ref(false);
async function edited(): Promise<void> {
  editing.value = false;
  await reload();
}
async function saved(): Promise<void> {
  addingMachine.value = false;
  await reload();
}
useKeys({
  Escape: () => {
    const forms = [addingMachine, copying, naming, listing, editing];
    const shut = forms.some((it) => it.value);
    for (const form of forms) form.value = false;
    return shut;
  },
});
onMounted(reload);
</script>

<template>
  <PageFrame :title="place?.name" :of="home">
    <template v-if="place" #lead
      ><p class="quiet">
        {{ place.property.name }}{{ ' ' }}
        <button v-if="desk.isManager" type="button" class="plain link small no-print" @click="editing = !editing">
          {{ say('change') }}
        </button>
      </p></template
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
      <PlaceEdit v-if="editing" :place="place" @saved="edited" @cancelled="editing = false" />
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
              {{ say('list.title') }}</button><RouterLink :to="`/homes/${place.id}/tape`">{{
              say('tape.open')
            }}</RouterLink
            ><RouterLink :to="`/homes/${place.id}/walk`">{{ say('place.walk') }}</RouterLink
            ><button type="button" class="plain link" @click="copying = !copying">{{ say('place.copy') }}</button
            ><button v-if="place.machines.length" type="button" class="plain link" @click="naming = !naming">
              {{ say('template.save') }}</button
            ><RouterLink
              v-if="place.machines.length"
              :to="{ path: '/homes/labels', query: { where: `place/${place.id}` } }"
              >{{ say('place.labels') }}</RouterLink
            >
          </p>
          <p v-else class="row small no-print">
            <RouterLink :to="`/homes/${place.id}/tape`">{{ say('tape.open') }}</RouterLink><RouterLink
              :to="`/homes/${place.id}/walk`"
              >{{ say('place.walk') }}</RouterLink
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
          <PlaceMachine
            v-for="machine in place.machines"
            :key="machine.id"
            :machine="machine"
            :place-id="place.id"
            :today="today"
            @saved="saved"
          />
        </section>
        <aside class="stack airy">
          <TenancyPanel v-if="place.kind === 'unit'" :key="place.tenancy?.id ?? 'none'" :place="place" @saved="saved" />
          <VisitsPart
            v-if="place.kind === 'unit'"
            :place-id="place.id"
            :today="today"
            :lived="place.tenancy !== null"
            :manages="desk.isManager"
          />
          <MonthListPart v-if="place.kind === 'unit'" :place-id="place.id" :manages="desk.isManager" />
          <HomeAccessForm :place-id="place.id" />
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
</style>
