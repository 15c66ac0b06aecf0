/** Agents that must never meet, whatever anybody chose. */
import type { Agent } from './types.ts';

const PAIRS: readonly { readonly agents: readonly [Agent, Agent]; readonly reason: string }[] = [
  { agents: ['bleach', 'vinegar'], reason: 'hazard.chlorine' },
  { agents: ['bleach', 'citricAcid'], reason: 'hazard.chlorine' },
  { agents: ['bleach', 'ammonia'], reason: 'hazard.chloramine' },
];

/** Text key of the reason why two agents must not meet; undefined where they may. */
export function mustNotMeet(one: Agent, other: Agent): string | undefined {
  return PAIRS.find(({ agents }) => agents.includes(one) && agents.includes(other) && one !== other)?.reason;
}
