/** The demo's shelf: counted ten days ago, bought from two suppliers, and of one thing too little. */
import { seeded } from '../core/statistics/random.ts';
import type { Call } from '../server/context/context.ts';
import { readShelf } from '../server/pages/stock.ts';
import { changeStock, changeStockItem } from '../server/stock/stock.ts';

const SUPPLIERS = ['Quayside Supply', 'Tern & Daughter'];
/** Of the first so many things there is less than the weeks to come take. */
const SHORT = 2;

export async function countShelf(call: Call): Promise<void> {
  const random = seeded(31);
  const { items } = await readShelf(call);
  for (const [i, { item, size, weeks }] of items.entries()) {
    if (size === null && item.startsWith('airFilter')) continue;
    const taken = weeks.reduce((sum, { mean }) => sum + mean, 0);
    const quantity = Math.round(i < SHORT ? 0.3 * taken : 2 + 1.6 * taken + 3 * random());
    await changeStock(call, { id: call.env.newId(), item, kind: 'counted', quantity });
    await changeStockItem(call, {
      item,
      supplier: SUPPLIERS[i % SUPPLIERS.length]!,
      price: 4 + Math.round(24 * random()) / 2,
      pack: [1, 4, 6][i % 3]!,
      leadWeeks: 2,
      service: 0.95,
    });
  }
}
