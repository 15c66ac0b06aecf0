/** The turnover list: what an empty home wants before somebody moves in. */
/** Our assumption: an empty home is cheap to enter, so a point past the middle of its interval is served now. */
export const TURNOVER_SHARE = 0.5;

export interface TurnoverPoint {
  readonly share: number | undefined;
  readonly safetyCritical: boolean;
  readonly riskWeight: number;
  /** Scheduled by itself; what rides along is done when its machine is opened. */
  readonly scheduled: boolean;
}

export type TurnoverTask = 'serve' | 'look' | 'leave';

/**
 * What to do with a point between two tenancies: serve it past the middle of its interval or without a
 * record, and look at what is safety-critical even when it is fresh, so that the next household begins
 * from a known condition.
 */
export function turnoverTask({ share, safetyCritical, riskWeight, scheduled }: TurnoverPoint): TurnoverTask {
  if (share === undefined) return scheduled || riskWeight >= 3 ? 'serve' : 'look';
  if (share >= TURNOVER_SHARE) return 'serve';
  return safetyCritical || riskWeight >= 4 ? 'look' : 'leave';
}
