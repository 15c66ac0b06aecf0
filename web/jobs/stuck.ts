/** Ways out of a job that are no failure, and the words of their buttons. */
export const STUCK_WORDS = {
  willNotMove: 'job.wontMove',
  notSafe: 'job.notSafe',
  partMissing: 'job.partMissing',
  away: 'job.away',
  noSwitch: 'job.noSwitch',
  none: 'job.none',
} as const;
export type StuckReason = keyof typeof STUCK_WORDS;
