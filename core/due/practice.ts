/**
 * Practice: a school of intervals.
 *
 * A practice is an accepted condition, not a rate. τ = interval of the practice / reference interval is
 * the load that the practice lets a part reach before it is served, so a point that has learned its own
 * speed follows a change of practice fully.
 */

export const PRACTICES = ['watchful', 'steady', 'light'] as const;
export type Practice = (typeof PRACTICES)[number];

/** Days between services in a neutral home, by practice. Watchful ≤ steady ≤ light. */
export type PracticeDays = Readonly<Record<Practice, number>>;

/** The load at which this practice calls a part due; 1 under steady. Unit: loads. */
export function acceptedLoad(days: PracticeDays, practice: Practice): number {
  return days[practice] / days.steady;
}
