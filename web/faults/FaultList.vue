<script setup lang="ts">
/** Faults: open ones with the clock on their repair, closed ones with what it was, by code or to be coded. */
import { ownCurrency } from '../api/api.ts';
import { ref } from 'vue';
import type { FaultSummary } from '../../contract/faults/faults.ts';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import CloseFault from './CloseFault.vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import ApprovalPart from './ApprovalPart.vue';
import CodeFault from './CodeFault.vue';
import PhotoStrip from './PhotoStrip.vue';

defineProps<{
  faults: readonly FaultSummary[];
  withPlace?: boolean;
  /** What a repair may cost without a manager's yes; null: anything. */
  limit?: { readonly amount: number | null };
}>();
const desk = useDesk();
const emit = defineEmits<{ changed: [] }>();
const closing = ref<string | null>(null);
const now = Date.now();

function closed(): void {
  closing.value = null;
  emit('changed');
}
</script>

<template>
  <p v-if="faults.length === 0" class="quiet small">{{ say('faults.open', { count: 0 }) }}</p>
  <ul class="ruled">
    <li v-for="fault in faults" :key="fault.id" class="stack tight" :class="{ quiet: fault.closedAt !== null }">
      <p>
        <b>{{ fault.says }}</b>{{ ' ' }}
        <RouterLink v-if="withPlace" :to="`/homes/${fault.placeId}`">{{ fault.place }}</RouterLink><template
          v-if="withPlace"
          >, {{ fault.property }}</template
        >{{ ' ' }}
        <span class="quiet small">{{ fault.machine }}</span>
      </p>
      <p v-if="fault.note" class="small">
        <q>{{ fault.note }}</q>
      </p>
      <p class="quiet small">
        {{ say('faults.reported', { by: fault.openedBy, at: say.time(fault.openedAt, fault.zone) })
        }}<template v-if="fault.noticed">{{
          say('faults.noticed', { day: say.shortDay(dayFromIso(fault.noticed)) })
        }}</template>
      </p>
      <p v-for="other in fault.alsoBy" :key="`${other.name} ${other.at}`" class="quiet small">
        {{ say('faults.also', { by: other.name, at: say.time(other.at, fault.zone) }) }}
        <template v-if="other.note"
          ><q>{{ other.note }}</q></template
        >
      </p>
      <PhotoStrip :photo-ids="fault.photoIds" :says="fault.says" />
      <template v-if="fault.closedAt === null">
        <p class="small" :class="{ alarm: fault.correctBy < now || fault.severity === 'lifeThreatening' }">
          {{ say(`severity.${fault.severity}`) }} ·
          {{
            say(fault.correctBy < now ? 'faults.overdue' : 'faults.by', { at: say.time(fault.correctBy, fault.zone) })
          }}
          · {{ fault.responsible ?? say('clock.nobody')
          }}<template v-if="fault.stopUsing"> · {{ say('faults.stop') }}</template>
        </p>
        <p class="row small">
          <RouterLink v-if="fault.pointNumber" class="small" :to="`/line/${fault.pointNumber}`">{{
            say('faults.point')
          }}</RouterLink>
          <RouterLink v-if="fault.findable" class="small" :to="`/faults/${fault.id}`">{{
            say('find.begin')
          }}</RouterLink>
          <button
            type="button"
            class="plain link"
            @click="closing = closing === fault.id ? null : fault.id"
            :aria-label="`${say('faults.close')} ${fault.says}, ${fault.place}`"
          >
            {{ say('faults.close') }}
          </button>
        </p>
        <ApprovalPart
          :fault="fault"
          :may-answer="desk.isManager"
          :asking="closing === fault.id && !desk.isManager && limit?.amount != null"
          @changed="emit('changed')"
        />
        <CloseFault
          v-if="closing === fault.id"
          :id="fault.id"
          :machine-type="fault.machineType"
          :symptom="fault.symptom"
          @closed="closed"
        />
      </template>
      <template v-else>
        <p v-if="fault.closing" class="small">
          ✓ <b>{{ fault.closing.says }}</b><template v-if="fault.closing.remedy">
            ·
            {{
              say('faults.closed.by', {
                remedy: say(`remedy.${fault.closing.remedy}`),
                minutes: fault.closing.minutes ?? 0,
              })
            }}</template
          ><template v-if="fault.closing.cost !== null && fault.closing.payer">
            ·
            {{
              say('faults.closed.cost', {
                cost: say.money(fault.closing.cost, ownCurrency),
                payer: say(`payer.${fault.closing.payer}`),
              })
            }}</template
          ><template v-if="fault.closing.byTenant"> · {{ say('faults.byTenant') }}</template
          ><template v-if="fault.gone"> · {{ say(`faults.gone.${fault.gone}`) }}</template>
        </p>
        <p v-if="fault.found" class="small">{{ fault.closing ? '' : '✓' }} {{ fault.found }}</p>
        <PhotoStrip :photo-ids="fault.donePhotoIds" :says="fault.found || fault.says" />
        <CodeFault
          :of="`${fault.says}, ${fault.place}`"
          v-if="!fault.closing"
          :id="fault.id"
          :machine-type="fault.machineType"
          :symptom="fault.symptom"
          @coded="emit('changed')"
        />
      </template>
    </li>
  </ul>
</template>
