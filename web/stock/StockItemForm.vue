<script setup lang="ts">
/** Counting something, taking in what came, and how it is bought. */
import { reactive, ref } from 'vue';
import { changeStock, changeStockItem, SERVICE_LEVELS, type StockItem } from '../../contract/stock/stock.ts';
import { api, newId, ownCurrency } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ item: StockItem; manages: boolean }>();
const emit = defineEmits<{ saved: []; cancelled: [] }>();
const quantity = ref<number | ''>('');
const counting = useForm(changeStock);
const buying = useForm(changeStockItem);
const ids = { counted: newId(), received: newId() };
const { supplier, price, pack, leadWeeks, service } = props.item;
const entry = reactive({ supplier, price: (price ?? '') as number | '', pack, leadWeeks, service });

async function change(kind: 'counted' | 'received'): Promise<void> {
  const form = { id: ids[kind], item: props.item.item, kind, quantity: quantity.value };
  if (await counting.submit(form, (it) => api('stock.change', { form: it, once: ids[kind] }))) emit('saved');
}
async function save(): Promise<void> {
  const form = { item: props.item.item, ...entry, price: entry.price === '' ? null : entry.price };
  if (await buying.submit(form, (it) => api('stock.item', { form: it }))) emit('saved');
}
</script>

<template>
  <div class="panel card stack close" @keydown.esc.stop="emit('cancelled')">
    <form class="stack close" @submit.prevent="change('counted')">
      <div class="fields inline short">
        <VTextField
          v-model.number="quantity"
          type="number"
          min="0"
          :label="say('stock.quantity')"
          :error-messages="counting.errors.quantity"
        />
      </div>
      <Notice class="small" :says="counting.problem.value || counting.errors.item" />
      <p class="row middle">
        <VBtn type="submit" color="primary" :loading="counting.busy.value">{{ say('stock.counted') }}</VBtn><VBtn
          v-if="item.shelf !== null"
          variant="outlined"
          @click="change('received')"
          >{{ say('stock.received') }}</VBtn
        >
        <button type="button" class="plain link" @click="emit('cancelled')">{{ say('cancel') }}</button>
      </p>
    </form>
    <form v-if="manages" class="stack close" @submit.prevent="save">
      <h3>{{ say('stock.bought') }}</h3>
      <div class="fields inline short">
        <VTextField v-model="entry.supplier" :label="say('stock.supplier')" :error-messages="buying.errors.supplier" />
        <VTextField
          v-model.number="entry.price"
          type="number"
          min="0"
          step="0.01"
          :label="say('stock.price', { currency: ownCurrency })"
          :error-messages="buying.errors.price"
        />
        <VTextField
          v-model.number="entry.pack"
          type="number"
          min="1"
          :label="say('stock.pack')"
          :error-messages="buying.errors.pack"
        />
        <VTextField
          v-model.number="entry.leadWeeks"
          type="number"
          min="1"
          max="26"
          :label="say('stock.lead')"
          :error-messages="buying.errors.leadWeeks"
        />
        <VSelect
          v-model="entry.service"
          :items="SERVICE_LEVELS.map((value) => ({ value, title: say('stock.service.level', { service: value }) }))"
          :label="say('stock.service')"
        />
      </div>
      <Notice class="small" :says="buying.problem.value" />
      <p>
        <VBtn type="submit" variant="outlined" :loading="buying.busy.value">{{ say('stock.save') }}</VBtn>
      </p>
    </form>
  </div>
</template>
