<script setup lang="ts">
/** A machine of a home: what it is, its points on the strip, and what of it can be changed. */
import { ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { MachineSummary, PointSummary } from '../../contract/register/machines.ts';
import { api, photoUrl } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import MachineMore from '../register/MachineMore.vue';
import PhotoField from '../outbox/PhotoField.vue';
import PointSpecification from '../register/PointSpecification.vue';
import KindGlyph from '../strip/KindGlyph.vue';
import { isLate, isSent, standOn } from '../strip/marks.ts';
import StripGauge from '../strip/StripGauge.vue';
import { gaugeOf } from './gauge.ts';

const props = defineProps<{ machine: MachineSummary; placeId: string; today: number }>();
const emit = defineEmits<{ saved: [] }>();
const desk = useDesk();
const specifying = ref<string | null>(null);
const more = ref(false);
const returning = useSending();

function words({ mark }: PointSummary): string {
  const { share, daysLeft, state } = standOn(mark, props.today);
  if (isSent(mark)) return say('work.sent');
  if (state === 'onHold') return say('work.onHold');
  if (share === undefined) return say(`state.${state}`);
  if (daysLeft < 0) return say('words.past', { days: -daysLeft });
  return daysLeft === 0 ? say('words.due') : say('words.in', { days: daysLeft });
}
const late = ({ mark }: PointSummary) => isLate({ ...standOn(mark, props.today), work: mark.work });
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
  await api('machine.shutoff', { id: machine.id, form: { photoId: shutoffPhotoId } });
  emit('saved');
}
async function restore(): Promise<void> {
  if (await returning.run(async () => void (await api('machine.restore', { id: props.machine.id })))) emit('saved');
}
function saved(): void {
  specifying.value = null;
  emit('saved');
}
const specifyOf = (point: MachineSummary['points'][number]) =>
  say(lacksSpecification(point) ? 'machine.specMissing' : 'point.specify');
</script>

<template>
  <article class="machine heavy">
    <div class="row apart">
      <h3>{{ machine.name }}</h3>
      <p class="quiet small">
        {{ detail(machine) }}
        <button
          v-if="desk.isManager && !machine.retired"
          type="button"
          class="plain link"
          :aria-expanded="more"
          :aria-label="`${say('machine.more')} ${machine.name}`"
          @click="more = !more"
        >
          {{ say('machine.more') }}
        </button>
        <button v-if="desk.isManager && machine.retired" type="button" class="plain link" @click="restore">
          {{ say('machine.restore') }}
        </button>
      </p>
    </div>
    <p v-if="machine.claim" class="quiet small">
      {{
        say('machine.claim', {
          day: say.day(dayFromIso(machine.claim.day)),
          who: machine.claim.by ? say('machine.claim.by', { name: machine.claim.by }) : '',
          found: machine.claim.grade ? say('machine.claim.found', { grade: say(`grade.${machine.claim.grade}`) }) : '',
        })
      }}
    </p>
    <Notice :says="returning.failure.value" />
    <MachineMore v-if="more" :machine="machine" :place-id="placeId" :today="today" @saved="saved" />
    <ul class="ruled tight ink-link">
      <li v-for="point in machine.points" :key="point.id" class="point">
        <RouterLink v-if="desk.isManager" :to="`/line/${point.number}`"
          ><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink
        >
        <RouterLink v-else :to="`/look/${point.number}`"><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink>
        <StripGauge :marks="gaugeOf([point])" :today="today" />
        <span class="small" :class="{ alarm: late(point), strong: late(point) }"
          >{{ words(point) }}<span v-if="!point.scheduled" class="quiet"> · {{ say('words.rides') }}</span></span
        >
        <button
          v-if="desk.isManager"
          type="button"
          class="plain link small"
          :aria-label="`${specifyOf(point)} ${point.name}`"
          @click="specifying = specifying === point.id ? null : point.id"
        >
          {{ specifyOf(point) }}
        </button>
        <PointSpecification
          v-if="specifying === point.id"
          class="spec"
          :place-id="placeId"
          :point-id="point.id"
          @saved="saved"
        />
      </li>
    </ul>
    <div v-if="machine.shutoffPhotoId || !machine.retired" class="small">
      <img
        class="thumb"
        v-if="machine.shutoffPhotoId"
        :src="photoUrl(machine.shutoffPhotoId)"
        :alt="say('machine.shutoff')"
        width="120"
        loading="lazy"
      />
      <PhotoField
        v-if="!machine.retired && (desk.isManager || !machine.shutoffPhotoId)"
        quiet
        :label="say(machine.shutoffPhotoId ? 'machine.otherShutoff' : 'machine.addShutoff')"
        :model-value="null"
        @update:model-value="setShutoff(machine, $event)"
      />
    </div>
  </article>
</template>

<style scoped>
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
