/** Contractors who come by contract: to which machines, when next, whether they were asked, and whether they came. */
import type { MessageSummary } from './messages.ts';

/**
 * `missed`: the announced time is over and there is no report; `coming`: announced; `asked`: they have a link and no day
 * yet; `sent`: the report waits for a verdict; `open`: nobody was asked.
 */
export const CONTRACT_STATES = ['missed', 'open', 'asked', 'coming', 'sent'] as const;
export type ContractState = (typeof CONTRACT_STATES)[number];

export interface ContractVisit {
  /** The number of the part that the visit is. */
  readonly number: number;
  readonly machine: string;
  readonly placeId: string;
  readonly place: string;
  readonly today: number;
  /** Who comes, as the contract or the asking says; empty where neither does. */
  readonly contractor: string;
  readonly everyMonths: number;
  readonly lastDay: number | null;
  readonly lineDay: number | null;
  readonly state: ContractState;
  /** It is near enough to its line to be asked for. */
  readonly near: boolean;
  readonly jobId: string | null;
  readonly askedDay: number | null;
  readonly visit: { readonly day: number; readonly from: number; readonly until: number } | null;
  /** They can be written to, and were not today. */
  readonly mayRemind: boolean;
  readonly messages: readonly MessageSummary[];
}

export interface ContractsAnswer {
  /** The most pressing first: those that were missed, then by their lines. */
  readonly visits: readonly ContractVisit[];
}
