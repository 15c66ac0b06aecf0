/** The shelf against what the forecast and the rounds to come take from it. */
import type { StockAnswer } from '../../contract/stock/stock.ts';
import type { Call } from '../context/context.ts';
import { namesOf } from '../lookup/find.ts';
import { firstZone } from '../lookup/zone.ts';
import { numbersOfStop, stopsToCome } from '../rounds/stops.ts';
import { readStock } from '../stock/stock.ts';

/** What is on the shelf, what will be taken, and what is to be ordered before the round that needs it. */
export async function readShelf(call: Call): Promise<StockAnswer> {
  const { today } = await firstZone(call);
  const stops = await stopsToCome(call, today);
  const names = await namesOf(
    call.db,
    stops.map(({ personId }) => personId),
  );
  return readStock(
    call,
    stops.map((stop) => ({ day: stop.day, who: names.get(stop.personId) ?? '', numbers: numbersOfStop(stop) })),
  );
}
