<script setup lang="ts">
/** Prices, where they are known, and what a tenancy may be asked for. */
import { reactive, ref } from 'vue';
import { changeBudget, changePrices, type PracticeAnswer } from '../../contract/due/practice.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ answer: PracticeAnswer }>();
const emit = defineEmits<{ changed: [] }>();
const prices = reactive({
  staffHour: props.answer.prices?.staffHour ?? 0,
  door: props.answer.prices?.door ?? 0,
  call: (props.answer.prices?.call ?? '') as number | '',
  hoursAMonth: (props.answer.prices?.hoursAMonth ?? '') as number | '',
});
const materials = reactive<Record<string, number | ''>>(
  Object.fromEntries(props.answer.materials.map(({ key }) => [key, props.answer.prices?.materials[key] ?? ''])),
);
const budget = reactive({ ...props.answer.budget });
const [price, limit] = [useForm(changePrices), useForm(changeBudget)];
const told = ref('');

async function savePrices(): Promise<void> {
  const known = Object.fromEntries(Object.entries(materials).filter(([, value]) => value !== ''));
  if (
    await price.submit(
      {
        ...prices,
        call: prices.call === '' ? null : prices.call,
        hoursAMonth: prices.hoursAMonth === '' ? null : prices.hoursAMonth,
        materials: known,
      },
      (form) => api('prices.change', { form }),
    )
  ) {
    told.value = 'prices';
    emit('changed');
  }
}
async function saveBudget(): Promise<void> {
  if (await limit.submit({ tenancyId: null, ...budget }, (form) => api('budget.change', { form }))) {
    told.value = 'budget';
    emit('changed');
  }
}
</script>

<template>
  <div class="stack airy">
    <form class="stack close" @submit.prevent="saveBudget">
      <h2>{{ say('budget.title') }}</h2>
      <div class="fields inline short">
        <VTextField
          v-model.number="budget.jobs"
          type="number"
          min="0"
          :label="say('budget.jobs')"
          :error-messages="limit.errors.jobs"
        />
        <VTextField
          v-model.number="budget.minutes"
          type="number"
          min="0"
          :label="say('budget.minutes')"
          :error-messages="limit.errors.minutes"
        />
        <VBtn type="submit" color="primary" :loading="limit.busy.value">{{ say('budget.save') }}</VBtn>
        <span v-if="told === 'budget'" role="status" class="dew">{{ say('saved') }}</span>
      </div>
      <Notice :says="limit.problem.value" />
    </form>
    <form class="stack close" @submit.prevent="savePrices">
      <h2>{{ say('practice.part.prices').split(' ')[0] }}</h2>
      <p class="quiet">{{ say('prices.lead') }}</p>
      <div class="fields inline short">
        <VTextField
          v-model.number="prices.staffHour"
          type="number"
          min="0"
          step="0.01"
          :label="say('prices.hour', { currency: ownCurrency })"
          :error-messages="price.errors.staffHour"
        />
        <VTextField
          v-model.number="prices.hoursAMonth"
          type="number"
          min="0"
          step="0.5"
          :label="say('prices.hours')"
          :error-messages="price.errors.hoursAMonth"
        />
        <VTextField
          v-model.number="prices.door"
          type="number"
          min="0"
          step="0.01"
          :label="say('prices.door', { currency: ownCurrency })"
          :error-messages="price.errors.door"
        />
        <VTextField
          v-model.number="prices.call"
          type="number"
          min="0"
          step="0.01"
          :label="say('prices.call', { currency: ownCurrency })"
          :error-messages="price.errors.call"
        />
      </div>
      <h3>{{ say('prices.materials', { currency: ownCurrency }) }}</h3>
      <div class="columns small-ones ruled apart tight">
        <label v-for="it in answer.materials" :key="it.key"
          ><span>{{ it.name }}</span
          ><input class="small-field" v-model.number="materials[it.key]" type="number" min="0" step="0.01"
        /></label>
      </div>
      <Notice :says="price.problem.value" />
      <p>
        <VBtn type="submit" color="primary" :loading="price.busy.value">{{ say('prices.save') }}</VBtn>{{ ' ' }}
        <span v-if="told === 'prices'" role="status" class="dew">{{ say('saved') }}</span>
      </p>
    </form>
  </div>
</template>
