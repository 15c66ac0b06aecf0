/** How far somebody's long work is, told while it runs. */
import type { LongWork, Progress } from '../../contract/pages/progress.ts';

export interface ProgressBook {
  /** Does somebody's work, which tells its share, 0 to 1; then it is over, however it ends. */
  during<T>(personId: string, work: LongWork, run: (tell: (share: number) => void) => Promise<T>): Promise<T>;
  /** The shares of what somebody has under way. */
  of(personId: string): Progress['shares'];
}

/** A book of everybody's long work; it forgets with the process. */
export function progressBook(): ProgressBook {
  const people = new Map<string, Map<LongWork, number>>();
  return {
    async during(personId, work, run) {
      const shares = people.get(personId) ?? new Map<LongWork, number>();
      people.set(personId, shares.set(work, 0));
      try {
        return await run((share) => void shares.set(work, share));
      } finally {
        shares.delete(work);
        if (shares.size === 0) people.delete(personId);
      }
    },
    of: (personId) => Object.fromEntries(people.get(personId) ?? []),
  };
}
