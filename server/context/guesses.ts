/** Wrong guesses at passwords and codes: of one account, and of the whole server, whatever address they come from. */
import { guessedWrong, remaining, waitFor, type Guesses, type Patience } from '../../core/people/guessing.ts';
import { sha256 } from './hash.ts';
import { Problem } from './problem.ts';

const SECOND = 1000;
const MINUTE = 60 * SECOND;

/**
 * One account: five mistypings are free, then the wait doubles. All passwords, and all short codes, of the server: what
 * an office types wrong in a morning is free.
 */
export const PATIENCE = {
  account: { free: 5, forgivenMs: 10 * MINUTE, longestMs: 5 * MINUTE },
  passwords: { free: 60, forgivenMs: 5 * SECOND, longestMs: 30 * SECOND },
  codes: { free: 30, forgivenMs: 10 * SECOND, longestMs: 30 * SECOND },
} as const satisfies Record<string, Patience>;
export type GuessKind = keyof typeof PATIENCE;

/** Accounts that are kept in mind; beyond it those that were guessed at longest ago are forgotten. */
const MOST_ACCOUNTS = 20_000;

/** What is counted under a key that says nothing of whose it is. */
export interface KeptGuesses extends Guesses {
  readonly id: string;
}

export interface GuessBook {
  /**
   * Counts a guess before it is looked at, so that many at once do not pass as one.
   * @throws Problem: waitFirst (429)
   */
  begin(kind: GuessKind, of: string): void;
  /** It was right: an account's count is over, the server's falls back by this one. */
  right(kind: GuessKind, of: string): void;
  /** Goes on from what a book before this one had counted. */
  takeUp(kept: readonly KeptGuesses[]): void;
  /** What has changed since this was last asked: counts that stand, and keys of which none is left. */
  changes(): { readonly kept: readonly KeptGuesses[]; readonly dropped: readonly string[] };
}

/** The book of one server. `keptGuesses.ts` carries it over a restart. */
export function guessBook(clock: () => number): GuessBook {
  const counts = new Map<string, Guesses>();
  const changed = new Set<string>();
  const idOf = (kind: GuessKind, of: string) => sha256(`${kind} ${of}`);
  function count(id: string, guesses: Guesses | null): void {
    changed.add(id);
    counts.delete(id);
    if (guesses) counts.set(id, guesses);
  }
  return {
    begin(kind, of) {
      const id = idOf(kind, of);
      const patience = PATIENCE[kind];
      const before = counts.get(id);
      const wait = waitFor(before, clock(), patience);
      if (wait > 0) throw new Problem(429, 'waitFirst', { seconds: Math.ceil(wait / SECOND) });
      count(id, guessedWrong(before, clock(), patience));
      if (counts.size > MOST_ACCOUNTS) count(counts.keys().next().value!, null);
    },
    right(kind, of) {
      const id = idOf(kind, of);
      const before = counts.get(id);
      if (!before) return;
      if (kind === 'account') count(id, null);
      else count(id, { count: Math.max(0, remaining(before, clock(), PATIENCE[kind]) - 1), at: clock() });
    },
    takeUp(kept) {
      for (const { id, ...guesses } of kept) counts.set(id, guesses);
    },
    changes() {
      const ids = [...changed];
      changed.clear();
      return {
        kept: ids.flatMap((id) => (counts.has(id) ? [{ id, ...counts.get(id)! }] : [])),
        dropped: ids.filter((id) => !counts.has(id)),
      };
    },
  };
}
