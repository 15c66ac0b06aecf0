<script setup lang="ts">
/** *Not safe*: what it is, in two taps; then what to do now, and who knows. */
import { ref } from 'vue';
import { ALARM_KINDS, type AlarmKind } from '../../core/faults/alarms.ts';
import type { AlarmAnswer, EmergencyNumbers } from '../../contract/faults/alarms.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import PlainField from '../kit/PlainField.vue';
import { raise } from './alarm.ts';
import AlarmTold from './AlarmTold.vue';
import Notice from '../kit/Notice.vue';

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
  <div v-else class="stack close" role="group" :aria-label="say('alarm.what')">
    <h2>{{ say('alarm.what') }}</h2>
    <div class="columns two">
      <button
        v-for="it in ALARM_KINDS"
        :key="it"
        type="button"
        class="choice"
        :class="{ wrong: kind === it, whole: it === ALARM_KINDS.at(-1) }"
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
    <Notice class="small" :says="failure" />
    <VBtn color="error" size="x-large" block :disabled="!kind" :loading="busy" @click="tell">{{
      say('alarm.raise')
    }}</VBtn>
    <VBtn variant="outlined" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </div>
</template>
