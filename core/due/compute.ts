/**
 * The line of one point, and its working, from inputs that are complete by themselves.
 *
 * Ordinary points: the day on which the load of the middle speed reaches what the practice accepts.
 * Safety-critical points: learning shortens them alike, and lengthens them only by certainty and by a quarter at a
 * service (`lengthening.ts`). A tenant's own grade may shorten an interval at once but lengthens it only
 * when staff or a reviewer confirms it: of the beliefs with and without such grades, the earlier day wins.
 * Floor and caps follow; then the calendar (an anchor, or snapping to the upkeep day); then what was seen
 * or reported. No step after the caps passes them.
 */
import type { Day } from '../calendar/day.ts';
import { nearestUpkeepDay, nextAnchorDay, visitDay } from './anchor.ts';
import { assumptionsWith, learningWith, type Assumptions } from './assumptions.ts';
import type { Stretch } from './exposure.ts';
import { daysToReach, daysWithPauses, withoutPauses } from './exposure.ts';
import { leastLoad } from '../catalogue/grades.ts';
import { servedDayOf, type CapReason, type LineInputs } from './inputs.ts';
import { believeSpeed, expectedReach, priorBelief, speedQuantile } from './learning.ts';
import { heldReach, type Held } from './lengthening.ts';
import { lessonsOf, taughtConditions, type TaughtCondition } from './lessons.ts';
import { acceptedLoad, practiceDays, type PracticeDays } from '../catalogue/practice.ts';
import { driverTerms, householdTerm, type Term } from './computeTerms.ts';

export interface ComputedLine {
  /** Null without a record; then the days are those of a service done today. */
  readonly servedDay: Day | null;
  readonly lineDay: Day;
  /** Day past which the point is over its cap. */
  readonly capDay: Day;
  /** Whole days from service to line, ≥ 1. */
  readonly days: number;
  /** Whole days before the calendar and what was reported, ≥ 1. */
  readonly intervalDays: number;
  readonly terms: readonly Term[];
  /** Learned speed: median and the middle 80 % of the belief. 1 is as assumed. */
  readonly speed: { readonly median: number; readonly low: number; readonly high: number };
  /**
   * Days at the fast and the slow end of that band, within floor and cap; ordered. It is the band of the interval
   * before the calendar.
   */
  readonly band: { readonly early: number; readonly late: number };
  /** The calendar, a condition seen or a report sets the day: the band is not that of the date. */
  readonly fixed: boolean;
  /**
   * A calendar lets the part go far past what was learned here: days that were learned. Null where it does not, or
   * nothing was.
   */
  readonly beyondLearned: number | null;
}

/** Terms that set a day, whatever was learned. */
const FIXING: readonly Term['term'][] = ['anchor', 'seen', 'signal'];

/** Our assumption: a calendar that goes so much past what was learned wants another rule. */
const FAR = 1.25;

/** Half days round up, whatever the last bit of a sum says. */
const TIE = 1e-6;

/** Days that no interval may fall under. */
export function floorDays(days: PracticeDays, { floorShare }: Assumptions): number {
  return Math.max(1, Math.round(days.watchful * floorShare));
}

/**
 * The tightest cap. Safety-critical points never pass the longest stated interval; a maker's manual chosen as the
 * practice is its own.
 */
export function capOf(
  { days, critical, caps, practice }: Pick<LineInputs, 'days' | 'critical' | 'caps' | 'practice'>,
  { capShare }: Assumptions,
): { readonly reason: CapReason | 'own'; readonly days: number } {
  const maker = caps.find(({ reason }) => reason === 'maker');
  const longest = critical ? days.light : Math.round(days.light * capShare);
  const own = practice === 'maker' && maker ? maker.days : longest;
  return [{ reason: 'own' as const, days: own }, ...caps].reduce((least, cap) => (cap.days < least.days ? cap : least));
}

