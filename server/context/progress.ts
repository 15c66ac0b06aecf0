/** How far somebody's long work is, told while it runs and asked for by their page. */

export interface ProgressBook {
  /** Says that somebody's work begins; `tell` says its share, 0 to 1. */
  begin(personId: string): { tell(share: number): void };
  /** The share done of what somebody began last, 0 to 1; null where they began nothing. */
  of(personId: string): number | null;
}

/** A book of everybody's long work; it forgets with the process. */
export function progressBook(): ProgressBook {
  const shares = new Map<string, number>();
  return {
    begin: (personId) => {
      shares.set(personId, 0);
      return { tell: (share) => void shares.set(personId, share) };
    },
    of: (personId) => shares.get(personId) ?? null,
  };
}
