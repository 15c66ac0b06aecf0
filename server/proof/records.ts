/** Writing records: from a sent job, or logged after the fact. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { agentsOf } from '../../core/catalogue/chemistry.ts';
import { CATALOGUE_VERSION, procedureOf } from '../../core/catalogue/catalogue.ts';
import { ON_TIME_DEFINITION, windowOf } from '../../core/due/line.ts';
import {
  canonicalText,
  RECORD_SCHEMA,
  type EvidenceLevel,
  type Observation,
  type PlannedLine,
  type ServiceRecord,
} from '../../core/proof/record.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { Finding, State } from '../../core/catalogue/types.ts';
import type { CheckFinding } from '../../core/proof/checks.ts';
import type { LogRecord } from '../../contract/jobs/jobs.ts';
import { lineOfMark } from '../../contract/due/due.ts';
import { findPoint } from '../lookup/find.ts';
import { readHistory } from '../due/history.ts';
import { answerSignals } from '../due/signals.ts';
import { followTuning, TUNING_SIGNALS } from '../due/tuning.ts';
import { recompute } from '../due/recompute.ts';
import type { Call } from '../context/context.ts';
import { isManager, sha256 } from '../context/context.ts';
import { fieldProblem, Problem } from '../context/problem.ts';
import { dropTask } from '../jobs/jobs.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { findingsOf } from '../words/findings.ts';
import { takeReport } from './report.ts';
import { appendToLog, commitment } from '../log/log.ts';

const NOON = 12 * 60;
/** No part lasts longer; our assumption. */
const LONGEST_AGO = 3650;

export interface GoneSitting {
  readonly plan: readonly PlannedLine[];
  readonly found: readonly Finding[];
  readonly begin: State;
}

export interface NewRecord {
  readonly id: string;
  readonly point: Row<'point'>;
  /** Options of the methods that the procedure follows. */
  readonly methods: Readonly<Record<string, string>>;
  /** Number of the edition; null is ours. */
  readonly edition: number | null;
  readonly job: string | null;
  readonly task: string | null;
  readonly zone: string;
  readonly observation: Observation;
  readonly note: string;
  /** The condition after; null where nobody said. */
  readonly after: Grade | null;
  readonly startedAt: number | null;
  readonly doneAt: number;
  readonly doneDay: Day;
  readonly deviceAt: number;
  readonly photos: Readonly<Record<string, string>>;
  readonly selfCertified: boolean;
  /** The sitting as it was gone through; null where it was logged afterwards. */
  readonly gone: GoneSitting | null;
  readonly findings: readonly CheckFinding[];
  /** The wrong record that it stands in for. */
  readonly corrects: string | null;
}

/** Writes one record, its proof and its log entry. */
export async function writeRecord({ env, db, actor, now }: Call, written: NewRecord): Promise<void> {
  const { id, point, observation, note, selfCertified } = written;
  const { methods } = written;
  const procedure = procedureOf(point.procedure, methods);
  const { organisationId } = actor;
  const personal: Row<'personal'>[] = [];
  const commit = (field: string, value: string): string => {
    const salt = env.secret();
    personal.push({ id: env.newId(), organisationId, recordId: id, field, salt, value });
    return commitment(salt, value);
  };
  const record: ServiceRecord = {
    schema: RECORD_SCHEMA,
    catalogue: CATALOGUE_VERSION,
    kind: 'service',
    id,
    organisation: organisationId,
    point: point.id,
    job: written.job,
    procedure: procedure.key,
    procedureVersion: procedure.version,
    methods,
    edition: written.edition,
    ...observation,
    plan: written.gone?.plan ?? null,
    found: written.gone?.found ?? [],
    begin: written.gone?.begin ?? {},
    agents: written.job === null ? [] : agentsOf(procedure, observation.agent),
    after: written.after,
    replaced: null,
    startedAt: written.startedAt,
    doneAt: written.doneAt,
    doneDay: isoFromDay(written.doneDay),
    zone: written.zone,
    deviceAt: written.deviceAt,
    receivedAt: now,
    offsetMs: now - written.deviceAt,
    photos: written.photos,
    by: commit('by', actor.personId),
    note: note ? commit('note', note) : null,
    selfCertified,
    corrects: written.corrects,
  };
  const canonical = canonicalText(record);
  await db.record.insert({
    id,
    organisationId,
    pointId: point.id,
    jobId: written.job,
    taskId: written.task,
    doneDay: written.doneDay,
    doneAt: written.doneAt,
    personId: actor.personId,
    canonical,
    hash: sha256(canonical),
  });
  await db.personal.insertMany(personal);
  await appendToLog(db, { organisationId, kind: 'record', subjectId: id, canonical, at: now });
  const mark = await db.mark.one({ pointId: point.id });
  const window = mark && windowOf(lineOfMark(mark), procedure.safetyCritical);
  await db.proof.insert({
    recordId: id,
    organisationId,
    pointId: point.id,
    state: selfCertified ? 'accepted' : 'waiting',
    evidence: (selfCertified ? 'selfCertified' : 'proven') satisfies EvidenceLevel,
    onTime: !window || written.doneDay <= window.closes ? 1 : 0,
    findings: JSON.stringify(written.findings),
    sentAt: now,
    judgedAt: null,
    judgedBy: null,
    reason: null,
    definition: ON_TIME_DEFINITION,
  });
}

