<script setup lang="ts">
/** Hours of notice that a property gives before somebody comes into a home. */
import { ref } from 'vue';
import { entryRule } from '../../contract/notices/visits.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ propertyId: string; known: number }>();
const hours = ref(props.known);
const saved = ref(false);
const { errors, problem, busy, submit } = useForm(entryRule);
async function save(): Promise<void> {
  saved.value = await submit({ hours: Number(hours.value) }, (form) =>
    api('property.entryRule', { id: props.propertyId, form }),
  );
}
</script>

<template>
  <form class="panel card fields" @submit.prevent="save">
    <VTextField
      v-model="hours"
      type="number"
      min="0"
      max="336"
      :label="say('property.notice')"
      :error-messages="errors.hours"
    />
    <Notice :says="problem" />
    <p class="quiet small whole">{{ say('property.notice.why') }}</p>
    <p class="whole">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('property.notice.save') }}</VBtn>{{ ' ' }}
      <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
    </p>
  </form>
</template>
