<script setup lang="ts">
/** Something came between at a stop: the first tap opens what it may be, the second says it. */
import { ref } from 'vue';
import { LATER, MISHAPS, type MishapKind } from '../../contract/rounds/mishaps.ts';
import type { RoundStop } from '../../contract/rounds/rounds.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ stop: RoundStop; busy: boolean }>();
const emit = defineEmits<{ tell: [kind: MishapKind, more?: { part?: number; minutes?: number }] }>();
const open = ref<'no' | 'what' | 'partWrong' | 'late'>('no');
function choose(kind: MishapKind): void {
  const { parts } = props.stop;
  if (kind === 'late' || (kind === 'partWrong' && parts.length > 1)) open.value = kind;
  else tell(kind, kind === 'partWrong' ? { part: parts[0]!.number } : {});
}
function tell(kind: MishapKind, more: { part?: number; minutes?: number }): void {
  open.value = 'no';
  emit('tell', kind, more);
}
</script>

<template>
  <p v-if="open === 'no'" class="no-print">
    <button
      type="button"
      class="plain link"
      :aria-label="`${say('mishap.open')}: ${stop.place}`"
      @click="open = 'what'"
    >
      {{ say('mishap.open') }}
    </button>
  </p>
  <div v-else class="stack close no-print" role="group" :aria-label="`${say('mishap.open')}: ${stop.place}`">
    <div v-if="open === 'what'" class="chips">
      <VBtn
        v-for="kind in MISHAPS"
        :key="kind"
        variant="outlined"
        min-height="44"
        :disabled="busy"
        @click="choose(kind)"
        >{{ say('mishap.kind', { kind }) }}</VBtn
      >
    </div>
    <div v-else-if="open === 'late'" class="chips">
      <VBtn
        v-for="minutes in LATER"
        :key="minutes"
        variant="outlined"
        min-height="44"
        :disabled="busy"
        @click="tell('late', { minutes })"
        >{{ say('mishap.longer', { minutes }) }}</VBtn
      >
    </div>
    <div v-else class="chips">
      <VBtn
        v-for="part in stop.parts"
        :key="part.number"
        variant="outlined"
        min-height="44"
        :disabled="busy"
        @click="tell('partWrong', { part: part.number })"
        >{{ part.says }}</VBtn
      >
    </div>
    <p>
      <button type="button" class="plain link" @click="open = 'no'">{{ say('back') }}</button>
    </p>
  </div>
</template>
