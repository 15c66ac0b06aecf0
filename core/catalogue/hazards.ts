/** Agents that must never meet, whatever anybody chose: in one visit, one container, one machine, or drains that share a branch on a day. */
import type { Agent, Procedure } from './types.ts';

const PAIRS: readonly { readonly agents: readonly [Agent, Agent]; readonly reason: string }[] = [
  { agents: ['bleach', 'vinegar'], reason: 'hazard.chlorine' },
  { agents: ['bleach', 'citricAcid'], reason: 'hazard.chlorine' },
  { agents: ['bleach', 'ammonia'], reason: 'hazard.chloramine' },
  // What a bought cleaner holds, its label says; many hold an acid. Our caution.
  { agents: ['bleach', 'cleaner'], reason: 'hazard.unknown' },
];

/** Text key of the reason why two agents must not meet; undefined where they may. */
export function mustNotMeet(one: Agent, other: Agent): string | undefined {
  return PAIRS.find(({ agents }) => agents.includes(one) && agents.includes(other) && one !== other)?.reason;
}

/** Agents that a procedure surely uses: the one whose turn it is, else those that leave no choice. */
export function certainAgents({ steps }: Procedure, turn: Agent | null): Agent[] {
  const needs = steps.flatMap((step) => step.needs).filter((need) => need.kind === 'agent');
  return needs.flatMap(({ choices }) => (turn && choices.includes(turn) ? [turn] : choices.length === 1 ? choices : []));
}

export interface Meeting {
  readonly one: Agent;
  readonly other: Agent;
  /** Text key. */
  readonly reason: string;
}

/** The first pair of two lots of agents that must not meet. */
export function meetingOf(these: readonly Agent[], those: readonly Agent[]): Meeting | undefined {
  for (const one of these) {
    for (const other of those) {
      const reason = mustNotMeet(one, other);
      if (reason) return { one, other, reason };
    }
  }
  return undefined;
}
