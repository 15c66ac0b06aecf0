/** Days of many instants. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';

/** No zone's midnight falls inside one: all of it is the same day. */
export const QUARTER_HOUR_MS = 900_000;

/** Days of many instants in a zone; each quarter of an hour is asked once. */
export function dayReader(zone: string): (instant: number) => Day {
  const known = new Map<number, Day>();
  return (instant) => {
    const quarter = Math.floor(instant / QUARTER_HOUR_MS);
    let day = known.get(quarter);
    if (day === undefined) known.set(quarter, (day = dayOfInstant(instant, zone)));
    return day;
  };
}
