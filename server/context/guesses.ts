/** Wrong guesses at passwords and codes: of one account, and of the whole server, whatever address they come from. */
import { guessedWrong, remaining, waitFor, type Guesses, type Patience } from '../../core/people/guessing.ts';
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

export interface GuessBook {
  /**
   * Counts a guess before it is looked at, so that many at once do not pass as one.
   * @throws Problem: waitFirst (429)
   */
  begin(kind: GuessKind, of: string): void;
  /** It was right: an account's count is over, the server's falls back by this one. */
  right(kind: GuessKind, of: string): void;
}

/** The book of one server; a restart begins it anew. */
export function guessBook(clock: () => number): GuessBook {
  const kept = new Map<string, Guesses>();
  return {
    begin(kind, of) {
      const key = `${kind} ${of}`;
      const patience = PATIENCE[kind];
      const before = kept.get(key);
      const wait = waitFor(before, clock(), patience);
      if (wait > 0) throw new Problem(429, 'waitFirst', { seconds: Math.ceil(wait / SECOND) });
      kept.delete(key);
      kept.set(key, guessedWrong(before, clock(), patience));
      if (kept.size > MOST_ACCOUNTS) kept.delete(kept.keys().next().value!);
    },
    right(kind, of) {
      const key = `${kind} ${of}`;
      const before = kept.get(key);
      if (!before) return;
      if (kind === 'account') kept.delete(key);
      else kept.set(key, { count: Math.max(0, remaining(before, clock(), PATIENCE[kind]) - 1), at: clock() });
    },
  };
}
