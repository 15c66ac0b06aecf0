<script setup lang="ts">
/** By what right one is in a home that is lived in: announced, agreed, or a word at the door; fire, flood and gas go first. */
import { computed, ref, watch } from 'vue';
import type { EnterHome, EntryAnswer } from '../../contract/notices/visits.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import PlainField from '../kit/PlainField.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ answer: EntryAnswer; tried: boolean }>();
const entry = defineModel<EnterHome | null>({ required: true });

const WAYS = ['tenant', 'somebody', 'fire', 'flood', 'gas'] as const;
type Way = (typeof WAYS)[number];
function wayOf(said: EnterHome | null): Way | null {
  if (!said) return null;
  if (said.ground !== 'word') return said.ground;
  return said.name === props.answer.tenant ? 'tenant' : 'somebody';
}
const way = ref<Way | null>(wayOf(entry.value));
const name = ref(way.value === 'somebody' ? (entry.value?.name ?? '') : '');
const choices = computed(() =>
  WAYS.map((value) => ({ value: value as Way | null, says: say(`entry.way.${value}`, { name: props.answer.tenant }) })),
);
watch([way, name], () => {
  if (way.value === null) return;
  if (way.value === 'tenant') entry.value = { ground: 'word', name: props.answer.tenant, note: '' };
  else if (way.value === 'somebody')
    entry.value = name.value.trim() ? { ground: 'word', name: name.value.trim(), note: '' } : null;
  else entry.value = { ground: way.value, name: '', note: '' };
});
</script>

<template>
  <p v-if="!answer.needed && answer.says" class="small quiet">{{ answer.says }}</p>
  <section v-else-if="answer.needed" class="caution stack close">
    <p class="strong">{{ answer.says }}</p>
    <p class="small">{{ say('entry.why') }}</p>
    <ChoiceList v-model="way" :legend="say('entry.way')" :choices="choices" />
    <PlainField v-if="way === 'somebody'" v-model="name" :label="say('entry.name')" />
    <p v-if="way && way !== 'tenant' && way !== 'somebody'" class="small">{{ say('entry.emergency') }}</p>
    <p v-if="tried && !entry" class="alarm" role="alert">{{ say('entry.missing') }}</p>
  </section>
</template>
