<script setup lang="ts">
/** Beginning work at the machine that nobody asked for; it is proven like any other. */
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { MachineAnswer } from '../../contract/pages/machine.ts';
import { api, newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import CheckList from '../kit/CheckList.vue';

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
  <form class="stack" @submit.prevent="begin">
    <CheckList
      v-model="numbers"
      :legend="say('label.begin.what')"
      :choices="doable.map(({ number: value, name: says }) => ({ value, says }))"
    />
    <Notice :says="failure" />
    <VBtn type="submit" color="primary" size="large" block :loading="busy" :disabled="!numbers.length">{{
      say('label.begin.go')
    }}</VBtn>
    <VBtn variant="text" block min-height="44" @click="emit('close')">{{ say('back') }}</VBtn>
  </form>
</template>
