<script setup lang="ts">
/** From which share of its parts past the line on a home is in breach; of days to come, not of days gone. */
import { ref } from 'vue';
import { changeVerdict } from '../../contract/standing/standing.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ share: number }>();
const emit = defineEmits<{ changed: [] }>();
const percent = ref(String(Math.round(props.share * 100)));
const { errors, problem, busy, submit } = useForm(changeVerdict);

async function save(): Promise<void> {
  const form = { percent: percent.value === '' ? undefined : Number(percent.value) };
  if (await submit(form, (it) => api('verdict.change', { form: it }))) emit('changed');
}
</script>

<template>
  <form class="row close middle no-print" @submit.prevent="save">
    <VTextField
      v-model="percent"
      class="find"
      density="compact"
      hide-details="auto"
      inputmode="numeric"
      :label="say('verdict.percent')"
      :error-messages="errors.percent ?? problem"
    />
    <VBtn type="submit" size="small" variant="outlined" :loading="busy">{{ say('verdict.save') }}</VBtn>
  </form>
</template>
