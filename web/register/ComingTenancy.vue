<script setup lang="ts">
/** A tenancy that begins later: mended or taken back while it has not begun. */
import { reactive, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { tenancyChange, type TenancySummary } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ tenancy: TenancySummary }>();
const emit = defineEmits<{ saved: [] }>();
const open = ref(false);
const sure = ref(false);
const entry = reactive({ name: props.tenancy.name, from: props.tenancy.from });
const { errors, problem, busy, submit } = useForm(tenancyChange);
const { failure, run } = useSending();

async function save(): Promise<void> {
  if (!(await submit({ ...entry }, (form) => api('tenancy.change', { id: props.tenancy.id, form })))) return;
  open.value = false;
  emit('saved');
}
async function withdraw(): Promise<void> {
  if (!sure.value) {
    sure.value = true;
    return;
  }
  if (
    await run(async () => {
      await api('tenancy.withdraw', { id: props.tenancy.id });
    })
  )
    emit('saved');
}
</script>

<template>
  <div class="marked stack close">
    <p>
      <b>{{ tenancy.name }}</b>{{ ' ' }}
      <span class="quiet">{{ say('tenancy.coming', { day: say.day(dayFromIso(tenancy.from)) }) }}</span>
    </p>
    <p v-if="!open" class="row">
      <button type="button" class="plain link small" @click="open = true">
        {{ say('tenancy.coming.change') }}</button><button type="button" class="plain link small" @click="withdraw">
        {{ say(sure ? 'tenancy.coming.sure' : 'tenancy.coming.withdraw') }}
      </button>
    </p>
    <form v-else class="stack close start" @submit.prevent="save">
      <VTextField v-model="entry.name" :label="say('tenancy.name')" :error-messages="errors.name" /><VTextField
        v-model="entry.from"
        type="date"
        :label="say('tenancy.from')"
        :error-messages="errors.from"
      />
      <Notice class="small" :says="problem" />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('tenancy.coming.save') }}</VBtn>
    </form>
    <Notice class="small" :says="failure" />
  </div>
</template>
