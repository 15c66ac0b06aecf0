/** Figures of standing of any set of parts, as of a day and over the days before it. */
import type { Day } from '../calendar/day.ts';
import { isPastState, type PointState } from '../due/line.ts';
import type { EvidenceLevel } from '../proof/record.ts';
import { grouped } from '../statistics/grouped.ts';
import { clusteredInterval, type ShareInterval } from '../statistics/proportion.ts';
import { addDays, daysOf, lineOn, NO_DAYS, stateOn, type Trace, type PointDays } from './trace.ts';
import { standingOf, WORST_FIRST, type Count, type Standing, type StandingPoint } from './standing.ts';

/** A part whose standing is asked for. */
export interface StoodPoint {
  readonly trace: Trace;
  readonly safetyCritical: boolean;
  /** 1 (comfort) to 5 (fire). */
  readonly riskWeight: number;
  /** How well its latest service before the day is attested; null without one. */
  readonly evidence: EvidenceLevel | null;
}

/** Services of one person that had a line to be on time for. */
export interface ServicesBy {
  readonly by: string;
  readonly count: number;
  readonly onTime: number;
}

/** How many of some services were on time. */
export const onTimeOf = (services: readonly Omit<ServicesBy, 'by'>[]): Count => ({
  count: services.reduce((sum, { onTime }) => sum + onTime, 0),
  of: services.reduce((sum, { count }) => sum + count, 0),
});

/** Both ends included. */
export interface Window {
  readonly fromDay: Day;
  readonly toDay: Day;
}

export interface StandingFigures {
  readonly standing: Standing;
  /** Over the window, of all parts together. */
  readonly days: PointDays;
  /** Past-line days over known days, each weighted by its risk; null where no day is known. */
  readonly pastShare: number | null;
  /** On-time share of the services in the window, by who did them; null without any. */
  readonly onTime: ShareInterval | null;
}

/** An order of what has figures: by verdict, then by past-line days, the worst first. */
export const worstFirst = (
  { figures: a }: { readonly figures: Pick<StandingFigures, 'standing' | 'days'> },
  { figures: b }: { readonly figures: Pick<StandingFigures, 'standing' | 'days'> },
): number =>
  WORST_FIRST.indexOf(a.standing.verdict) - WORST_FIRST.indexOf(b.standing.verdict) || b.days.past - a.days.past;

/** What of the parts of a set counts on a day: those that were there. */
function presentOn(points: readonly StoodPoint[], day: Day): StandingPoint[] {
  const present: StandingPoint[] = [];
  for (const { trace, safetyCritical, evidence } of points) {
    const state = stateOn(trace, day);
    if (state !== undefined) present.push({ state, safetyCritical, evidence });
  }
  return present;
}

/** The figures of a set of parts as of the window's last day. */
export function figuresOf(
  points: readonly StoodPoint[],
  services: readonly ServicesBy[],
  alarms: number,
  window: Window,
  breachShare?: number,
): StandingFigures {
  let days = NO_DAYS;
  let [weighted, weightedPast] = [0, 0];
  for (const { trace, riskWeight } of points) {
    const its = daysOf(trace, window.fromDay, window.toDay);
    days = addDays(days, its);
    weighted += riskWeight * its.known;
    weightedPast += riskWeight * its.past;
  }
  const onTime = onTimeOf(services);
  const byPerson = [...grouped(services, ({ by }) => by).values()].map((its) => {
    const { count: successes, of: trials } = onTimeOf(its);
    return { successes, trials };
  });
  return {
    standing: standingOf(presentOn(points, window.toDay), onTime, alarms, breachShare),
    days,
    pastShare: weighted === 0 ? null : weightedPast / weighted,
    onTime: onTime.of === 0 ? null : clusteredInterval(byPerson),
  };
}

/** Past-line days of a set of parts in each of some windows. */
export const trendOf = (points: readonly StoodPoint[], windows: readonly Window[]): PointDays[] =>
  windows.map(({ fromDay, toDay }) =>
    points.reduce((sum, { trace }) => addDays(sum, daysOf(trace, fromDay, toDay)), NO_DAYS),
  );

/** Why a home is not sound: a part that is past its line or has no record, the gravest first. */
export interface Shortfall<P extends StoodPoint> {
  readonly point: P;
  readonly state: PointState;
  /** Days past its line; 0 without a record. */
  readonly daysPast: number;
}

/** What keeps a set of parts from being sound on a day: safety first, then risk times lateness. */
export function shortfallsOf<P extends StoodPoint>(points: readonly P[], day: Day): Shortfall<P>[] {
  const found = points.flatMap((point) => {
    const state = stateOn(point.trace, day);
    if (state === undefined || !(isPastState(state) || state === 'noRecord')) return [];
    const line = lineOn(point.trace, day);
    return [{ point, state, daysPast: line.servedDay === null ? 0 : day - line.lineDay }];
  });
  const rank = ({ point, daysPast }: Shortfall<P>) => point.riskWeight * (daysPast + 1);
  const critical = ({ point, state }: Shortfall<P>) => Number(point.safetyCritical && isPastState(state));
  return found.sort(
    (a, b) =>
      critical(b) - critical(a) || Number(isPastState(b.state)) - Number(isPastState(a.state)) || rank(b) - rank(a),
  );
}

/**
 * The first day on which a part that is in order now reaches its line; null where none does. What awaits its proof has
 * been done.
 */
export function soundUntil(points: readonly StoodPoint[], day: Day): Day | null {
  const lines = points.flatMap(({ trace }) => {
    const state = stateOn(trace, day);
    const open = trace.doneDay === null && (state === 'fresh' || state === 'nearing');
    return open ? [lineOn(trace, day).lineDay] : [];
  });
  return lines.length === 0 ? null : Math.min(...lines);
}
