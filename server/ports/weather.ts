/**
 * Weather, as far as upkeep needs it: the high of a day. A port; the stand-in that ships is a small climate
 * of monthly means with a seeded course of days, the same for everybody and every time it is asked.
 */
import { civilOf, dayOfCivil } from '../../core/calendar/civil.ts';
import type { Day } from '../../core/calendar/day.ts';
import { normalDraw, seeded } from '../../core/statistics/random.ts';

export interface Weather {
  /** Highest temperature of a day, °C; undefined where it is not known yet. */
  highCelsius(zone: string, day: Day): number | undefined;
}

/** Mean highs of a temperate harbour town by month, °C. Invented, plausible. */
const MEAN_HIGHS = [8, 8.5, 10.5, 13, 16.5, 19.5, 21.5, 21, 18.5, 14.5, 10.5, 8.5] as const;
const SPREAD = 3.1;
/** A day takes so much of the day before with it. */
const MEMORY = 0.72;
const SPIN_UP = 40;

function meanHigh(day: Day): number {
  const { year, month } = civilOf(day);
  const middle = dayOfCivil(year, month, 15);
  const [from, to] = day < middle ? [month - 1, month] : [month, month + 1];
  const [start, end] = [dayOfCivil(year, from, 15), dayOfCivil(year, to, 15)];
  const of = (it: number) => MEAN_HIGHS[(it - 1 + 12) % 12]!;
  return of(from) + ((of(to) - of(from)) * (day - start)) / (end - start);
}

export const standInWeather: Weather = {
  highCelsius(_zone, day) {
    let deviation = 0;
    for (let it = day - SPIN_UP; it <= day; it += 1)
      deviation = MEMORY * deviation + Math.sqrt(1 - MEMORY ** 2) * normalDraw(seeded(it * 2_654_435));
    return Math.round((meanHigh(day) + SPREAD * deviation) * 10) / 10;
  },
};
