/** The line board and a point's story. */
import type { Day } from '../../core/calendar/day.ts';
import type { Line } from '../../core/due/line.ts';
import type { MethodKey, PointKind } from '../../core/catalogue/types.ts';
import type { EvidenceLevel } from '../../core/proof/record.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { MarkDates, Specification } from '../register/machines.ts';
import type { Scope } from './practice.ts';
import type { AnchorKind } from '../../core/catalogue/anchorChoice.ts';
import type { Practice } from '../../core/catalogue/practice.ts';

/**
 * Work on a point, as a number in a mark: 0 nobody is on it, 1 given, 2 started, 3 awaiting its test, 4 on hold, and
 * from 5 on sent,
 * where the value less 5 is the days from service to the day it was done.
 */
export const WORK = { none: 0, given: 1, started: 2, awaitingTest: 3, onHold: 4, sent: 5 } as const;

/** The line that a mark stands for. */
export function lineOfMark({ servedDay, intervalDays, capSlack }: MarkDates): Line {
  return {
    servedDay: servedDay || null,
    lineDay: servedDay + intervalDays,
    capDay: servedDay + intervalDays + capSlack,
  };
}

/** The day on which sent work was done; null where none is sent, or nothing was logged before it. */
export function doneDayOf({ servedDay, work }: MarkDates): Day | null {
  return work >= WORK.sent && servedDay ? servedDay + work - WORK.sent : null;
}

/**
 * Numbers a mark takes in the board's flat list: number, type, served day (0: no record), interval, cap slack, work, 1
 * where it rides.
 */
export const MARK_FIELDS = 7;

export interface BoardType {
  readonly key: string;
  /** By which marks name it; of ours its place in the list. */
  readonly number: number;
  readonly name: string;
  readonly kind: PointKind;
  readonly safetyCritical: boolean;
  readonly riskWeight: number;
}

export interface BoardAnswer {
  readonly types: readonly BoardType[];
  readonly properties: readonly {
    readonly id: string;
    readonly name: string;
    readonly today: number;
    readonly says: string;
  }[];
  readonly rows: readonly {
    readonly id: string;
    readonly name: string;
    /** Index into `properties`. */
    readonly property: number;
    /** The home is on hold today: what somebody has in hand there counts neither way, as everything else there. */
    readonly held: boolean;
    readonly marks: readonly number[];
  }[];
  /** A home with a larger share of its parts past the line is in breach, 0 to 1. */
  readonly breachShare: number;
  /** `clockBehindDays`: whole days by which the server's clock is behind the newest entry of the log. */
  readonly waiting: {
    readonly proofs: number;
    readonly faults: number;
    readonly handBacks: number;
    /** Since when and until when each open fault and deficiency is to be put right, what runs out first at the top. */
    readonly clocks: readonly (readonly [openedAt: number, correctBy: number])[];
    readonly clockBehindDays: number;
    /** Parts without a record that a kept plan names, and the day it ends; null without one. */
    readonly baseline: { readonly planned: number; readonly until: string } | null;
    /** Called unsafe, the newest first. */
    readonly alarms: readonly {
      readonly id: string;
      readonly says: string;
      readonly note: string;
      readonly place: string;
      readonly placeId: string;
      readonly machine: string;
      readonly at: string;
      readonly acknowledgedBy: string | null;
    }[];
  };
}

export interface TermLine {
  readonly says: string;
  readonly why: string;
  readonly days: number;
}

/** The working of a date, whole: what the panel leaves for one click further. */
export interface WorkingAnswer {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly place: { readonly id: string; readonly name: string; readonly today: number };
  /** Two sentences that a tenant could read. */
  readonly says: string;
  readonly served: string | null;
  readonly line: string | null;
  readonly days: number;
  readonly terms: readonly TermLine[];
  /** Of the date itself; null where the calendar or a report sets the day. */
  readonly band: { readonly early: string; readonly late: string } | null;
  /** A calendar that lets it go far past what was learned here, in words. */
  readonly beyond: string | null;
  readonly speed: { readonly median: number; readonly low: number; readonly high: number; readonly says: string };
  /** Every condition found, newest first. */
  readonly conditions: readonly {
    readonly day: string;
    readonly kind: 'service' | 'look';
    readonly says: string;
    readonly by: string;
    readonly confirmed: boolean;
    /** Null where it does not teach: ungraded, or the first of an older machine. */
    readonly loads: number | null;
    readonly weight: number;
    readonly speedAfter: number | null;
  }[];
  readonly contradictions: readonly string[];
  readonly chosen: {
    readonly practice: Practice;
    readonly practiceScope: Scope;
    readonly anchor: {
      readonly kind: AnchorKind;
      readonly mode: 'sets' | 'limits';
      readonly rule: string | null;
      readonly start: string | null;
      readonly says: string;
    };
    /** Calendar days to come, where it keeps one. */
    readonly next: readonly string[];
    readonly upkeepDay: string | null;
    readonly methods: readonly {
      readonly key: MethodKey;
      readonly name: string;
      readonly option: string;
      readonly options: readonly { readonly key: string; readonly name: string }[];
    }[];
    readonly scheduled: boolean;
    readonly turn: string | null;
  };
  /** Assumptions behind it that may be tried otherwise. */
  readonly assumptions: readonly {
    readonly name: string;
    readonly says: string;
    readonly value: number;
    readonly low: number;
    readonly high: number;
  }[];
}

export interface StoryEntry {
  readonly at: number;
  readonly day: string;
  readonly says: string;
  readonly by: string;
  readonly recordId: string | null;
  /** It was logged afterwards and can be corrected. */
  readonly correctable?: boolean;
  readonly evidence: EvidenceLevel | null;
}

export interface PointAnswer {
  readonly id: string;
  readonly number: number;
  readonly name: string;
  readonly task: string;
  readonly why: string;
  readonly kind: PointKind;
  readonly safetyCritical: boolean;
  /** Of a contractor's visit: who comes, and where they are asked; null for all else. */
  readonly contract: { readonly name: string; readonly email: string } | null;
  readonly procedure: string;
  readonly place: { id: string; name: string; property: string; today: number; zone: string };
  readonly machine: { id: string; name: string };
  readonly mark: MarkDates;
  readonly says: string;
  readonly terms: readonly TermLine[];
  readonly band: { early: number; late: number } | null;
  readonly beyond: string | null;
  /** Signals that wait for an answer, with what may be done about them. */
  readonly signals: readonly { id: string; says: string; state: 'open' | 'dismissed'; recheck: string | null }[];
  readonly calendar: string | null;
  readonly hold: string | null;
  /** Monday of the week in which the baseline plans it, while it has no record. */
  readonly baseline: string | null;
  readonly scheduled: boolean;
  readonly specification: Specification;
  readonly job: {
    id: string;
    state: JobState;
    says: string;
    assignee: string | null;
    revision: number;
    reason: string | null;
  } | null;
  readonly waitingRecordId: string | null;
  readonly story: readonly StoryEntry[];
  readonly rideAlong: readonly {
    id: string;
    name: string;
    share: number | null;
    chosen: boolean;
    forTenant: boolean;
    minutes: number;
  }[];
  readonly assignees: readonly {
    id: string;
    name: string;
    role: 'tenant' | 'staff' | 'me';
    may: boolean;
    budget: string | null;
    /** Minutes that still fit this month; null without a limit. */ pace: number;
    left: number | null;
  }[];
  readonly minutes: number;
  readonly level: string;
  readonly levelSays: string;
}

/** The header of a write's answer that says how many lines are drawn after it; absent where none is. */
export const LINES_LEFT = 'x-lines-left';
