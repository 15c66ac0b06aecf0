/** How far long work is that goes on aside, as whoever waits for it hears it. */

/** What somebody waits for. */
export const LONG_WORK = ['import', 'preview', 'plan'] as const;
export type LongWork = (typeof LONG_WORK)[number];

export interface Progress {
  /** Lines of the office that are still to be drawn anew. */
  readonly linesLeft: number;
  /** The share done, 0 to 1, of what this person has begun and not ended. */
  readonly shares: Readonly<Partial<Record<LongWork, number>>>;
}

/** The event that ends a stream of progress: nothing is under way any more. */
export const OVER = 'over';
