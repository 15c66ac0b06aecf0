/** Stops of somebody's round, as they are kept. */
import type { Call } from '../context/context.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';

/** Numbers of its parts, or of those that a mishap leaves undone. */
export const numbersOfStop = ({ numbers }: { readonly numbers: string }): number[] => JSON.parse(numbers) as number[];

/** Stops from a day on to which somebody still goes: none whose visit was called off, or that nobody was let in at. */
export async function stopsToCome({ db, actor }: Call, fromDay: number): Promise<Row<'roundStop'>[]> {
  const stops = await db.roundStop.all({ organisationId: actor.organisationId, day: above(fromDay - 1) });
  const off = await db.visit.all({ id: stops.flatMap(({ visitId }) => visitId ?? []), state: ['off', 'missed'] });
  return stops.filter(({ visitId }) => off.every(({ id }) => id !== visitId));
}
