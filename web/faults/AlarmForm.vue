<script setup lang="ts">
/** *Not safe*: what it is, in two taps; then what to do now, and who knows. */
import { ref } from 'vue';
import { ALARM_KINDS, type AlarmKind } from '../../core/faults/alarms.ts';
import type { AlarmAnswer, EmergencyNumbers } from '../../contract/alarms.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';
import PlainField from '../theme/PlainField.vue';
import { raise } from './alarm.ts';
import AlarmTold from './AlarmTold.vue';

const props = defineProps<{ jobId: string; numbers: EmergencyNumbers; still: readonly string[]; stillSays: string }>();
const emit = defineEmits<{ close: []; left: [] }>();
const kind = ref<AlarmKind | null>(null);
const note = ref('');
const told = ref<{ id: string; answer: AlarmAnswer | null } | null>(null);
const { busy, failure, run } = useSending();

async function tell(): Promise<void> {
  await run(async () => {
    told.value = await raise({
      jobId: props.jobId,
      machineId: null,
      kind: kind.value!,
      note: note.value,
      still: [...props.still],
    });
  });
}
</script>

<template>
  <AlarmTold
    v-if="told"
    :id="told.id"
    :kind="kind!"
    :answer="told.answer"
    :numbers="numbers"
    :still-says="stillSays"
    @left="emit('left')"
  />
  <div v-else class="alarm-form" role="group" :aria-label="say('alarm.what')">
    <h2>{{ say('alarm.what') }}</h2>
    <div class="kinds">
      <button
        v-for="it in ALARM_KINDS"
        :key="it"
        type="button"
        class="kind"
        :class="{ picked: kind === it }"
        :aria-pressed="kind === it"
        @click="kind = it"
      >
        {{ say(`alarm.kind.${it}`) }}
      </button>
    </div>
    <template v-if="kind">
      <p class="caution strong">{{ say(`alarm.now.${kind}`) }}</p>
      <PlainField v-model="note" :label="say('alarm.note')" :rows="1" />
    </template>
    <p v-if="failure" class="tell small" role="alert">{{ failure }}</p>
    <VBtn color="error" size="x-large" block :disabled="!kind" :loading="busy" @click="tell">{{
      say('alarm.raise')
    }}</VBtn>
    <VBtn variant="outlined" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </div>
</template>

<style scoped>
.alarm-form {
  display: grid;
  gap: 10px;
}
.kinds {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.kind {
  min-height: 48px;
  padding: 6px 10px;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  background: var(--panel);
  color: var(--ink);
  font: inherit;
  font-weight: 600;
}
.kind.picked {
  border-color: var(--alarm);
  background: var(--alarm-ground);
  color: var(--alarm);
}
.kind:last-child {
  grid-column: 1 / -1;
}
</style>
