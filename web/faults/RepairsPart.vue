<script setup lang="ts">
/** How long a repair may take, by the published standard and by the local rule, and what it may cost without a yes. */
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { REPAIR_HOURS, SEVERITIES, type Severity } from '../../core/faults/clock.ts';
import { changeRepairTimes } from '../../contract/faults/clocks.ts';
import { changeApprovalLimit } from '../../contract/faults/faults.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const clocks = useLoading(() => api('clocks.list'));
const faults = useLoading(() => api('faults.list'));
const [rule, limit] = [useForm(changeRepairTimes), useForm(changeApprovalLimit)];
const propertyId = ref<string | null>(null);
const entry = reactive({ name: '', hours: {} as Record<Severity, string> });
const amount = ref('');
const told = ref('');
/** Nobody types into what is about to be filled. */
const ready = ref(false);
/** Hours in a unit of the field: days where the standard gives days. */
const unitOf = (severity: Severity) => (REPAIR_HOURS[severity] > 48 ? 24 : 1);
const inForce = computed(() => clocks.value.value?.rules.find((it) => it.propertyId === propertyId.value));

function show(): void {
  entry.name = inForce.value?.name ?? '';
  for (const severity of SEVERITIES) {
    const hours = inForce.value?.hours[severity];
    entry.hours[severity] = hours == null ? '' : String(hours / unitOf(severity));
  }
}
watch([inForce, propertyId], show);
async function load(): Promise<void> {
  await Promise.all([clocks.reload(), faults.reload()]);
  amount.value = String(faults.value.value?.approvalLimit ?? '');
  show();
  ready.value = true;
}
async function saveRule(): Promise<void> {
  const hours = Object.fromEntries(
    SEVERITIES.map((it) => [it, entry.hours[it] === '' ? null : Number(entry.hours[it]) * unitOf(it)]),
  );
  const form = { propertyId: propertyId.value, name: entry.name, hours };
  if (!(await rule.submit(form, (it) => api('repairTimes.change', { form: it })))) return;
  told.value = 'rule';
  await clocks.reload();
}
async function saveLimit(): Promise<void> {
  const form = { amount: amount.value === '' ? null : Number(amount.value) };
  if (await limit.submit(form, (it) => api('approvalLimit.change', { form: it }))) told.value = 'limit';
}
onMounted(load);
</script>

<template>
  <Notice :says="clocks.failure.value || faults.failure.value" />
  <div v-if="ready" class="stack airy">
    <form class="stack close" @submit.prevent="saveRule">
      <h2>{{ say('repairTimes.title') }}</h2>
      <p class="quiet lead">{{ say('repairTimes.lead') }}</p>
      <ul v-if="clocks.value.value?.rules.length" class="ruled tight small">
        <li v-for="it in clocks.value.value.rules" :key="it.propertyId ?? ''">
          <b>{{ it.property ?? say('repairTimes.everywhere') }}</b>: {{ it.name }}
        </li>
      </ul>
      <VSelect
        v-if="clocks.value.value"
        v-model="propertyId"
        class="picker"
        :label="say('repairTimes.where')"
        :items="[
          { value: null, title: say('repairTimes.everywhere') },
          ...clocks.value.value.properties.map(({ id: value, name: title }) => ({ value, title })),
        ]"
        @update:model-value="told = ''"
      />
      <div class="fields inline short">
        <VTextField
          v-for="severity in SEVERITIES"
          :key="severity"
          v-model="entry.hours[severity]"
          inputmode="numeric"
          :label="
            say('repairTimes.field', {
              severity: say(`severity.${severity}`),
              unit: unitOf(severity) === 24 ? 'days' : 'hours',
            })
          "
          :hint="say('repairTimes.standard', { amount: REPAIR_HOURS[severity] / unitOf(severity) })"
          persistent-hint
          :error-messages="rule.errors[`hours.${severity}`]"
        />
      </div>
      <VTextField
        v-model="entry.name"
        class="picker"
        :label="say('repairTimes.name')"
        :error-messages="rule.errors.name"
      />
      <Notice :says="rule.problem.value" />
      <p>
        <VBtn type="submit" color="primary" :loading="rule.busy.value">{{ say('repairTimes.save') }}</VBtn>{{ ' ' }}
        <span v-if="told === 'rule'" role="status" class="dew">{{ say('repairTimes.saved') }}</span>
      </p>
    </form>
    <form class="stack close" @submit.prevent="saveLimit">
      <h2>{{ say('approvalLimit.title') }}</h2>
      <p class="quiet lead">{{ say('approvalLimit.lead') }}</p>
      <div class="fields inline short">
        <VTextField
          v-model="amount"
          inputmode="decimal"
          :label="say('approvalLimit.amount', { currency: ownCurrency })"
          :error-messages="limit.errors.amount"
        />
        <VBtn type="submit" color="primary" :loading="limit.busy.value">{{ say('approvalLimit.save') }}</VBtn>
        <span v-if="told === 'limit'" role="status" class="dew">{{ say('saved') }}</span>
      </div>
      <Notice :says="limit.problem.value" />
    </form>
  </div>
</template>
