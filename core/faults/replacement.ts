/** Whether a machine that keeps failing is worth keeping: what its repairs cost a year against what a new one costs. */

/** What is known of a repair: minutes of somebody's time, and bills and parts, each as far as a closing says. */
export interface Repair {
  readonly minutes: number | null;
  readonly cost: number | null;
}

const MINUTES_AN_HOUR = 60;

/** Money that repairs took. @param anHour price of an hour of staff; undefined: hours are not counted. */
export const spentOn = (repairs: readonly Repair[], anHour = 0): number =>
  repairs.reduce((sum, { minutes, cost }) => sum + (cost ?? 0) + ((minutes ?? 0) / MINUTES_AN_HOUR) * anHour, 0);

/**
 * Years after which a new machine has paid for itself, if it has none of these faults; null where keeping costs nothing.
 * @param price of a new one, > 0 @param aYear what repairs cost a year
 * @throws RangeError without a price
 */
export function yearsToPayBack(price: number, aYear: number): number | null {
  if (!(price > 0)) throw new RangeError(`no price: ${price}`);
  return aYear > 0 ? price / aYear : null;
}
