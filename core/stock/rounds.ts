/** What rounds that are taken over need of one thing, against what is on the shelf: the certain part of the forecast. */
import type { Day } from '../calendar/day.ts';

/** Pieces that somebody's round takes. */
export interface Need {
  readonly day: Day;
  readonly who: string;
  readonly count: number;
}

export interface RoundNeed extends Need {
  /** Left on the shelf after it, below 0 what it lacks; null where nobody has counted. */
  readonly left: number | null;
}

/** What is left after each round, the first round first; those of one person and day are one. */
export function afterRounds(shelf: number | null, needs: readonly Need[]): RoundNeed[] {
  const together = new Map<string, Need>();
  for (const it of needs) {
    const key = `${it.day} ${it.who}`;
    together.set(key, { ...it, count: it.count + (together.get(key)?.count ?? 0) });
  }
  let left = shelf;
  return [...together.values()]
    .sort((a, b) => a.day - b.day || (a.who < b.who ? -1 : 1))
    .map((it) => {
      left = left === null ? null : left - it.count;
      return { ...it, left };
    });
}

/** How many more rounds need than there are, and the first day on which one lacks some; null where none does. */
export function lackOf(rounds: readonly RoundNeed[]): { readonly count: number; readonly day: Day } | null {
  const first = rounds.find(({ left }) => left !== null && left < 0);
  return first ? { count: -rounds.at(-1)!.left!, day: first.day } : null;
}
