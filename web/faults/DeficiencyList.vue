<script setup lang="ts">
/** Deficiencies: by when each is put right and by whom; closed with what was done. */
import { ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { DeficienciesAnswer } from '../../contract/faults/deficiencies.ts';
import { useDesk } from '../people/deskStore.ts';
import { say } from '../language/say.ts';
import ClockForm from './ClockForm.vue';
import PhotoStrip from './PhotoStrip.vue';
import PutRight from './PutRight.vue';

defineProps<{ answer: DeficienciesAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const desk = useDesk();
const open = ref<string | null>(null);

const nameOf = ({ says, place }: DeficienciesAnswer['deficiencies'][number]) => `${says}, ${place}`;
const toggle = (key: string) => (open.value = open.value === key ? null : key);
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
      <p v-if="it.note" class="small">
        <q>{{ it.note }}</q>
      </p>
      <p class="quiet small">
        {{ say('deficiencies.seen', { by: it.openedBy, day: say.shortDay(dayFromIso(it.openedOn)) }) }}
      </p>
      <PhotoStrip :photo-ids="it.photoIds" :says="it.says" />
      <template v-if="it.closedOn">
        <p class="small">
          {{ say('deficiencies.closed', { done: it.done ?? '', day: say.shortDay(dayFromIso(it.closedOn)) }) }}
        </p>
        <PhotoStrip :photo-ids="it.donePhotoIds" :says="it.done ?? it.says" />
      </template>
      <template v-else>
        <p class="small" :class="{ alarm: it.overdue }">
          {{ say(`severity.${it.severity}`) }} ·
          {{
            say(it.overdue ? 'deficiencies.overdue' : 'deficiencies.by', {
              day: say.shortDay(dayFromIso(it.correctBy)),
            })
          }}
          · {{ it.responsible ?? say('clock.nobody') }}
        </p>
        <p class="row">
          <button
            v-if="desk.isManager"
            type="button"
            class="plain link small"
            @click="toggle(`${it.id} change`)"
            :aria-label="`${say('clock.change')} ${nameOf(it)}`"
          >
            {{ say('clock.change') }}
          </button>
          <button
            type="button"
            class="plain link small"
            @click="toggle(`${it.id} close`)"
            :aria-label="`${say('deficiencies.close')} ${nameOf(it)}`"
          >
            {{ say('deficiencies.close') }}
          </button>
        </p>
        <ClockForm
          v-if="open === `${it.id} change`"
          :item="{ ...it, kind: 'deficiency', correctOn: it.correctBy }"
          :people="answer.people"
          @changed="finish"
        />
        <PutRight v-if="open === `${it.id} close`" :id="it.id" :action="say('deficiencies.close')" @closed="finish" />
      </template>
    </li>
  </ul>
</template>
