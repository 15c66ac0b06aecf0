/** SQL that only SQLite has: what the lines of many points are computed from. */
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { SignalState } from '../../core/due/signals.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { EvidenceLevel } from '../../core/proof/record.ts';
import { reader } from './connection.ts';
import type { FactName } from '../store/factValues.ts';

const JOIN_PLACE = `JOIN machine ON machine.id = point.machine_id JOIN place ON place.id = machine.place_id
JOIN property ON property.id = place.property_id`;

export interface PointRow {
  readonly id: string;
  readonly number: number;
  readonly procedure: string;
  readonly organisationId: string;
  readonly machineId: string;
  readonly installedDay: number | null;
  readonly registeredAt: number;
  readonly retiredDay: number | null;
  readonly placeId: string;
  readonly propertyId: string;
  readonly zone: string;
  readonly leftOut: string;
  readonly fuel: string;
  readonly hardWired: number;
  readonly switchKnown: number;
  /** Day on which a contractor was last at its machine, as recorded; null where nobody was. */
  readonly visitedDay: number | null;
}

export const readPointRows = reader<PointRow>(
  {
    id: 'point.id',
    number: 'point.number',
    procedure: 'point.procedure',
    organisationId: 'point.organisation_id',
    machineId: 'machine.id',
    installedDay: 'machine.installed_day',
    registeredAt: 'machine.created_at',
    retiredDay: 'machine.retired_day',
    placeId: 'place.id',
    propertyId: 'property.id',
    zone: 'property.zone',
    leftOut: 'machine.left_out',
    fuel: 'machine.fuel',
    hardWired: 'machine.hard_wired',
    switchKnown: 'machine.shutoff_photo_id IS NOT NULL',
    visitedDay: `(SELECT MAX(seen.day) FROM point AS visit JOIN condition AS seen ON seen.point_id = visit.id
      WHERE visit.machine_id = machine.id AND visit.procedure = '${CONTRACTOR_VISIT}' AND seen.kind = 'service')`,
  },
  `JOIN point ON point.id = wanted.value ${JOIN_PLACE}`,
);

/** The other parts of a machine whose contractor's visit is among some points: their calendar follows from it. */
export const besideVisits = reader<{ readonly id: string }>(
  { id: 'it.id' },
  `JOIN point AS visit ON visit.id = wanted.value AND visit.procedure = '${CONTRACTOR_VISIT}'
JOIN point AS it ON it.machine_id = visit.machine_id`,
);

export interface ConditionRow {
  readonly pointId: string;
  readonly kind: 'service' | 'look';
  readonly day: number;
  readonly at: number;
  readonly grade: Grade | null;
  readonly confirmed: number;
  readonly agent: Agent | null;
  readonly evidence: EvidenceLevel | null;
  readonly personId: string | null;
  readonly doubtful: number;
}

export const readConditionRows = reader<ConditionRow>(
  {
    pointId: 'it.point_id',
    kind: 'it.kind',
    day: 'it.day',
    at: 'it.at',
    grade: 'it.grade',
    confirmed: 'it.confirmed',
    agent: 'it.agent',
    evidence: 'it.evidence',
    personId: 'it.person_id',
    doubtful: 'it.doubtful',
  },
  'JOIN condition AS it ON it.point_id = wanted.value',
);

export interface WaitingRow {
  readonly pointId: string;
  readonly recordId: string;
  readonly doneDay: number;
}

export const readWaitingRows = reader<WaitingRow>(
  { pointId: 'proof.point_id', recordId: 'record.id', doneDay: 'record.done_day' },
  `JOIN proof ON proof.point_id = wanted.value AND proof.state = 'waiting' JOIN record ON record.id = proof.record_id`,
);

export interface WorkRow {
  readonly pointId: string;
  readonly state: JobState;
}

export const readWorkRows = reader<WorkRow>(
  { pointId: 'task.point_id', state: 'job.state' },
  `JOIN task ON task.point_id = wanted.value AND task.state IN ('outstanding', 'sent')
JOIN job ON job.id = task.job_id AND job.state IN ('open', 'given', 'started', 'awaitingTest', 'sent')`,
);

export interface FaultRow {
  readonly pointId: string;
  readonly day: number;
  readonly symptom: string;
  readonly machineType: string;
  readonly procedure: string;
}

/** Open faults of the machines of the points; which of them a point answers to, the catalogue says. */
export const readFaultRows = reader<FaultRow>(
  {
    pointId: 'point.id',
    day: 'fault.opened_day',
    symptom: 'fault.symptom',
    machineType: 'machine.type',
    procedure: 'point.procedure',
  },
  `JOIN point ON point.id = wanted.value JOIN machine ON machine.id = point.machine_id
JOIN fault ON fault.machine_id = machine.id AND fault.closed_at IS NULL`,
);

export interface SignalRow {
  readonly pointId: string;
  readonly id: string;
  readonly type: string;
  readonly state: SignalState;
  readonly day: number;
  readonly recheckDay: number | null;
}

export const readSignalRows = reader<SignalRow>(
  {
    pointId: 'it.point_id',
    id: 'it.id',
    type: 'it.type',
    state: 'it.state',
    day: 'it.day',
    recheckDay: 'it.recheck_day',
  },
  `JOIN signal AS it ON it.point_id = wanted.value AND it.state IN ('open', 'dismissed')`,
);

export interface TenancyRow {
  readonly placeId: string;
  readonly id: string;
  readonly fromDay: number;
  readonly toDay: number | null;
}

/** Of places, not points. */
export const readTenancyRows = reader<TenancyRow>(
  { placeId: 'it.place_id', id: 'it.id', fromDay: 'it.from_day', toDay: 'it.to_day' },
  'JOIN tenancy AS it ON it.place_id = wanted.value',
);

export interface FactRow {
  readonly id: string;
  readonly subjectId: string;
  readonly name: FactName;
  readonly fromDay: number;
  readonly recordedAt: number;
  readonly value: string;
}

/** Of any subjects. */
export const readFactRows = reader<FactRow>(
  {
    id: 'it.id',
    subjectId: 'it.subject_id',
    name: 'it.name',
    fromDay: 'it.from_day',
    recordedAt: 'it.recorded_at',
    value: 'it.value',
  },
  'JOIN fact AS it ON it.subject_id = wanted.value',
);
