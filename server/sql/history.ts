/** SQL that only SQLite has: what the lines of many points are computed from, each kind gathered into one text. */
import type { Agent } from '../../core/catalogue/types.ts';
import type { Grade } from '../../core/due/grades.ts';
import type { SignalState } from '../../core/due/signals.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { EvidenceLevel } from '../../core/proof/record.ts';
import type { Db } from '../store/db.ts';
import type { FactName } from '../store/facts.ts';
import { askArray } from './connection.ts';

/** Rows are gathered of those points whose ids stand in a JSON array, the first parameter. */
const WANTED = 'json_each(?1) AS wanted';

export type PointRow = readonly [
  id: string,
  number: number,
  procedure: string,
  organisationId: string,
  machineId: string,
  installedDay: number | null,
  registeredAt: number,
  retiredDay: number | null,
  placeId: string,
  propertyId: string,
  zone: string,
  leftOut: string,
  fuel: string,
  hardWired: number,
  switchKnown: number,
];

export const readPointRows = (db: Db, ids: string) =>
  askArray<PointRow>(
    db,
    `
SELECT json_group_array(json_array(point.id, point.number, point.procedure, point.organisation_id, machine.id, machine.installed_day, machine.created_at, machine.retired_day, place.id, property.id, property.zone, machine.left_out, machine.fuel, machine.hard_wired, machine.shutoff_photo_id IS NOT NULL)) AS gathered
FROM ${WANTED} JOIN point ON point.id = wanted.value JOIN machine ON machine.id = point.machine_id JOIN place ON place.id = machine.place_id JOIN property ON property.id = place.property_id`,
    [ids],
  );

export type ConditionRow = readonly [
  pointId: string,
  kind: 'service' | 'look',
  day: number,
  at: number,
  grade: Grade | null,
  confirmed: number,
  agent: Agent | null,
  evidence: EvidenceLevel | null,
  id: string,
  personId: string | null,
  doubtful: number,
];

export const readConditionRows = (db: Db, ids: string) =>
  askArray<ConditionRow>(
    db,
    `
SELECT json_group_array(json_array(it.point_id, it.kind, it.day, it.at, it.grade, it.confirmed, it.agent, it.evidence, it.id, it.person_id, it.doubtful)) AS gathered
FROM ${WANTED} JOIN condition AS it ON it.point_id = wanted.value`,
    [ids],
  );

export type WaitingRow = readonly [pointId: string, recordId: string, doneDay: number];

export const readWaitingRows = (db: Db, ids: string) =>
  askArray<WaitingRow>(
    db,
    `
SELECT json_group_array(json_array(proof.point_id, record.id, record.done_day)) AS gathered
FROM ${WANTED} JOIN proof ON proof.point_id = wanted.value AND proof.state = 'waiting' JOIN record ON record.id = proof.record_id`,
    [ids],
  );

export type WorkRow = readonly [pointId: string, state: JobState];

export const readWorkRows = (db: Db, ids: string) =>
  askArray<WorkRow>(
    db,
    `
SELECT json_group_array(json_array(task.point_id, job.state)) AS gathered
FROM ${WANTED} JOIN task ON task.point_id = wanted.value AND task.state IN ('outstanding', 'sent')
JOIN job ON job.id = task.job_id AND job.state IN ('open', 'given', 'started', 'awaitingTest', 'sent')`,
    [ids],
  );

export type FaultRow = readonly [
  pointId: string,
  openedDay: number,
  symptom: string,
  machineType: string,
  procedure: string,
];

/** Open faults of the machines of the points; which of them a point answers to, the catalogue says. */
export const readFaultRows = (db: Db, ids: string) =>
  askArray<FaultRow>(
    db,
    `
SELECT json_group_array(json_array(point.id, fault.opened_day, fault.symptom, machine.type, point.procedure)) AS gathered
FROM ${WANTED} JOIN point ON point.id = wanted.value JOIN machine ON machine.id = point.machine_id JOIN fault ON fault.machine_id = machine.id AND fault.closed_at IS NULL`,
    [ids],
  );

export type SignalRow = readonly [
  pointId: string,
  id: string,
  type: string,
  state: SignalState,
  day: number,
  recheckDay: number | null,
];

export const readSignalRows = (db: Db, ids: string) =>
  askArray<SignalRow>(
    db,
    `
SELECT json_group_array(json_array(it.point_id, it.id, it.type, it.state, it.day, it.recheck_day)) AS gathered
FROM ${WANTED} JOIN signal AS it ON it.point_id = wanted.value AND it.state IN ('open', 'dismissed')`,
    [ids],
  );

export type TenancyRow = readonly [placeId: string, id: string, fromDay: number, toDay: number | null];

/** Of places, not points. */
export const readTenancyRows = (db: Db, placeIds: string) =>
  askArray<TenancyRow>(
    db,
    `
SELECT json_group_array(json_array(it.place_id, it.id, it.from_day, it.to_day)) AS gathered
FROM ${WANTED} JOIN tenancy AS it ON it.place_id = wanted.value`,
    [placeIds],
  );

export type FactRow = readonly [
  id: string,
  subjectId: string,
  name: FactName,
  fromDay: number,
  recordedAt: number,
  value: string,
];

/** Of any subjects. */
export const readFactRows = (db: Db, subjectIds: string) =>
  askArray<FactRow>(
    db,
    `
SELECT json_group_array(json_array(it.id, it.subject_id, it.name, it.from_day, it.recorded_at, it.value)) AS gathered
FROM ${WANTED} JOIN fact AS it ON it.subject_id = wanted.value`,
    [subjectIds],
  );
