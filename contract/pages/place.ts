/** A home on the office's page, and what it wants before somebody moves in. */
import type { Standing } from '../../core/standing/standing.ts';
import type { AlarmAnswer } from '../faults/alarms.ts';
import type { FaultSummary } from '../faults/faults.ts';
import type { HabitSummary } from '../due/habits.ts';
import type { HandBackSummary } from '../jobs/handBacks.ts';
import type { MachineSummary } from '../register/machines.ts';
import type { PLACE_KINDS, TenancySummary } from '../register/register.ts';
import type { SignalSummary } from '../due/signals.ts';

export interface PlaceAnswer {
  readonly id: string;
  readonly name: string;
  readonly kind: (typeof PLACE_KINDS)[number];
  readonly buildingId: string | null;
  readonly property: { id: string; name: string; zone: string; today: number };
  readonly tenancy: TenancySummary | null;
  /** Whoever lived there last, where nobody does now. */
  readonly former: { readonly id: string; readonly name: string; readonly to: string } | null;
  /** Whoever lived there before that, the latest first. */
  readonly earlier: readonly {
    readonly id: string;
    readonly name: string;
    readonly from: string;
    readonly to: string;
  }[];
  /** One that begins later. */
  readonly coming: TenancySummary | null;
  readonly machines: readonly MachineSummary[];
  readonly hold: { readonly until: string; readonly reason: string } | null;
  readonly habits: readonly HabitSummary[];
  readonly budget: {
    readonly jobs: number;
    readonly minutes: number;
    readonly usedJobs: number;
    readonly usedMinutes: number;
  } | null;
  readonly standing: Standing;
  readonly alarms: readonly AlarmAnswer[];
  /** What was handed back undone and nobody has seen to. */
  readonly handBacks: readonly HandBackSummary[];
  readonly faults: readonly FaultSummary[];
  readonly signals: readonly SignalSummary[];
}

/** What an empty home wants before somebody moves in. */
export interface TurnoverAnswer {
  readonly place: { readonly id: string; readonly name: string; readonly property: string };
  readonly tenancy: { readonly id: string; readonly name: string; readonly to: string | null } | null;
  readonly hold: { readonly until: string; readonly reason: string } | null;
  readonly machines: readonly {
    readonly id: string;
    readonly name: string;
    readonly tasks: readonly {
      readonly pointId: string;
      readonly number: number;
      readonly name: string;
      readonly kind: string;
      readonly todo: 'serve' | 'look';
      readonly says: string;
      readonly minutes: number;
      readonly taken: string | null;
      readonly forTenants: boolean;
    }[];
    readonly habits: readonly string[];
  }[];
  readonly minutes: number;
  readonly assignees: readonly { readonly id: string; readonly name: string }[];
}
