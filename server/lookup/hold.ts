/** Empty homes on hold. */
import type { Day } from '../../core/calendar/day.ts';
import type { Db } from '../store/db.ts';
import { factsOf, inForce, type Fact } from '../store/facts.ts';
import type { Hold } from '../store/factValues.ts';

/** The hold among these facts of a place that is in force on a day; it ends by itself with its review. */
export function holdAmong(facts: readonly Fact<'hold'>[], day: Day): Hold | null {
  const hold = inForce(facts, day)?.value ?? null;
  return hold && day <= hold.until ? hold : null;
}

/** The hold of a place on a day. */
export async function holdOf(db: Db, placeId: string, day: Day): Promise<Hold | null> {
  return holdAmong(await factsOf(db, [placeId], 'hold'), day);
}
