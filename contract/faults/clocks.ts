/** The clocks of faults and deficiencies: what runs out, who answers for it, and the local rule. */
import { object, string, type InferType } from 'yup';
import { REPAIR_HOURS, SEVERITIES, type LocalHours, type Severity } from '../../core/faults/clock.ts';
import { count, id, isoDay, line } from '../form/fields.ts';

/** Another severity, another day, somebody responsible; of a fault or of a deficiency. */
export const changeClock = object({
  severity: string().oneOf(SEVERITIES).required(),
  correctBy: isoDay().required(),
  responsibleId: id().nullable().default(null),
});
const hours = (severity: Severity) =>
  count(REPAIR_HOURS[severity]).min(1).max(REPAIR_HOURS[severity], 'field.repairTime').nullable().default(null);
const localHours = object({
  lifeThreatening: hours('lifeThreatening'),
  severe: hours('severe'),
  moderate: hours('moderate'),
  low: hours('low'),
});
/** A local rule, of one property or of all; without hours it is taken back. */
export const changeRepairTimes = object({
  propertyId: id().nullable().default(null),
  hours: localHours.required(),
  name: line(160)
    .default('')
    .when('hours', ([given], it) =>
      Object.values((given ?? {}) as Partial<LocalHours>).some((value) => value !== null)
        ? it.required('field.ruleName')
        : it,
    ),
});
export type ChangeClock = InferType<typeof changeClock>;
export type ChangeRepairTimes = InferType<typeof changeRepairTimes>;

export interface OfficePerson {
  readonly id: string;
  readonly name: string;
}

/** Something that is to be put right by an instant. */
export interface ClockItem {
  readonly kind: 'fault' | 'deficiency';
  readonly id: string;
  readonly says: string;
  readonly note: string;
  readonly placeId: string;
  readonly place: string;
  readonly machine: string;
  readonly severity: Severity;
  readonly zone: string;
  readonly openedAt: number;
  readonly correctBy: number;
  /** Day of `correctBy`, as a form has it. */
  readonly correctOn: string;
  /** Where the rule in force gives less time than `correctBy`: until when. */
  readonly ruleBy: number | null;
  readonly urgency: 'over' | 'soon' | 'running';
  readonly responsibleId: string | null;
  readonly responsible: string | null;
  readonly inspectionId: string | null;
  /** Who was told that its time runs out. */
  readonly told: readonly { readonly name: string; readonly at: number | null; readonly failed: string | null }[];
}

export interface RepairRule {
  /** Null: of all properties. */
  readonly propertyId: string | null;
  readonly property: string | null;
  readonly name: string;
  readonly hours: LocalHours;
}

export interface ClocksAnswer {
  /** All that is open, what runs out first at the top. */
  readonly items: readonly ClockItem[];
  readonly people: readonly OfficePerson[];
  readonly rules: readonly RepairRule[];
  readonly properties: readonly { readonly id: string; readonly name: string }[];
  /** Whether letters can reach anybody. */
  readonly reachable: boolean;
}
