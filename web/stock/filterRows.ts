/** The rows of the table of filters: what each kind would ask of a home in a year. */
import type { FiltersAnswer, FilterYear } from '../../contract/stock/filters.ts';
import { ownCurrency } from '../api/api.ts';
import { say } from '../language/say.ts';

/** Of the filter itself, and of the whole home with it. */
const OF_FILTER = ['days', 'changes', 'who', 'price', 'filters', 'air', 'faults'] as const;
const OF_HOME = ['total', 'requests', 'doors', 'hours', 'calls', 'heavy'] as const;
type RowKey = (typeof OF_FILTER)[number] | (typeof OF_HOME)[number];

const yearly = (aMonth: number) => say.figure(Math.round(aMonth * 120) / 10);

/** The rows of each group with a value for each kind. */
export function filterRows({ kinds, currency }: FiltersAnswer) {
  const money = (amount: number | null) =>
    amount === null
      ? say('filters.unpriced')
      : say.money(Math.round(amount * 100) / 100, currency ?? ownCurrency.value);
  const values: Record<RowKey, (it: FilterYear) => string> = {
    days: ({ days, assumed }) => say('filters.days', { days, assumed: String(assumed) }),
    changes: ({ changes }) => say.figure(Math.round(changes * 10) / 10),
    who: ({ forTenant }) => say('filters.who', { tenant: String(forTenant) }),
    price: ({ price, ofSize }) =>
      price === null ? money(null) : say('filters.price', { price: money(price), ofSize: String(ofSize) }),
    filters: ({ filters }) => money(filters),
    requests: ({ home }) => yearly(home.tenantRequestsAMonth),
    doors: ({ home }) => yearly(home.doorsAMonth),
    hours: ({ home }) => yearly(home.staffHoursAMonth),
    calls: ({ home }) => yearly(home.callsAMonth),
    total: ({ total, price }) => {
      if (total === null) return money(null);
      return price === null ? say('filters.without', { sum: money(Math.round(total)) }) : money(Math.round(total));
    },
    heavy: ({ home }) => `${say.figure(Math.round(home.heavyShare * 1000) / 10)} %`,
    faults: ({ faults: { aYear, reported, years } }) =>
      say('filters.faults', {
        aYear: say.figure(Math.round(aYear * 100) / 100),
        reported,
        years: say.figure(Math.round(years * 10) / 10),
      }),
    air: ({ kind, air }) =>
      air === null
        ? say('filters.air.none', { kind })
        : say('filters.air', { fpm: air.fpm, most: air.most, met: String(air.met) }),
  };
  const rowsOf = (keys: readonly RowKey[]) => keys.map((key) => ({ key, values: kinds.map(values[key]) }));
  return [
    { group: 'filter', rows: rowsOf(OF_FILTER) },
    { group: 'home', rows: rowsOf(OF_HOME) },
  ] as const;
}
