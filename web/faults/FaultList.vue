<script setup lang="ts">
/** Faults, open ones with the clock on their repair, each closed with what was found. */
import { ref } from 'vue';
import { closeFault } from '../../contract/faults/faults.ts';
import type { FaultSummary } from '../../contract/faults/faults.ts';
import { api, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

defineProps<{ faults: readonly FaultSummary[]; withPlace?: boolean }>();
const emit = defineEmits<{ changed: [] }>();
const closing = ref<string | null>(null);
const found = ref('');
const { errors, problem, busy, submit } = useForm(closeFault);
const now = Date.now();

async function close(id: string): Promise<void> {
  if (!(await submit({ found: found.value }, (form) => api('faults.close', { id, form })))) return;
  closing.value = null;
  found.value = '';
  emit('changed');
}
</script>

<template>
  <p v-if="faults.length === 0" class="quiet small">{{ say('faults.open', { count: 0 }) }}</p>
  <ul class="ruled">
    <li v-for="fault in faults" :key="fault.id" class="stack tight" :class="{ quiet: fault.closedAt !== null }">
      <p>
        <b>{{ fault.says }}</b>{{ ' ' }}
        <RouterLink v-if="withPlace" :to="`/homes/${fault.placeId}`">{{ fault.place }}</RouterLink>{{ ' ' }}
        <span class="quiet small">{{ fault.machine }}</span>
      </p>
      <p v-if="fault.note" class="small">“{{ fault.note }}”</p>
      <p class="quiet small">
        {{ say('faults.reported', { by: fault.openedBy, at: say.time(fault.openedAt, fault.zone) }) }}
      </p>
      <div v-if="fault.photoIds.length" class="photos">
        <img
          v-for="photo in fault.photoIds"
          :key="photo"
          :src="photoUrl(photo)"
          :alt="fault.says"
          width="110"
          loading="lazy"
        />
      </div>
      <template v-if="fault.closedAt === null">
        <p class="small" :class="{ alarm: fault.correctBy < now || fault.severity === 'lifeThreatening' }">
          {{ say(`severity.${fault.severity}`) }} ·
          {{ say(fault.correctBy < now ? 'faults.overdue' : 'faults.by', { at: say.time(fault.correctBy, fault.zone) })
          }}<template v-if="fault.stopUsing"> · {{ say('faults.stop') }}</template>
        </p>
        <p class="row">
          <RouterLink v-if="fault.pointNumber" class="small" :to="`/line/${fault.pointNumber}`">{{
            say('faults.point')
          }}</RouterLink>
          <button type="button" class="plain link small" @click="closing = closing === fault.id ? null : fault.id">
            {{ say('faults.close') }}
          </button>
        </p>
        <form class="stack close start" v-if="closing === fault.id" @submit.prevent="close(fault.id)">
          <VTextarea v-model="found" :label="say('faults.found')" rows="2" :error-messages="errors.found" autofocus />
          <Notice class="small" :says="problem" />
          <VBtn type="submit" color="primary" :loading="busy">{{ say('faults.closeNow') }}</VBtn>
        </form>
      </template>
      <p v-else class="small">✓ {{ fault.found }}</p>
    </li>
  </ul>
</template>
