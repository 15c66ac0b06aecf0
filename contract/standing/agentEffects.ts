/** What parts are cleaned with, and how it turns out. */
import type { ShareInterval } from '../../core/statistics/proportion.ts';
import type { FoulingRate } from '../../core/due/agents.ts';

/** One way of cleaning a kind of part. */
export interface AgentEffect {
  /** The agents in words. */
  readonly with: string;
  readonly services: number;
  /** Services after which somebody said how it looked: how many, and how many were clean. */
  readonly told: number;
  readonly clean: ShareInterval | null;
  /** How fast it fouls again; null with too few cycles. */
  readonly fouls: FoulingRate | null;
  /** At the prices that were entered; null without an hour's price, or where nothing is known of its fouling. */
  readonly costAYear: number | null;
}
export interface AgentEffectsAnswer {
  readonly currency: string;
  /** Kinds of part that were cleaned in two ways or more, the most services first. */
  readonly parts: readonly {
    readonly procedure: string;
    readonly name: string;
    readonly ways: readonly AgentEffect[];
  }[];
  /** Kinds that are cleaned in one way alone: nothing to compare. */
  readonly oneWay: number;
}
