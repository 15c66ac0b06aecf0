<script setup lang="ts">
/** What a household has agreed to do of what tenants may do; the rest is staff's. */
import { onMounted, ref, watch } from 'vue';
import { agreement } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import TickBox from '../kit/TickBox.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ tenancyId: string }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const read = useLoading(() => api('tenancy.agreed', { id: props.tenancyId }));
const { value: known } = read;
const declined = ref<string[]>([]);
const { problem, errors, busy, submit } = useForm(agreement);
watch(known, (it) => {
  declined.value = it?.tasks.filter(({ agreed }) => !agreed).map(({ procedure }) => procedure) ?? [];
});
const set = (procedure: string, agreed: boolean) => {
  declined.value = agreed ? declined.value.filter((it) => it !== procedure) : [...declined.value, procedure];
};
async function save(): Promise<void> {
  const form = { declined: declined.value };
  if (await submit(form, (it) => api('tenancy.agree', { id: props.tenancyId, form: it }))) emit('saved');
}
onMounted(read.reload);
</script>

<template>
  <form class="panel card stack close" @submit.prevent="save" @keydown.esc.stop="emit('cancelled')">
    <fieldset class="stack tight">
      <legend>{{ say('agreement.title') }}</legend>
      <p class="quiet small">{{ say('agreement.why') }}</p>
      <LoadState v-if="!known" :of="read" />
      <p v-else-if="!known.tasks.length" class="quiet">{{ say('agreement.none') }}</p>
      <TickBox
        v-for="{ procedure, says } in known?.tasks"
        :key="procedure"
        :model-value="!declined.includes(procedure)"
        @update:model-value="set(procedure, $event)"
        >{{ says }}</TickBox
      >
    </fieldset>
    <Notice class="small" :says="problem || errors.declined" />
    <p class="row middle">
      <VBtn type="submit" color="primary" :loading="busy">{{ say('agreement.save') }}</VBtn>
      <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
    </p>
  </form>
</template>