/** A contractor's visit keeps its contract: no practice, household or condition moves it, a stricter local rule does. */
function contractedLine(inputs: LineInputs, months: number, today: Day): ComputedLine {
  const servedDay = servedDayOf(inputs);
  const from = servedDay ?? today;
  const agreed = visitDay({ lastVisit: from, everyMonths: months }, 1) - from;
  const local = inputs.caps.find(({ reason }) => reason === 'local')?.days ?? Infinity;
  const terms: Term[] = [{ term: 'contract', months, days: agreed }];
  if (local < agreed) terms.push({ term: 'cap', reason: 'local', days: local });
  const days = Math.min(agreed, local);
  const latest = Math.min(local, Math.round(agreed * assumptionsWith(inputs.changes).capShare));
  return {
    servedDay,
    lineDay: from + days,
    capDay: from + latest,
    days,
    intervalDays: days,
    terms,
    speed: { median: 1, low: 1, high: 1 },
    band: { early: days, late: days },
    fixed: true,
    beyondLearned: null,
  };
}

/** The line of a point. `today` matters only without a record. */
export function computeLine(inputs: LineInputs, today: Day): ComputedLine {
  if (inputs.everyMonths !== undefined) return contractedLine(inputs, inputs.everyMonths, today);
  const { days, practice, stretches, changes } = inputs;
  const assumed = assumptionsWith(changes);
  const servedDay = servedDayOf(inputs);
  const from = servedDay ?? today;
  const maker = inputs.caps.find(({ reason }) => reason === 'maker')?.days;
  const accepted = acceptedLoad(days, practice, maker);
  const running = withoutPauses(stretches);
  const inDays = (exposure: number) => daysToReach(running, from, exposure, days.steady);

  const taught = taughtConditions(inputs);
  const { belief, reach, held } = beliefOf(inputs, taught, accepted, assumed);
  const learnt = inDays(reach);
  const floor = floorDays(days, assumed);
  const cap = capOf(inputs, assumed);
  const limited = (length: number) => Math.max(1, Math.min(cap.days, Math.max(floor, Math.round(length + TIE))));

  const terms: Term[] = [{ term: 'reference', assumed: inputs.assumed, days: days.steady }];
  const stated = practiceDays(days, practice, maker);
  terms.push({
    term: 'practice',
    practice,
    known: practice !== 'maker' || maker !== undefined,
    signalled: inputs.signalled === true,
    days: stated,
  });
  driverTerms(terms, stated, inputs.effects, assumed);
  householdTerm(terms, running, from, inDays(accepted));
  const median = speedQuantile(belief, 0.5);
  if (taught.length > 0) {
    terms.push({
      term: 'found',
      count: taught.length,
      last: taught.at(-1)!.condition.grade!,
      speed: median,
      days: learnt,
      unconfirmed: taught.filter(({ condition }) => !condition.confirmed).length,
    });
  }
  if (held) terms.push({ term: 'quarter', days: learnt });
  if (Math.round(learnt + TIE) < floor && floor <= cap.days) terms.push({ term: 'floor', days: floor });
  if (Math.round(learnt + TIE) > cap.days) terms.push({ term: 'cap', ...cap });
  const intervalDays = limited(learnt);
  const low = speedQuantile(belief, 0.1);
  const high = speedQuantile(belief, 0.9);
  // Both ends as far from the line as their speed is from the middle one.
  const band = { early: limited(inDays(reach * (median / high))), late: limited(inDays(reach * (median / low))) };

  const planned = servedDay === null ? intervalDays : onCalendar(terms, inputs, servedDay, intervalDays, cap, assumed);
  const length = servedDay === null ? planned : reported(terms, inputs, servedDay, planned, accepted);
  return {
    servedDay,
    lineDay: from + length,
    capDay: from + cap.days,
    days: length,
    intervalDays,
    terms,
    speed: { median, low, high },
    band,
    fixed: terms.some(({ term }) => FIXING.includes(term)),
    beyondLearned:
      taught.length > 0 && terms.some((it) => it.term === 'anchor' && it.mode === 'sets') && length > intervalDays * FAR
        ? intervalDays
        : null,
  };
}

/** The band of the date itself: moved with it where it was snapped or paused. */
export function bandOf({ band, days, intervalDays }: Pick<ComputedLine, 'band' | 'days' | 'intervalDays'>): {
  readonly early: number;
  readonly late: number;
} {
  const by = days - intervalDays;
  return { early: Math.max(1, Math.min(days, band.early + by)), late: Math.max(days, band.late + by) };
}

