/** Standing: what share of a home is in order, on time, proven. */
import { isPastState, type PointState } from '../due/line.ts';
import type { EvidenceLevel } from '../proof/record.ts';

export interface StandingPoint {
  readonly state: PointState;
  readonly safetyCritical: boolean;
  /** How well its latest service is attested; null without one. */
  readonly evidence: EvidenceLevel | null;
}

export interface Count {
  readonly count: number;
  readonly of: number;
}

/** `unknown`: nothing counts on that day, or nothing of what counts has a record. */
export type StandingVerdict = 'sound' | 'watch' | 'breach' | 'unknown';

/** Verdicts in the order in which somebody looks for them. */
export const WORST_FIRST: readonly StandingVerdict[] = ['breach', 'watch', 'unknown', 'sound'];

export interface Standing {
  readonly verdict: StandingVerdict;
  readonly inOrder: Count;
  /** Of the services within the time looked at, those done before their window closed. */
  readonly onTime: Count;
  /** Each level on its own; they are never added up. */
  readonly evidence: Readonly<Record<EvidenceLevel, Count>>;
  readonly safetyCritical: Count;
}

/**
 * A home is watched from its first point past the line, in breach from this share of them or any safety-critical one.
 * Our assumption, until an office enters its own.
 */
export const BREACH_SHARE = 0.2;

const IN_ORDER: readonly PointState[] = ['fresh', 'nearing'];

/**
 * Standing of a set of points; points on hold count neither way. A machine that is not safe is a breach, however well
 * it is kept.
 * @param breachShare a home with a larger share of its points past the line is in breach, 0 to 1
 */
export function standingOf(
  points: readonly StandingPoint[],
  onTime: Count,
  alarms = 0,
  breachShare = BREACH_SHARE,
): Standing {
  const counted = points.filter(({ state }) => state !== 'onHold');
  const sound = (them: readonly StandingPoint[]): Count => ({
    count: them.filter(({ state }) => IN_ORDER.includes(state)).length,
    of: them.length,
  });
  const level = (wanted: EvidenceLevel): Count => ({
    count: counted.filter(({ evidence }) => evidence === wanted).length,
    of: counted.length,
  });
  const inOrder = sound(counted);
  const critical = sound(counted.filter(({ safetyCritical }) => safetyCritical));
  const late = counted.filter(({ state }) => isPastState(state));
  const breach =
    alarms > 0 || late.some(({ safetyCritical }) => safetyCritical) || late.length > counted.length * breachShare;
  const known = counted.some(({ state }) => state !== 'noRecord');
  const kept = inOrder.count < inOrder.of ? 'watch' : 'sound';
  const judged = known ? kept : 'unknown';
  return {
    verdict: breach ? 'breach' : judged,
    inOrder,
    onTime,
    evidence: {
      attested: level('attested'),
      selfCertified: level('selfCertified'),
      checked: level('checked'),
      proven: level('proven'),
      spotChecked: level('spotChecked'),
    },
    safetyCritical: critical,
  };
}
