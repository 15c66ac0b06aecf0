/** English text of jobs. */
export const jobsText = {
  'job.open': 'open',
  'job.given': 'given',
  'job.started': 'started',
  'job.awaitingTest': 'awaiting its test',
  'job.sent': 'sent',
  'job.accepted': 'accepted',
  'job.cancelled': 'cancelled',
  'job.logged': 'logged after the fact',
} as const;
