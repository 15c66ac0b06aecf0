<script setup lang="ts">
/** When an office writes to households, and when what they leave passes to staff. */
import { onMounted, reactive, ref } from 'vue';
import { askingRule } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { clockTime, minuteOf } from './clockTime.ts';

const entry = reactive({ quietFrom: '20:00', quietUntil: '08:00', graceDays: 3, passes: true, gives: false });
const read = useLoading(async () => {
  const { rule } = await api('askings.list');
  return Object.assign(entry, {
    ...rule,
    quietFrom: clockTime(rule.quietFrom),
    quietUntil: clockTime(rule.quietUntil),
  });
});
const { errors, problem, busy, submit } = useForm(askingRule);
const saved = ref(false);
onMounted(read.reload);

async function save(): Promise<void> {
  const { quietFrom, quietUntil, graceDays, passes, gives } = entry;
  saved.value = await submit(
    { quietFrom: minuteOf(quietFrom), quietUntil: minuteOf(quietUntil), graceDays: Number(graceDays), passes, gives },
    (form) => api('askingRule.change', { form }),
  );
}
</script>

<template>
  <section class="stack close">
    <h2>{{ say('askingRule.title') }}</h2>
    <p class="quiet small lead">{{ say('askingRule.why') }}</p>
    <LoadState :of="read" />
    <form v-if="read.value.value" class="stack close" @submit.prevent="save">
      <div class="fields inline short">
        <VTextField
          v-model="entry.quietFrom"
          type="time"
          :label="say('askingRule.quietFrom')"
          :error-messages="errors.quietFrom"
        />
        <VTextField
          v-model="entry.quietUntil"
          type="time"
          :label="say('askingRule.quietUntil')"
          :error-messages="errors.quietUntil"
        />
        <VTextField
          v-if="entry.passes"
          v-model="entry.graceDays"
          type="number"
          min="0"
          max="30"
          :label="say('askingRule.graceDays')"
          :error-messages="errors.graceDays"
        />
      </div>
      <VCheckbox v-model="entry.gives" :label="say('askingRule.gives')" hide-details />
      <VCheckbox v-model="entry.passes" :label="say('askingRule.passes')" hide-details />
      <Notice :says="problem" />
      <p>
        <VBtn type="submit" color="primary" :loading="busy">{{ say('askingRule.save') }}</VBtn>
      </p>
      <Notice v-if="saved" done :says="say('duty.saved')" />
    </form>
  </section>
</template>
