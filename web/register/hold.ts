/** Holds of homes. */

/** How long a home is usually on hold before somebody looks again, in days; common practice. */
export const HOLD_DAYS = 60;
