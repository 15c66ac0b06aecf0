<script setup lang="ts">
/** Something came between at a stop: the first tap opens what it may be, the second says it. */
import { computed, ref } from 'vue';
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
/** What is chosen from, by what is open. */
const CHOICES = {
  no: () => [],
  what: () => MISHAPS.map((kind) => ({ says: say('mishap.kind', { kind }), choose: () => choose(kind) })),
  late: () =>
    LATER.map((minutes) => ({ says: say('mishap.longer', { minutes }), choose: () => tell('late', { minutes }) })),
  partWrong: () =>
    props.stop.parts.map(({ number, says }) => ({ says, choose: () => tell('partWrong', { part: number }) })),
};
const choices = computed(() => CHOICES[open.value]());
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
    <div class="chips">
      <VBtn
        v-for="(it, i) in choices"
        :key="i"
        variant="outlined"
        min-height="44"
        :disabled="busy"
        @click="it.choose()"
        >{{ it.says }}</VBtn
      >
    </div>
    <p>
      <button type="button" class="plain link" @click="open = 'no'">{{ say('back') }}</button>
    </p>
  </div>
</template>
