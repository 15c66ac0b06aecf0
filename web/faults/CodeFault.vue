<script setup lang="ts">
/** The cause of a fault that was closed in words alone: the likeliest as one key each, any other from the list. */
import { computed } from 'vue';
import { causesToName } from '../../core/faults/causes.ts';
import { OTHER } from '../../core/faults/other.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ id: string; machineType: string; symptom: string; of: string }>();
const emit = defineEmits<{ coded: [] }>();
const FIRST = 4;
const causes = computed(() => causesToName(props.machineType, props.symptom).map(({ key }) => key));
const first = computed(() => causes.value.filter((key) => key !== OTHER).slice(0, FIRST));
const rest = computed(() => causes.value.filter((key) => !first.value.includes(key)));
const { failure, run } = useSending();

async function code(cause: string): Promise<void> {
  if (await run(async () => void (await api('fault.code', { id: props.id, form: { cause } })))) emit('coded');
}
</script>

<template>
  <div class="row close small" role="group" :aria-label="`${say('faults.code')}: ${of}`">
    <VBtn v-for="key in first" :key="key" variant="outlined" size="small" @click="code(key)">{{
      say.text(`cause.${key}`)
    }}</VBtn>
    <VMenu>
      <template #activator="{ props: opens }"
        ><VBtn variant="text" size="small" v-bind="opens">{{ say('faults.code.more') }}</VBtn></template
      >
      <VList density="compact">
        <VListItem v-for="key in rest" :key="key" @click="code(key)">{{ say.text(`cause.${key}`) }}</VListItem>
      </VList>
    </VMenu>
    <Notice class="small" :says="failure" />
  </div>
</template>
