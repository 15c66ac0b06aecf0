/**
 * The interval of one point: the day on which its load reaches what the practice accepts.
 *
 * Ordinary points: the day on which the *expected* load at the believed speed (posterior median) reaches
 * τ. Safety-critical points: the last day on which the predictive probability of a load above τ is at
 * most α, with α chosen so that without findings the day is the practice's own; learning lengthens it
 * only by certainty. A tenant's own grade may shorten an interval at once but lengthens it only when a
 * reviewer or staff confirms it: of the beliefs with and without such grades, the earlier day wins.
 * Floor and caps come last.
 */
import type { Day } from '../calendar/day.ts';
import type { Procedure } from '../catalogue/types.ts';
import { combinedFactor, type DriverEffect } from './drivers.ts';
import { daysToReach, type Stretch } from './exposure.ts';
import type { Grade } from './grades.ts';
import { believeSpeed, overloadProbability, speedQuantile, type Finding, type SpeedBelief } from './learning.ts';
import { acceptedLoad, type Practice } from './practice.ts';

/** A grade as it teaches: found on a day, after an exposure, by somebody whose word may still want confirming. */
export interface TaughtGrade {
  readonly day: Day;
  readonly grade: Grade;
  readonly exposure: number;
  readonly confirmed: boolean;
}

export interface IntervalInput {
  readonly procedure: Procedure;
  readonly practice: Practice;
  readonly servedDay: Day;
  /** Fouling factor over time, ascending, not empty; see `exposure.ts`. */
  readonly stretches: readonly Stretch[];
  /** The drivers as they stand now, for the working. */
  readonly effects: readonly DriverEffect[];
  readonly grades: readonly TaughtGrade[];
  /** The limit of the maker's manual, days ≥ 1. */
  readonly makerLimitDays?: number | undefined;
}

export type Term =
  | { readonly term: 'practice'; readonly practice: Practice; readonly assumed: boolean; readonly days: number }
  | { readonly term: 'driver'; readonly effect: DriverEffect; readonly days: number }
  | { readonly term: 'held'; readonly days: number }
  | { readonly term: 'changed'; readonly fromDay: Day; readonly days: number }
  | { readonly term: 'found'; readonly grades: readonly TaughtGrade[]; readonly speed: number; readonly days: number }
  | { readonly term: 'floor' | 'cap' | 'maker'; readonly days: number };

export interface Interval {
  /** Whole days from service to line, ≥ 1. */
  readonly days: number;
  readonly terms: readonly Term[];
  /** Learned speed: median and the middle 80 % of the belief. 1 is as assumed. */
  readonly speed: { readonly median: number; readonly low: number; readonly high: number };
  /** Days at the fast and the slow end of that band, within floor and cap. */
  readonly band: { readonly early: number; readonly late: number };
  /** Days that no interval of this point may pass. */
  readonly capDays: number;
}

/** Our assumption: no interval shorter than a third of the watchful one. */
const FLOOR_SHARE = 1 / 3;
/** Our assumption: learning and light use may stretch an ordinary point to one and a half times the longest stated interval. */
const CAP_SHARE = 1.5;

/** Half days round up, whatever the last bit of a sum says. */
const TIE = 1e-6;

/** Days that no interval of this procedure may fall under. */
export function floorDays({ days }: Procedure): number {
  return Math.max(1, Math.round(days.watchful * FLOOR_SHARE));
}

/** Days that no interval of this procedure may pass; safety-critical ones never pass the longest stated. */
export function capDays({ days, safetyCritical }: Procedure, makerLimitDays?: number): number {
  const own = safetyCritical ? days.light : Math.round(days.light * CAP_SHARE);
  return Math.min(own, makerLimitDays ?? Infinity);
}

/** The interval of a point and its working. */
export function intervalOf(input: IntervalInput): Interval {
  const { procedure, practice, servedDay, stretches, effects, grades, makerLimitDays } = input;
  const reference = procedure.days.steady;
  const accepted = acceptedLoad(procedure.days, practice);
  const inDays = (exposure: number) => daysToReach(stretches, servedDay, exposure, reference);
  const reach = procedure.safetyCritical ? certainReach : expectedReach;

  const all = believeSpeed(grades.map(asFinding));
  const sure = grades.filter((it) => it.confirmed);
  const confirmed = sure.length === grades.length ? all : believeSpeed(sure.map(asFinding));
  const belief = reach(all, accepted) <= reach(confirmed, accepted) ? all : confirmed;
  const learnt = inDays(reach(belief, accepted));

  const floor = floorDays(procedure);
  const cap = capDays(procedure, makerLimitDays);
  const limited = (days: number) => Math.max(1, Math.min(cap, Math.max(floor, Math.round(days + TIE))));

  const terms: Term[] = [{ term: 'practice', practice, assumed: procedure.assumed, days: procedure.days[practice] }];
  driverTerms(terms, procedure.days[practice], effects);
  const household = inDays(accepted);
  if (stretches.length > 1 && Math.round(household) !== Math.round(terms.at(-1)!.days)) {
    const changed = stretches.findLast(({ fromDay }) => fromDay > servedDay);
    if (changed) terms.push({ term: 'changed', fromDay: changed.fromDay, days: household });
  }
  const median = speedQuantile(belief, 0.5);
  if (grades.length > 0) terms.push({ term: 'found', grades, speed: median, days: learnt });
  if (Math.round(learnt) < floor && floor <= cap) terms.push({ term: 'floor', days: floor });
  if (Math.round(learnt) > cap) terms.push({ term: cap === makerLimitDays ? 'maker' : 'cap', days: cap });

  const low = speedQuantile(belief, 0.1);
  const high = speedQuantile(belief, 0.9);
  return {
    days: limited(learnt),
    terms,
    speed: { median, low, high },
    band: { early: limited(inDays(accepted / high)), late: limited(inDays(accepted / low)) },
    capDays: cap,
  };
}

function driverTerms(terms: Term[], days: number, effects: readonly DriverEffect[]): void {
  let product = 1;
  for (const effect of effects) {
    if (effect.factor === 1) continue;
    product *= effect.factor;
    terms.push({ term: 'driver', effect, days: days / product });
  }
  const held = combinedFactor(effects);
  if (Math.abs(held - product) > 1e-9) terms.push({ term: 'held', days: days / held });
}

function asFinding({ exposure, grade }: TaughtGrade): Finding {
  return { exposure, grade };
}

/** Exposure at which the expected load reaches the accepted one. */
function expectedReach(belief: SpeedBelief, accepted: number): number {
  return accepted / speedQuantile(belief, 0.5);
}

const PRIOR = believeSpeed([]);

/** Largest exposure at which an overload is no likelier than it is, without findings, at the practice's own interval. */
function certainReach(belief: SpeedBelief, accepted: number): number {
  const tolerated = overloadProbability(PRIOR, accepted, accepted);
  let low = 0;
  let high = accepted * 16;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (overloadProbability(belief, middle, accepted) <= tolerated) low = middle;
    else high = middle;
  }
  return low;
}
