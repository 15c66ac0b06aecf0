<script setup lang="ts">
/** The shelf: what is there, what the coming weeks take, and the list to order by. */
import { computed, onMounted, ref } from 'vue';
import { dayOfInstant } from '../../core/calendar/day.ts';
import type { StockItem } from '../../contract/stock/stock.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import EmptyState from '../kit/EmptyState.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import StockItemForm from './StockItemForm.vue';

const desk = useDesk();
const stock = useLoading(() => api('stock.read'));
const { value: answer, reload } = stock;
const open = ref<string | null>(null);
const items = computed(() => answer.value?.items ?? []);
const fullName = ({ name, size }: StockItem) => (size ? `${name}, ${size}` : name);
const orders = computed(() => [
  ...grouped(
    items.value.filter(({ order }) => order),
    ({ supplier }) => supplier,
  ),
]);
const uncounted = computed(() => items.value.filter(({ shelf }) => shelf === null).length);
/** Price of an order, as far as its things have one. */
const priceOf = (its: readonly StockItem[]) => {
  const known = its.filter(({ price }) => price !== null);
  return known.length === 0
    ? null
    : say.money(
        known.reduce((sum, { order, price }) => sum + order! * price!, 0),
        ownCurrency.value,
      );
};
const unpriced = (its: readonly StockItem[]) => its.filter(({ price }) => price === null).length;
const day = computed(() => dayOfInstant(Date.now(), answer.value?.zone ?? 'UTC'));
const roundWords = ({ day: on, who, count, left }: StockItem['rounds'][number]) =>
  say('stock.round', { count, who, day: say.shortDay(on), left: left === null ? 'none' : String(Math.max(0, left)) });
async function saved(): Promise<void> {
  open.value = null;
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame :title="say('stock.title')" :of="stock">
    <template v-if="answer && items.length" #lead
      ><p class="quiet lead">
        {{ say('stock.how', { services: answer.learnedFrom, swing: Math.round(answer.swing * 100) }) }}
      </p></template
    >
    <template v-if="answer">
      <EmptyState v-if="!items.length" :title="say('stock.none')" :why="say('stock.none.why')" />
      <template v-else>
        <section class="stack close">
          <h2>{{ say('stock.order') }}</h2>
          <p v-if="uncounted" class="small strong">{{ say('stock.uncounted', { count: uncounted }) }}</p>
          <p v-if="!orders.length" class="quiet">{{ say('stock.order.none') }}</p>
          <div v-for="[supplier, its] in orders" :key="supplier" class="panel card stack tight">
            <h3>{{ supplier || say('stock.noSupplier') }}</h3>
            <ul class="ruled apart">
              <li v-for="it in its" :key="it.item">
                <span
                  ><b>{{ say('stock.pieces', { count: it.order ?? 0 }) }}</b> {{ fullName(it) }}
                  <span class="quiet small">{{
                    say('stock.order.why', { shelf: it.shelf ?? 0, weeks: it.leadWeeks, at: it.reorderAt })
                  }}</span>
                  <span v-if="it.lack" class="small" :class="{ alarm: it.lack.orderBy < day }">{{
                    say('stock.lack', {
                      count: it.lack.count,
                      day: say.shortDay(it.lack.day),
                      by: say.shortDay(it.lack.orderBy),
                      late: String(it.lack.orderBy < day),
                    })
                  }}</span></span
                ><span class="last">{{ it.price === null ? '' : say.money(it.order! * it.price, ownCurrency) }}</span>
              </li>
            </ul>
            <p v-if="priceOf(its)" class="strong">
              {{ say('stock.order.sum', { sum: priceOf(its) ?? '', unpriced: unpriced(its) }) }}
            </p>
          </div>
        </section>
        <section class="stack close">
          <h2>{{ say('stock.shelf') }}</h2>
          <p v-if="answer.withoutSize" class="small alarm">
            {{ say('stock.withoutSize', { count: answer.withoutSize }) }}
          </p>
          <ul class="ruled">
            <li v-for="it in items" :key="it.item" class="stack tight">
              <div class="row apart">
                <span
                  ><b>{{ fullName(it) }}</b
                  >{{ ' ' }}<span class="quiet small">{{ say('stock.parts', { count: it.parts }) }}</span></span
                >
                <button
                  type="button"
                  class="plain link small no-print"
                  :aria-label="`${say('stock.count')}: ${fullName(it)}`"
                  @click="open = open === it.item ? null : it.item"
                >
                  {{ say('stock.count') }}
                </button>
              </div>
              <p class="small" :class="{ alarm: it.shelf !== null && it.shelf <= it.reorderAt }">
                {{
                  it.shelf === null
                    ? say('stock.notCounted')
                    : say('stock.there', {
                        count: it.shelf,
                        at: say.time(it.countedAt ?? 0, answer.zone),
                        taken: it.taken,
                      })
                }}
                {{ say('stock.reorder', { at: it.reorderAt, weeks: it.leadWeeks, service: it.service }) }}
              </p>
              <p v-if="it.rounds.length" class="small">
                {{ say('stock.rounds') }}
                {{ say.list(it.rounds.map((need) => roundWords(need))) }}.
              </p>
              <table class="weeks small">
                <caption class="unseen">
                  {{
                    say('stock.weeks', { name: fullName(it) })
                  }}
                </caption>
                <thead>
                  <tr>
                    <th v-for="week in it.weeks" :key="week.from" scope="col">{{ say.shortDay(week.from) }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr>
                    <td v-for="week in it.weeks" :key="week.from">
                      {{
                        week.high === 0 && week.mean < 0.05
                          ? '–'
                          : say('stock.week', { mean: say.figure(week.mean), low: week.low, high: week.high })
                      }}
                    </td>
                  </tr>
                </tbody>
              </table>
              <StockItemForm
                v-if="open === it.item"
                :item="it"
                :manages="desk.managesAll"
                @saved="saved"
                @cancelled="open = null"
              />
            </li>
          </ul>
          <p class="quiet small">{{ say('stock.leftOut') }}</p>
        </section>
      </template>
    </template>
  </PageFrame>
</template>

<style scoped>
.weeks {
  max-width: 100%;
  display: block;
  overflow-x: auto;
}
.weeks th,
.weeks td {
  text-align: left;
  padding: 1px 14px 1px 0;
  font-weight: normal;
  white-space: nowrap;
}
.weeks th {
  color: var(--ink-2);
}
</style>
