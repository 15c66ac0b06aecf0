/**
 * Whose clean work is accepted by rule. Truth is told from looks that chance chose, never from those that a finding
 * asked for: findings choose their own.
 */
import type { Day } from '../calendar/day.ts';
import { betaQuantile } from '../statistics/beta.ts';
import { seeded, seedOf } from '../statistics/random.ts';

/** How proofs are looked at: the first ones of a person all, then one in so many by a draw. */
export interface LookRule {
  readonly first: number;
  readonly oneIn: number;
}

/** Our default; 1 in `oneIn` looks at all of them. */
export const LOOK_RULE: LookRule = { first: 3, oneIn: 3 };

/** A clean proof that was looked at because a draw, or being among the first, said so. */
export interface DrawnLook {
  readonly day: Day;
  /** It was as it said. */
  readonly held: boolean;
}

/** After so many days a look says half as much about somebody. Our judgement. */
const HALF_LIFE_DAYS = 182.5;
/** Jeffreys' prior. */
const PRIOR = 0.5;
/** The bound that truth lies above in nineteen of twenty cases. */
const BOUND = 0.05;
/** Above this lower bound what somebody found teaches like what somebody else confirmed. */
export const TEACHES_ABOVE = 0.9;

export interface Truth {
  /** Middle and lower bound of the share of clean work that is as it says. */
  readonly share: number;
  readonly low: number;
  readonly looks: number;
}

/** How true somebody's clean work is: a beta posterior of drawn looks that fade by half in half a year. */
export function truthOf(looks: readonly DrawnLook[], today: Day): Truth {
  const weightOf = ({ day }: DrawnLook) => 0.5 ** (Math.max(0, today - day) / HALF_LIFE_DAYS);
  let [held, not] = [PRIOR, PRIOR];
  for (const look of looks) {
    if (look.held) held += weightOf(look);
    else not += weightOf(look);
  }
  return { share: held / (held + not), low: betaQuantile(BOUND, held, not), looks: looks.length };
}

/** Whether the next clean proof may be left to the draw: so many looks in a row held, since the last that did not. */
export function isTrusted(looks: readonly DrawnLook[], { first }: LookRule): boolean {
  const ordered = [...looks].sort((a, b) => a.day - b.day);
  return ordered.length - 1 - ordered.findLastIndex(({ held }) => !held) >= first;
}

export interface LookDraw {
  readonly probability: number;
  readonly drawn: boolean;
}

/** Whether a clean proof is looked at: certainly while its sender is not trusted, else by a draw of its seed. */
export function drawLook(seed: string, trusted: boolean, { oneIn }: LookRule): LookDraw {
  const probability = trusted ? 1 / oneIn : 1;
  return { probability, drawn: probability >= 1 || seeded(seedOf(seed))() < probability };
}
