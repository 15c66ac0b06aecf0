/** SQL that only SQLite has: every fault with what stood before it. */
import type { Remedy } from '../../core/faults/closing.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { ask } from './connection.ts';

export interface FaultHistoryRow {
  readonly id: string;
  readonly machineId: string;
  readonly symptom: string;
  readonly openedDay: number;
  /** Since when it was noticed, as far as somebody said; else the day of the report. */
  readonly onsetDay: number;
  readonly found: string | null;
  readonly cause: string | null;
  readonly remedy: Remedy | null;
  readonly closedAt: number | null;
  readonly minutes: number | null;
  readonly cost: number | null;
  /** The tenancy of that day; null for an empty home. */
  readonly tenancyId: string | null;
  /**
   * The line of the part that it made due, as computed last strictly before the fault, which moves it itself; null
   * where it made none due, or none was computed yet.
   */
  readonly lineDay: number | null;
}

/** All faults of an organisation, the oldest first. */
export const readFaultHistory = (db: Db, organisationId: string): Promise<FaultHistoryRow[]> =>
  ask<FaultHistoryRow>(
    db,
    `
SELECT fault.id, fault.machine_id AS machineId, fault.symptom, fault.opened_day AS openedDay,
  COALESCE(fault.noticed_day, fault.opened_day) AS onsetDay, fault.found,
  fault.cause, fault.remedy, fault.closed_at AS closedAt, fault.minutes, fault.cost,
  (
    SELECT tenancy.id FROM tenancy
    WHERE tenancy.place_id = fault.place_id AND tenancy.from_day <= fault.opened_day
      AND (tenancy.to_day IS NULL OR tenancy.to_day >= fault.opened_day)
    ORDER BY tenancy.from_day DESC LIMIT 1
  ) AS tenancyId,
  (
    SELECT line.line_day FROM line
    WHERE line.point_id = fault.point_id AND line.computed_at < fault.opened_at
    ORDER BY line.id DESC LIMIT 1
  ) AS lineDay
FROM fault
WHERE fault.organisation_id = ?1
ORDER BY fault.opened_day, fault.opened_at, fault.id`,
    [organisationId],
  );

/** Of a machine what its faults are judged by: read for all of a portfolio, so nothing more. */
export type PortfolioMachine = Pick<
  Row<'machine'>,
  'id' | 'placeId' | 'type' | 'label' | 'number' | 'createdAt' | 'retiredDay'
>;

/** Every machine of an organisation, retired ones too. */
export const readPortfolioMachines = (db: Db, organisationId: string): Promise<PortfolioMachine[]> =>
  ask<PortfolioMachine>(
    db,
    `
SELECT id, place_id AS placeId, type, label, number, created_at AS createdAt, retired_day AS retiredDay
FROM machine WHERE organisation_id = ?1`,
    [organisationId],
  );
