<script setup lang="ts">
/** Beginning work at the machine that nobody asked for; it is proven like any other. */
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { MachineAnswer } from '../../contract/labels.ts';
import { api, newId } from '../door/door.ts';
import { useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ machine: MachineAnswer }>();
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const doable = computed(() => props.machine.points.filter(({ may }) => may));
const numbers = ref<number[]>(doable.value.length === 1 ? [doable.value[0]!.number] : []);
const id = newId();
const { busy, failure, run } = useSending();

async function begin(): Promise<void> {
  await run(async () => {
    await api('jobs.begin', { number: props.machine.number, form: { id, numbers: numbers.value }, once: id });
    await router.push(`/jobs/${id}`);
  });
}
</script>

<template>
  <form class="begin" @submit.prevent="begin">
    <fieldset>
      <legend>{{ say('label.begin.what') }}</legend>
      <label v-for="it in doable" :key="it.number" class="choice"
        ><input v-model="numbers" type="checkbox" :value="it.number" /> {{ it.name }}</label
      >
    </fieldset>
    <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
    <VBtn type="submit" color="primary" size="large" block :loading="busy" :disabled="!numbers.length">{{
      say('label.begin.go')
    }}</VBtn>
    <VBtn variant="text" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </form>
</template>

<style scoped>
.begin {
  display: grid;
  gap: 12px;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
legend {
  font-weight: 640;
  padding: 0;
  margin-bottom: 6px;
}
.choice {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 46px;
  padding: 0 12px;
  border: 1.5px solid var(--hair);
  border-radius: 8px;
  background: var(--panel);
}
.choice:has(:checked) {
  border-color: var(--dew);
  background: var(--pick);
}
.choice input {
  width: 20px;
  height: 20px;
  accent-color: var(--dew-deep);
}
</style>
