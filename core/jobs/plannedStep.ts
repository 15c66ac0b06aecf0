/** A sitting as it is planned: its steps in order, each with the state that it finds. */
import type { Change } from '../catalogue/systems.ts';
import type { Finding, State } from '../catalogue/types.ts';
import type { Act } from './sitting.ts';

export interface PlannedStep {
  readonly key: string;
  readonly act: Act | null;
  readonly change: Change | null;
  /** Tasks that it serves. */
  readonly tasks: readonly string[];
  /** The state in which it is done; of a change, the one that it makes. */
  readonly state: State;
}

export interface Plan {
  readonly steps: readonly PlannedStep[];
  /** Tasks that cannot be done in this sitting as things stand. */
  readonly left: readonly string[];
  /** Minutes from first to last, a newcomer's. */
  readonly elapsed: number;
}

/** Where a sitting stands. */
export interface Situation {
  /** How the system was found, where it was not as usual. */
  readonly begin?: State;
  readonly found?: readonly Finding[];
  /** Keys of planned steps that are done, in order. */
  readonly done?: readonly string[];
}
