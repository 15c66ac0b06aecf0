/**
 * The truth of a shelf: parts with their dates, people who are early or late by a hazard of their own, and weeks that
 * move all of them together. Judged by the randomised probability integral transform, since counts are whole numbers and
 * a plain band of 80 % holds more than 80 % of them.
 */
import {
  ASSUMED_LATENESS,
  countAt,
  countsWithin,
  learnLateness,
  reorderPoint,
  type AtRisk,
  type Wanted,
} from '../stock/forecast.ts';
import { gammaDraw, seeded, type Random } from '../statistics/random.ts';

export interface StockTruth {
  /** Taken a week, about. */
  readonly rate: number;
  /** Variance of the common factor of a week; 0: quiet. */
  readonly shock: number;
  readonly weeks: number;
}

/** True chances of a week by weeks from the line: another shape than is assumed. */
const trueHazard = (fromLine: number): number => {
  if (fromLine < -2) return 0;
  if (fromLine < 0) return 0.12;
  return fromLine === 0 ? 0.38 : 0.3;
};

interface Part {
  line: number;
  readonly interval: number;
}

export interface StockFigures {
  /** Share of weeks whose count lies in the band of 80 %, by randomised transform. */
  readonly within: number;
  /** The same by plain counting: for comparison. */
  readonly plain: number;
  /** Share of lead times in which the shelf, filled to the reorder point, ran out. */
  readonly out: number;
  /** Share in which it was to run out: what the whole number that was chosen leaves, at most one less the service level. */
  readonly stated: number;
  readonly perWeek: number;
}

const LEARNED_AFTER = 26;
const SERVICE = 0.95;
const LEAD_WEEKS = 2;

/** Lives weeks of a shelf, forecasting each before it comes. */
export function judgeStock({ rate, shock, weeks }: StockTruth, seed: number): StockFigures {
  const random = seeded(seed);
  const intervals = [4, 9, 13, 26, 52];
  const parts: Part[] = [];
  // As many parts as make the rate, their dates spread.
  for (let sum = 0; sum < rate;) {
    const interval = intervals[Math.floor(random() * intervals.length)]!;
    parts.push({ line: Math.floor(random() * interval), interval });
    sum += 1 / (interval + 2);
  }
  const past: AtRisk[] = [];
  let lateness = ASSUMED_LATENESS;
  const figures = { within: 0, plain: 0, weeks: 0, out: 0, stated: 0, leads: 0, taken: 0 };
  let lead: { point: number; stated: number; taken: number; until: number } | null = null;
  for (let week = 0; week < weeks; week += 1) {
    const wanted: Wanted[] = parts.map(({ line, interval }) => ({ fromLine: week - line, intervalWeeks: interval }));
    const judged = week >= LEARNED_AFTER;
    if (week % 4 === 0) lateness = learnLateness(past.slice(-60_000));
    const near = wanted.filter(({ fromLine }) => fromLine >= -8);
    const counts = judged ? countsWithin(lateness, near, 1) : null;
    if (judged && !lead) {
      const point = reorderPoint(lateness, near, { leadWeeks: LEAD_WEEKS, service: SERVICE });
      const stated = 1 - below(countsWithin(lateness, near, LEAD_WEEKS), point + 1);
      lead = { point, stated, taken: 0, until: week + LEAD_WEEKS };
    }
    const taken = live(parts, week, shock > 0 ? gammaDraw(random, 1 / shock, shock) : 1, random, past);
    if (lead) {
      lead.taken += taken;
      if (week + 1 === lead.until) {
        figures.leads += 1;
        figures.stated += lead.stated;
        if (lead.taken > lead.point) figures.out += 1;
        lead = null;
      }
    }
    if (!counts) continue;
    figures.weeks += 1;
    figures.taken += taken;
    const transform = below(counts, taken) + random() * (counts[Math.min(taken, counts.length - 1)] ?? 0);
    if (transform >= 0.1 && transform < 0.9) figures.within += 1;
    if (taken >= countAt(counts, 0.1) && taken <= countAt(counts, 0.9)) figures.plain += 1;
  }
  return {
    within: figures.within / figures.weeks,
    plain: figures.plain / figures.weeks,
    out: figures.out / figures.leads,
    stated: figures.stated / figures.leads,
    perWeek: figures.taken / figures.weeks,
  };
}

const below = (counts: Float64Array, count: number): number =>
  counts.slice(0, count).reduce((sum, chance) => sum + chance, 0);

/** One week: what is served of what is near its line; it falls due again an interval later. */
function live(parts: readonly Part[], week: number, factor: number, random: Random, past: AtRisk[]): number {
  let taken = 0;
  for (const part of parts) {
    const fromLine = week - part.line;
    if (fromLine < -4) continue;
    const served = random() < Math.min(1, trueHazard(fromLine) * factor);
    past.push({ week, fromLine, served });
    if (!served) continue;
    taken += 1;
    part.line = week + part.interval;
  }
  return taken;
}
