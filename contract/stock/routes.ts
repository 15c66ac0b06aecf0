/** Routes of the shelf. */
import { MANAGER, OFFICE, passing, read, wholeOffice, write } from '../route.ts';
import type { FiltersAnswer } from './filters.ts';
import type { ChangeStock, ChangeStockItem, StockAnswer } from './stock.ts';

export const stockRoutes = {
  'stock.read': wholeOffice(passing<{ answer: StockAnswer }>()({ ...read('/stock', OFFICE), perMinute: 60 })),
  'stock.change': wholeOffice(
    passing<{ form: ChangeStock; answer: object }>()(write('POST', '/stock/changes', OFFICE, 1, 120)),
  ),
  'stock.item': wholeOffice(
    passing<{ form: ChangeStockItem; answer: object }>()(write('PUT', '/stock/items', MANAGER, 1, 120)),
  ),
  'filters.compare': passing<{ answer: FiltersAnswer }>()({ ...read('/points/:id/filters', MANAGER), perMinute: 60 }),
} as const;
