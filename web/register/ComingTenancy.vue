<script setup lang="ts">
/** A tenancy that begins later: mended or taken back while it has not begun. */
import { ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { TenancySummary } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import TenancyEdit from './TenancyEdit.vue';

const props = defineProps<{ tenancy: TenancySummary }>();
const emit = defineEmits<{ saved: [] }>();
const open = ref(false);
const sure = ref(false);
const { failure, run } = useSending();

function saved(): void {
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
    <TenancyEdit v-else :tenancy="tenancy" @saved="saved" @cancelled="open = false" />
    <Notice class="small" :says="failure" />
  </div>
</template>
