/**
 * Practice: a school of intervals.
 *
 * A practice is an accepted condition, not a rate. τ = interval of the practice / reference interval is
 * the load that the practice lets a part reach before it is served, so a point that has learned its own
 * speed follows a change of practice fully.
 */

/** The schools whose intervals the catalogue holds. */
export const SCHOOLS = ['watchful', 'steady', 'light'] as const;
export type School = (typeof SCHOOLS)[number];

/** What may be chosen: a school, or the limit of the maker's manual as the interval. */
export const PRACTICES = [...SCHOOLS, 'maker'] as const;
export type Practice = (typeof PRACTICES)[number];

/** Days between services in a neutral home, by school. Watchful ≤ steady ≤ light. */
export type PracticeDays = Readonly<Record<School, number>>;

/**
 * Days that a practice gives a neutral home. The maker's manual gives its limit, or steady where nobody entered one.
 */
export function practiceDays(days: PracticeDays, practice: Practice, makerLimitDays?: number): number {
  return practice === 'maker' ? (makerLimitDays ?? days.steady) : days[practice];
}

/** The load at which this practice calls a part due; 1 under steady. Unit: loads. */
export function acceptedLoad(days: PracticeDays, practice: Practice, makerLimitDays?: number): number {
  return practiceDays(days, practice, makerLimitDays) / days.steady;
}
