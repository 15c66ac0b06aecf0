/** Every table. Rows carry their organisation; facts carry the day they begin. */
import {
  bytes,
  flag,
  integer,
  integerOrNull,
  key,
  organisationId,
  real,
  realOrNull,
  serial,
  text,
  textOrNull,
  type RowOf,
} from './columns.ts';
import type { JobState } from '../../core/jobs/transitions.ts';
import type { EvidenceLevel } from '../../core/proof/record.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { SignalState } from '../../core/due/signals.ts';
import type { FactName } from './factValues.ts';
import { FAULT_TABLES } from './faultTables.ts';
import { NOTICE_TABLES } from './noticeTables.ts';
import { PEOPLE_TABLES } from './peopleTables.ts';
import { ROUND_TABLES } from './roundTables.ts';

const createdAt = integer();

export const TABLES = {
  ...PEOPLE_TABLES,
  ...ROUND_TABLES,
  /** Whether a proof was drawn to be looked at, with what the draw was made from. */
  draw: {
    recordId: key(),
    organisationId,
    personId: text(),
    seed: text(),
    probability: real(),
    drawn: flag(),
    at: integer(),
  },
  property: { id: key(), organisationId, name: text(), address: text(), zone: text(), sort: integer(), createdAt },
  building: { id: key(), organisationId, propertyId: text(), name: text(), createdAt },
  place: {
    id: key(),
    organisationId,
    propertyId: text(),
    buildingId: textOrNull(),
    kind: text<'unit' | 'shared'>(),
    name: text(),
    sort: integer(),
    createdAt,
  },
  tenancy: {
    id: key(),
    organisationId,
    placeId: text(),
    personId: text(),
    fromDay: integer(),
    toDay: integerOrNull(),
    createdAt,
  },
  machine: {
    id: key(),
    organisationId,
    placeId: text(),
    type: text(),
    label: text(),
    maker: text(),
    model: text(),
    installedDay: integerOrNull(),
    fuel: text(),
    owner: text(),
    drainBranch: text(),
    shutoffPhotoId: textOrNull(),
    retiredDay: integerOrNull(),
    createdAt,
    /** What stands on its label. */
    number: integer(),
    /** Procedures of parts that this one lacks, JSON. */
    leftOut: text(),
    platePhotoId: textOrNull(),
    /** Wired in, without a plug. */
    hardWired: flag(),
  },
  /** A unit template of the manager's own: its machines, JSON. */
  template: { id: key(), organisationId, name: text(), content: text(), createdAt, removedAt: integerOrNull() },
  /**
   * A manager's own edition of a procedure, numbered; without content, ours was taken up again. `ours` is the version
   * that it was made beside.
   */
  edition: {
    id: key(),
    organisationId,
    procedure: text(),
    number: integer(),
    ours: integer(),
    content: textOrNull(),
    note: text(),
    createdAt,
    createdBy: text(),
  },
  /** A measurement as it was worked out, kept with the point's record of that time. */
  measurement: {
    id: key(),
    organisationId,
    pointId: text(),
    recordId: textOrNull(),
    measure: text(),
    inputs: text(),
    says: text(),
    note: text(),
    at: integer(),
    personId: text(),
  },
  /** A judged figure of a reading, oldest first a machine's own series. */
  reading: {
    id: key(),
    organisationId,
    machineId: text(),
    pointId: text(),
    name: text(),
    value: real(),
    at: integer(),
  },
  machineServes: { id: key(), organisationId, machineId: text(), placeId: text() },
  /** A service point. `number` is its short name in lists and links. */
  point: { id: key(), organisationId, number: integer(), machineId: text(), procedure: text(), createdAt },
  /** An effective-dated fact about a subject; a later row never overwrites an earlier one. */
  fact: {
    id: key(),
    organisationId,
    subjectId: text(),
    name: text<FactName>(),
    value: text(),
    fromDay: integer(),
    recordedAt: integer(),
    recordedBy: text(),
  },
  /** A computed line with its inputs, kept for ever. */
  line: {
    id: serial(),
    organisationId,
    pointId: text(),
    computedAt: integer(),
    servedDay: integerOrNull(),
    lineDay: integer(),
    capDay: integer(),
    inputs: text(),
    terms: text(),
  },
  /** Where a point's mark stands now; rebuilt from facts, records and jobs. */
  mark: {
    pointId: key(),
    organisationId,
    placeId: text(),
    number: integer(),
    type: integer(),
    servedDay: integer(),
    intervalDays: integer(),
    capSlack: integer(),
    work: integer(),
    evidence: textOrNull<EvidenceLevel>(),
    lineId: integerOrNull(),
    /** 0 rides: it is served when its machine is opened anyway. */
    scheduled: flag(),
    /** Since when its line is to be drawn anew; null where it stands. */
    redrawAt: integerOrNull(),
  },
  /** A table that was taken in; `made` has the ids of what it made, JSON, until it is taken back. */
  registerImport: {
    id: key(),
    organisationId,
    personId: text(),
    at: integer(),
    units: integer(),
    machines: integer(),
    made: text(),
    undoneAt: integerOrNull(),
    /** What it changed of what stood, JSON. */
    changed: text(),
    changes: integer(),
  },
  /** What an office's tables call a machine of the catalogue; null where such machines are not taken. */
  machineName: {
    id: key(),
    organisationId,
    /** In plain letters. */
    name: text(),
    type: textOrNull(),
  },
  /** A machine that an office has defined (`core/catalogue/definition.ts`). */
  definedMachine: {
    id: key(),
    organisationId,
    key: text(),
    /** Of its parts among all parts of this install. */
    number: integer(),
    version: integer(),
    /** Its definition, JSON. */
    content: text(),
    changedAt: integer(),
    changedBy: text(),
  },
  job: {
    id: key(),
    organisationId,
    machineId: text(),
    placeId: text(),
    assigneeId: textOrNull(),
    state: text<JobState>(),
    revision: integer(),
    createdAt,
    givenAt: integerOrNull(),
    startedAt: integerOrNull(),
    reason: textOrNull(),
    /** Jobs given together, in one request for one home, share it. */
    listId: textOrNull(),
  },
  task: {
    id: key(),
    organisationId,
    jobId: text(),
    pointId: text(),
    state: text<'outstanding' | 'sent' | 'accepted' | 'dropped'>(),
    sentBack: textOrNull(),
  },
  jobEvent: {
    id: key(),
    organisationId,
    jobId: text(),
    at: integer(),
    personId: text(),
    move: text(),
    toState: text<JobState>(),
    reason: textOrNull(),
  },
  /** `canonical` is the record itself; the other columns only find it. */
  record: {
    id: key(),
    organisationId,
    pointId: text(),
    jobId: textOrNull(),
    taskId: textOrNull(),
    doneDay: integer(),
    doneAt: integer(),
    personId: textOrNull(),
    canonical: text(),
    hash: text(),
  },
  /** What a commitment in a record or a look hides; erased with the person. */
  personal: { id: key(), organisationId, recordId: text(), field: text(), salt: text(), value: text() },
  /** What is believed of a record now: its findings and its verdict. */
  proof: {
    recordId: key(),
    organisationId,
    pointId: text(),
    /** `corrected`: logged by mistake; it counts no more. */
    state: text<'waiting' | 'accepted' | 'sentBack' | 'registerWrong' | 'corrected'>(),
    evidence: text<EvidenceLevel>(),
    onTime: flag(),
    findings: text(),
    sentAt: integer(),
    judgedAt: integerOrNull(),
    judgedBy: textOrNull(),
    reason: textOrNull(),
    /** By which definition of *on time* it was judged (`core/standing`). */
    definition: integer(),
  },
  /** What was found at a service that counts, or at a look: what teaches. Its id is that of the record or look. */
  condition: {
    id: key(),
    organisationId,
    pointId: text(),
    kind: text<'service' | 'look'>(),
    day: integer(),
    at: integer(),
    grade: textOrNull<Grade>(),
    confirmed: flag(),
    agent: textOrNull<Agent>(),
    evidence: textOrNull<EvidenceLevel>(),
    personId: textOrNull(),
    /** Every agent that was used, JSON. */
    agents: text(),
    afterGrade: textOrNull<Grade>(),
    /** Its record had a failing finding: it never lengthens. */
    doubtful: flag(),
  },
  /** A look as it was sent; immutable like a record. */
  look: {
    id: key(),
    organisationId,
    pointId: text(),
    day: integer(),
    at: integer(),
    personId: text(),
    canonical: text(),
    hash: text(),
  },
  /** A sender of machine signals: its public key, and the last sequence that was taken from it. */
  emitter: {
    id: key(),
    organisationId,
    machineId: text(),
    publicKey: text(),
    lastSequence: integer(),
    createdAt,
    retiredAt: integerOrNull(),
  },
  signal: {
    id: key(),
    organisationId,
    placeId: text(),
    machineId: text(),
    pointId: text(),
    type: text(),
    note: text(),
    state: text<SignalState>(),
    day: integer(),
    at: integer(),
    times: integer(),
    lastAt: integer(),
    personId: textOrNull(),
    emitterId: textOrNull(),
    recheckDay: integerOrNull(),
    reason: textOrNull(),
    settledAt: integerOrNull(),
    settledBy: textOrNull(),
  },
  /** Who else reported a signal that waited already, in their own words. */
  signalReport: { id: key(), organisationId, signalId: text(), personId: textOrNull(), note: text(), at: integer() },
  /** Whether a habit was kept: said by the tenant, or checked by staff. */
  attestation: {
    id: key(),
    organisationId,
    tenancyId: text(),
    machineId: text(),
    habit: text(),
    day: integer(),
    at: integer(),
    kept: flag(),
    checked: flag(),
    note: text(),
    personId: text(),
  },
  logEntry: {
    sequence: serial(),
    organisationId,
    kind: text<'record' | 'verdict' | 'look'>(),
    subjectId: text(),
    canonical: text(),
    leafHash: text(),
    at: integer(),
  },
  photo: {
    id: key(),
    organisationId,
    personId: text(),
    hash: text(),
    width: integer(),
    height: integer(),
    capturedAt: integerOrNull(),
    receivedAt: integer(),
    source: text(),
    gradientHash: text(),
    thumb: bytes(),
    brightness: real(),
    sharpness: real(),
    purgedAt: integerOrNull(),
  },
  /** What a photo is for; a photo without a use is swept. */
  photoUse: { id: key(), organisationId, photoId: text(), subjectId: text(), slot: text() },
  ...FAULT_TABLES,
  ...NOTICE_TABLES,
  /** How a thing of the shelf is bought. */
  stockItem: {
    id: key(),
    organisationId,
    item: text(),
    supplier: text(),
    price: realOrNull(),
    pack: integer(),
    leadWeeks: integer(),
    service: real(),
  },
  /** What was counted on the shelf, or came in. */
  stockChange: {
    id: key(),
    organisationId,
    item: text(),
    kind: text<'counted' | 'received'>(),
    quantity: integer(),
    at: integer(),
    byPerson: text(),
  },
  /** A procedure walked through without a machine: how many questions were asked and answered right. */
  rehearsal: {
    id: key(),
    organisationId,
    personId: text(),
    procedure: text(),
    edition: integerOrNull(),
    catalogue: integer(),
    asked: integer(),
    correct: integer(),
    at: integer(),
  },
  /** The answer to a write, kept so that the same write sent twice acts once. */
  receipt: {
    id: key(),
    organisationId: textOrNull(),
    fingerprint: text(),
    status: integer(),
    body: text(),
    device: textOrNull(),
    deviceSequence: integerOrNull(),
    at: integer(),
  },
} as const;

export type TableName = keyof typeof TABLES;
export type Row<T extends TableName> = RowOf<(typeof TABLES)[T]>;
