/** A point as its line is computed from it: its register, its facts as they were, what was found, its signals. */
import type { Day } from '../../core/calendar/day.ts';
import type { Raise } from '../../core/catalogue/levels.ts';
import type { Agent, Choices, Procedure } from '../../core/catalogue/types.ts';
import type { CalendarFacts } from '../../core/due/anchor.ts';
import type { AnchorChoice } from '../../core/catalogue/anchorChoice.ts';
import type { Changes } from '../../core/due/assumptions.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import type { SignalState } from '../../core/due/signals.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { EditionInForce } from '../lookup/editions.ts';
import * as sql from '../sql/history.ts';
import type { Hold } from '../store/factValues.ts';

export interface PointHistory {
  readonly point: {
    readonly id: string;
    readonly number: number;
    readonly procedure: string;
    readonly organisationId: string;
  };
  readonly machineId: string;
  readonly placeId: string;
  readonly propertyId: string;
  readonly zone: string;
  readonly today: Day;
  /** Its machine is out of service, or lacks this part. */
  readonly retired: boolean;
  /** As the chosen methods make it. */
  readonly procedure: Procedure;
  /** The manager's own edition in force, where there is one. */
  readonly edition: EditionInForce | null;
  readonly inputs: LineInputs;
  /** Where the practice comes from: the subject whose fact it is, the organisation without one. */
  readonly practiceFrom: string;
  readonly choices: Choices;
  readonly anchorChoice: AnchorChoice;
  readonly anchorMode: 'sets' | 'limits';
  readonly calendar: CalendarFacts & { readonly warmCelsius: number };
  readonly scheduled: boolean;
  readonly hold: Hold | null;
  /** Rows of what was found, oldest first, beside `inputs.conditions`. */
  readonly conditions: readonly sql.ConditionRow[];
  readonly lastService: sql.ConditionRow | undefined;
  /** What raises its level on this machine. */
  readonly raised: readonly Raise[];
  /** Agents that may not be used at it. */
  readonly forbidden: readonly Agent[];
  /** The agent whose turn it is at the coming service; null where nothing rotates. */
  readonly turn: Agent | null;
  /** Work done that awaits its proof. */
  readonly waiting: { readonly recordId: string; readonly doneDay: Day } | undefined;
  /** Signals that are not answered, and open faults, oldest first. */
  readonly signals: readonly {
    readonly id: string;
    readonly type: string;
    readonly state: SignalState;
    readonly day: Day;
    readonly recheckDay: Day | null;
  }[];
  readonly faults: readonly { readonly day: Day; readonly symptom: string }[];
  readonly jobState: JobState | undefined;
}

/** What may be assumed otherwise, to see what would follow before it is saved. */
export interface Supposition {
  readonly practice?: Practice | undefined;
  readonly changes?: Changes | undefined;
  readonly choices?: Choices | undefined;
  /** Another part of its machine in its stead. */
  readonly instead?: string | undefined;
  readonly anchor?: { readonly choice: AnchorChoice; readonly mode: 'sets' | 'limits' } | undefined;
}
