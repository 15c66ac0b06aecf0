/** Days of upkeep that are picked from, as RFC 5545 has them. */
export const UPKEEP_RULES = {
  first: 'FREQ=MONTHLY;BYDAY=1SA',
  monday: 'FREQ=MONTHLY;BYDAY=1MO',
  last: 'FREQ=MONTHLY;BYDAY=-1FR',
  fortnight: 'FREQ=WEEKLY;INTERVAL=2;BYDAY=FR',
} as const;
