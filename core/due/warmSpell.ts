/** The first warm spell of a year: the first of some days in a row whose high reaches a threshold. */
import { dayOfCivil } from '../calendar/civil.ts';
import type { Day } from '../calendar/day.ts';

/** Our assumption: one warm day is weather, three in a row are a spell. */
export const SPELL_DAYS = 3;

/**
 * @param highCelsius the day's highest temperature, undefined where it is not known
 * @param until the last day known
 * @returns the first day of the spell, undefined where there has been none up to `until`
 */
export function firstWarmSpell(
  highCelsius: (day: Day) => number | undefined,
  thresholdCelsius: number,
  year: number,
  until: Day,
): Day | undefined {
  let inRow = 0;
  for (let day = dayOfCivil(year, 1, 1); day <= Math.min(until, dayOfCivil(year, 12, 31)); day += 1) {
    const high = highCelsius(day);
    inRow = high !== undefined && high >= thresholdCelsius ? inRow + 1 : 0;
    if (inRow === SPELL_DAYS) return day - SPELL_DAYS + 1;
  }
  return undefined;
}
