/** When work was done, as a device claims it, within what the server knows. */

export interface Times {
  /** Null where no start can be believed. */
  readonly startedAt: number | null;
  readonly doneAt: number;
}

export interface Known {
  /** Nothing was asked before: when the job was given, or the part last served, whichever is later. */
  readonly from: number;
  readonly receivedAt: number;
}

/**
 * A device's clock, read at sending, is taken at its word up to this much; beyond, its times are moved by how far it is
 * off.
 */
export const CLOCK_TRUST_MS = 2 * 60_000;
/** Our assumption: clocks of phones and servers agree to ten minutes. */
export const CLOCK_SLACK_MS = 10 * 60_000;

/** Start and end in server time: a clock that is off is put right, and nothing was done in the future. */
export function trueTimes(
  { startedAt, doneAt, deviceAt }: { readonly startedAt: number; readonly doneAt: number; readonly deviceAt: number },
  now: number,
): { startedAt: number; doneAt: number } {
  const offset = Math.abs(now - deviceAt) > CLOCK_TRUST_MS ? now - deviceAt : 0;
  const done = Math.min(now, doneAt + offset);
  return { startedAt: Math.min(done, startedAt + offset), doneAt: done };
}

/**
 * A claim of having been done before anybody asked is not believed: the work counts from its receipt, and has no pace.
 * A start before the job was given is moved to where it was given.
 */
export function boundedClaim(
  { startedAt, doneAt }: { readonly startedAt: number; readonly doneAt: number },
  { from, receivedAt }: Known,
): Times & { readonly outside: boolean } {
  if (doneAt < from - CLOCK_SLACK_MS) return { startedAt: null, doneAt: receivedAt, outside: true };
  return { startedAt: Math.max(startedAt, Math.min(from, doneAt)), doneAt, outside: false };
}