/** Whether something contradicts it, whoever accepted it. */
async function isDoubtful(db: Call['db'], recordId: string): Promise<boolean> {
  const proof = await db.proof.one({ recordId });
  return proof !== undefined && findingsOf(proof).some(({ weight }) => weight === 'fail');
}

/**
 * What a record that counts has found: it teaches, resets the part, and answers what was reported.
 * @param confirmed whether somebody, or somebody's record of truth, stands behind what was found
 */
export async function countService(
  call: Call,
  recordId: string,
  evidence: EvidenceLevel,
  confirmed = true,
): Promise<void> {
  const { db, now } = call;
  const record = (await db.record.one({ id: recordId }))!;
  const { grade, agent, agents, after } = JSON.parse(record.canonical) as ServiceRecord;
  await db.condition.insert({
    id: recordId,
    organisationId: record.organisationId,
    pointId: record.pointId,
    kind: 'service',
    day: record.doneDay,
    at: record.doneAt,
    grade,
    confirmed: confirmed ? 1 : 0,
    agent,
    agents: JSON.stringify(agents ?? (agent ? [agent] : [])),
    afterGrade: after ?? null,
    doubtful: (await isDoubtful(db, recordId)) ? 1 : 0,
    evidence,
    personId: record.personId,
  });
  await answerSignals(db, record.pointId, record.doneDay, now);
  await followTuning(call, recordId);
}

/**
 * Takes back what a record did when it counted: what it taught, what it answered, what it asked to be looked at.
 * @param countedAt the instant at which it counted
 */
export async function takeServiceBack(db: Db, { id, pointId }: Row<'record'>, countedAt: number): Promise<void> {
  await db.condition.remove({ id });
  await db.signal.update({ pointId, state: 'answered', settledAt: countedAt }, { state: 'open', settledAt: null });
  await db.signal.remove({ pointId, type: TUNING_SIGNALS, at: countedAt });
}

/**
 * Logs finished work with its true day, in place of a wrong record where it corrects one: self-certified; of a
 * contractor's visit with its report proven, since somebody else did the work, unless staff logs it or the report is
 * doubtful: then it waits for a verdict.
 * @throws Problem: what is not there or not theirs (404), doneEarlier (409), fields (422)
 */
export async function logRecord(call: Call, form: LogRecord, corrects: string | null = null): Promise<{ id: string }> {
  const { db, now, actor } = call;
  const point = await findPoint(call, form.pointId);
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const zone = await zoneOfPlace(db, machine.placeId);
  const doneDay = dayFromIso(form.done);
  const today = dayOfInstant(now, zone);
  if (doneDay > today) throw fieldProblem('done', 'field.future');
  if (doneDay < (machine.installedDay ?? today - LONGEST_AGO)) throw fieldProblem('done', 'field.tooLongAgo');
  const mark = await db.mark.one({ pointId: point.id });
  if (mark && mark.servedDay > doneDay)
    throw new Problem(409, 'doneEarlier', { day: call.env.say.day(mark.servedDay) });
  const history = await readHistory(db, point.id, now);
  if (form.photoId !== null && history.procedure.kind !== 'visit') throw fieldProblem('photoId', 'field.noReport');
  await dropTask(call, point.id);
  const report = form.photoId === null ? null : await takeReport(call, form.photoId, form.id, zone);
  const doneAt = Math.min(now, instantOfDay(doneDay, NOON, zone));
  await writeRecord(call, {
    id: form.id,
    point,
    methods: history.inputs.methods,
    edition: history.edition?.number ?? null,
    job: null,
    task: null,
    zone,
    observation: {
      grade: form.grade,
      cavityGrade: null,
      finds: form.finds,
      readings: {},
      confirmed: [],
      agent: null,
      size: null,
    },
    note: form.note,
    after: null,
    startedAt: null,
    doneAt,
    doneDay,
    deviceAt: now,
    photos: report?.photos ?? {},
    selfCertified: report === null,
    gone: null,
    findings: report?.findings ?? [],
    corrects,
  });
  if (report === null) await countService(call, form.id, 'selfCertified');
  else if (isManager(actor) && report.findings.length === 0) {
    await db.proof.update({ recordId: form.id }, { state: 'accepted', judgedAt: now, judgedBy: actor.personId });
    await countService(call, form.id, 'proven');
  }
  await recompute(db, [point.id], now);
  return { id: form.id };
}
