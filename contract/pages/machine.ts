/** What a scanned label opens. */
import type { PointKind } from '../../core/catalogue/types.ts';
import type { FaultSummary, ReportableMachine } from '../faults/faults.ts';
import type { MarkDates } from '../register/machines.ts';

/** What a label opens: a machine, for whoever may see it. */
export interface MachineAnswer {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly maker: string;
  readonly model: string;
  readonly retired: string | null;
  readonly place: { readonly id: string; readonly name: string; readonly property: string; readonly today: number };
  readonly points: readonly {
    readonly number: number;
    readonly name: string;
    readonly kind: PointKind;
    readonly safetyCritical: boolean;
    readonly mark: MarkDates;
    readonly due: string;
    /** It asks by itself; false is done when the machine is opened anyway. */
    readonly scheduled: boolean;
    /** The caller may do it there and then: it is of their level, and nobody is on it. */
    readonly may: boolean;
  }[];
  /** The job that the caller has here, and whether anybody has one. */
  readonly job: { readonly id: string; readonly title: string } | null;
  readonly othersJob: boolean;
  readonly faults: readonly FaultSummary[];
  readonly reportable: ReportableMachine;
  /** What was read at it over time; for the office. */
  readonly series: readonly ReadingSeries[];
}

/** A reading of one machine over time, held against what it read at first. */
export interface ReadingSeries {
  readonly name: string;
  readonly says: string;
  /** In the unit in which it is kept; null before there are enough. */
  readonly baseline: number | null;
  readonly baselineSays: string | null;
  /** Beyond it something is opened; null where nothing is. */
  readonly limit: number | null;
  readonly figures: readonly { readonly value: number; readonly says: string; readonly day: string }[];
}
