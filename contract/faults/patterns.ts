/** What recurs on a machine, with its evidence. */
import type { PatternLevel } from '../../core/faults/patterns.ts';

export interface PatternSummary {
  readonly machineId: string;
  readonly machineNumber: number;
  readonly machine: string;
  readonly placeId: string;
  readonly place: string;
  /** `stated`: it comes back, and may be said and costed. `watch`: it may. */
  readonly level: PatternLevel;
  readonly symptom: string;
  /** The evidence, a sentence each. */
  readonly says: readonly string[];
  readonly faults: readonly {
    readonly id: string;
    readonly day: string;
    readonly found: string | null;
    /** How the part that it made due stood, strictly before it. */
    readonly upkeep: 'inOrder' | 'past' | 'unknown';
  }[];
}
