/** Tables of faults and of all that stands beside them: alarms, work that came back undone, deficiencies, remedies. */
import type { AlarmKind } from '../../core/faults/alarms.ts';
import type { Stage } from '../../core/faults/clock.ts';
import type { Payer, Remedy } from '../../core/faults/closing.ts';
import type { Decision } from '../../core/faults/remedies.ts';
import { integer, integerOrNull, key, organisationId, real, realOrNull, text, textOrNull } from './columns.ts';

export const FAULT_TABLES = {
  fault: {
    id: key(),
    organisationId,
    placeId: text(),
    machineId: text(),
    pointId: textOrNull(),
    symptom: text(),
    severity: text(),
    note: text(),
    openedAt: integer(),
    openedDay: integer(),
    openedBy: text(),
    /** Since when it is noticed, as its reporter says; null where nobody said. */
    noticedDay: integerOrNull(),
    correctBy: integer(),
    responsibleId: textOrNull(),
    closedAt: integerOrNull(),
    closedBy: textOrNull(),
    /** What was found, in words, beside the codes; all of them null while it is open, the codes in older closings. */
    found: textOrNull(),
    cause: textOrNull(),
    remedy: textOrNull<Remedy>(),
    minutes: integerOrNull(),
    parts: textOrNull(),
    cost: realOrNull(),
    payer: textOrNull<Payer>(),
    /** What its reporter said a week after it was closed; null while nobody has. */
    gone: textOrNull<'yes' | 'no'>(),
    goneAt: integerOrNull(),
  },
  /** Somebody else who noticed the same while it was open. */
  faultReport: { id: key(), organisationId, faultId: text(), note: text(), at: integer(), byPerson: text() },
  /** An answer to a check of an open fault, or a remedy that was tried; the latest of a subject counts. */
  faultCheck: {
    id: key(),
    organisationId,
    faultId: text(),
    kind: text<'check' | 'remedy'>(),
    /** Key of the check, or of the cause that was put right. */
    subject: text(),
    answer: text<'yes' | 'no' | 'unsure' | 'takenBack'>(),
    at: integer(),
    byPerson: text(),
  },
  /** What was decided about a pattern, and what stood against it then. */
  remedy: {
    id: key(),
    organisationId,
    machineId: text(),
    /** The symptom that names the group. */
    symptomGroup: text(),
    decision: text<Decision>(),
    note: text(),
    decidedDay: integer(),
    decidedAt: integer(),
    decidedBy: text(),
    /** What it is judged against, as JSON (`Before`); how many faults there were, and since when. */
    before: text(),
    faultsBefore: integer(),
    firstDay: integer(),
    /** What was done by deciding it, as JSON (`Done`), so that it can be taken back; null where nothing was. */
    done: textOrNull(),
  },
  /** *Not safe*: a fault of the first class that stops work on its machine until it is lifted. */
  alarm: {
    id: key(),
    organisationId,
    placeId: text(),
    machineId: text(),
    jobId: textOrNull(),
    faultId: text(),
    kind: text<AlarmKind>(),
    note: text(),
    raisedAt: integer(),
    raisedBy: text(),
    acknowledgedAt: integerOrNull(),
    acknowledgedBy: textOrNull(),
    liftedAt: integerOrNull(),
    liftedBy: textOrNull(),
  },
  /** Somebody on duty who is called about an alarm, in order; `tokenHash` is the SHA-256 of the link's token. */
  alarmCall: {
    id: key(),
    organisationId,
    alarmId: text(),
    personId: text(),
    placeInOrder: integer(),
    dueAt: integer(),
    tokenHash: text(),
    sentAt: integerOrNull(),
    failed: textOrNull(),
    tries: integer(),
  },
  /** Work that came back undone, why, and what stands otherwise than usual since; `pointIds` and `still` are JSON. */
  handBack: {
    id: key(),
    organisationId,
    placeId: text(),
    machineId: text(),
    jobId: text(),
    pointIds: text(),
    reason: text(),
    note: text(),
    still: text(),
    at: integer(),
    personId: text(),
    settledAt: integerOrNull(),
    settledBy: textOrNull(),
  },
  /** A repair that is to cost more than the limit: what was asked, and a manager's answer. */
  approval: {
    id: key(),
    organisationId,
    faultId: text(),
    amount: real(),
    note: text(),
    askedAt: integer(),
    askedBy: text(),
    answer: textOrNull<'yes' | 'no'>(),
    answeredAt: integerOrNull(),
    answeredBy: textOrNull(),
    words: text(),
  },
  /** An outside inspector's visit; what was found are deficiencies that name it. */
  inspection: {
    id: key(),
    organisationId,
    propertyId: text(),
    day: integer(),
    inspector: text(),
    reference: text(),
    at: integer(),
    byPerson: text(),
  },
  /** Somebody is told that the time of a fault or a deficiency runs out; once for each stage of each clock. */
  reminder: {
    id: key(),
    organisationId,
    subjectId: text(),
    stage: text<Stage>(),
    correctBy: integer(),
    personId: text(),
    at: integer(),
    sentAt: integerOrNull(),
    failed: textOrNull(),
    tries: integer(),
  },
  /** Something that upkeep will not cure. */
  deficiency: {
    id: key(),
    organisationId,
    placeId: text(),
    machineId: text(),
    pointId: textOrNull(),
    recordId: textOrNull(),
    inspectionId: textOrNull(),
    type: text(),
    severity: text(),
    note: text(),
    correctBy: integer(),
    responsibleId: textOrNull(),
    openedAt: integer(),
    openedBy: text(),
    closedAt: integerOrNull(),
    closedBy: textOrNull(),
    done: textOrNull(),
  },
} as const;