/** Of the beliefs with and without unconfirmed grades, the one that asks earlier. */
function beliefOf(
  { critical, turnovers }: LineInputs,
  taught: readonly TaughtCondition[],
  accepted: number,
  assumed: Assumptions,
): Held {
  const model = learningWith(assumed);
  if (taught.length === 0) {
    // Without findings the interval is the practice's own, to the day.
    return { belief: priorBelief(model), reach: accepted, held: false };
  }
  if (critical) return heldReach(taught, turnovers, accepted, model);
  const all = believeSpeed(lessonsOf(taught, turnovers), model);
  const sure = taught.filter(({ condition }) => condition.confirmed);
  if (sure.length === taught.length) return { belief: all, reach: expectedReach(all, accepted), held: false };
  const confirmed = believeSpeed(lessonsOf(sure, turnovers), model);
  const [early, late] = [
    expectedReach(all, accepted),
    sure.length === 0 ? accepted : expectedReach(confirmed, accepted),
  ];
  return early <= late ? { belief: all, reach: early, held: false } : { belief: confirmed, reach: late, held: false };
}

/** An anchor sets or limits the line; without one that sets it, the line may snap to the upkeep day. */
function onCalendar(
  terms: Term[],
  { anchor, upkeepDay, stretches }: LineInputs,
  servedDay: Day,
  interval: number,
  cap: ReturnType<typeof capOf>,
  assumed: Assumptions,
): number {
  const day = anchor ? nextAnchorDay(anchor, servedDay, assumed.answered) : undefined;
  if (anchor && day !== undefined && (anchor.mode === 'sets' || day - servedDay < interval)) {
    const days = Math.min(cap.days, day - servedDay);
    terms.push({ term: 'anchor', kind: anchor.kind, mode: anchor.mode, day, days });
    if (days < day - servedDay) terms.push({ term: 'cap', ...cap });
    return days;
  }
  return paused(
    terms,
    stretches,
    servedDay,
    snapped(terms, upkeepDay, servedDay, interval, cap.days, assumed),
    cap.days,
  );
}

/** Snaps to the nearest upkeep day within reach. */
function snapped(
  terms: Term[],
  upkeepDay: LineInputs['upkeepDay'],
  servedDay: Day,
  interval: number,
  cap: number,
  assumed: Assumptions,
): number {
  if (!upkeepDay) return interval;
  const line = servedDay + interval;
  const earliest = Math.max(servedDay + 1, Math.ceil(line - interval * assumed.snapEarlier - TIE));
  const latest = Math.min(servedDay + cap, Math.floor(line + interval * assumed.snapLater + TIE));
  const day = nearestUpkeepDay(upkeepDay, line, earliest, latest);
  if (day === undefined || day === line) return interval;
  terms.push({ term: 'snapped', day, by: day - line, days: day - servedDay });
  return day - servedDay;
}

/**
 * An empty home pauses what people foul: its days are added to the date as it stood. So the share of interval
 * used never falls through a pause, whatever snapping did before it.
 */
function paused(terms: Term[], stretches: readonly Stretch[], servedDay: Day, planned: number, cap: number): number {
  const days = Math.min(cap, daysWithPauses(stretches, servedDay, planned));
  if (days > planned) terms.push({ term: 'paused', by: days - planned, days });
  return days;
}

/**
 * A condition seen since the service that is past what the practice accepts, or a signal, makes it due from that day.
 */
function reported(
  terms: Term[],
  { conditions, signalDay }: LineInputs,
  servedDay: Day,
  planned: number,
  accepted: number,
): number {
  let length = planned;
  const since = conditions.slice(conditions.findLastIndex(({ kind }) => kind === 'service') + 1);
  const seen = since.find(({ grade }) => grade !== null && leastLoad(grade) >= accepted && leastLoad(grade) > 0);
  if (seen && Math.max(1, seen.day - servedDay) < length) {
    length = Math.max(1, seen.day - servedDay);
    terms.push({ term: 'seen', day: seen.day, grade: seen.grade!, days: length });
  }
  if (signalDay !== null && signalDay >= servedDay && Math.max(1, signalDay - servedDay) < length) {
    length = Math.max(1, signalDay - servedDay);
    terms.push({ term: 'signal', day: signalDay, days: length });
  }
  return length;
}
