/**
 * Alarms: raised by whoever is at the machine, stopping work on it until the fault is closed; answered by somebody on
 * duty.
 */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { ALARM_SEVERITY, alarmSymptom } from '../../core/faults/alarms.ts';
import { stateAfter } from '../../core/jobs/transitions.ts';
import type { AlarmAnswer, RaiseAlarm } from '../../contract/faults/alarms.ts';
import { namesOf } from '../lookup/find.ts';
import { recomputeWork } from '../due/recompute.ts';
import { houseVoice, type Call, type Env } from '../context/context.ts';
import { isOffice, sha256 } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { handBack } from '../jobs/handBacks.ts';
import { noteEvent } from '../jobs/events.ts';
import { canCall, dutyOf, numbersOf } from '../notices/duty.ts';
import { planCalls } from '../notices/calls.ts';
import { planLifted, planStopped } from '../notices/planning.ts';
import { machineName } from '../lookup/names.ts';
import { visibleMachine } from '../lookup/visible.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { correctByAt } from './clocks.ts';
import { OPEN } from './faults.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/**
 * Calls a machine unsafe: work on it stops, whoever is on duty is called, and the answer says how far that came.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function raiseAlarm(
  call: Call,
  { id, jobId, machineId, kind, note, still }: RaiseAlarm,
): Promise<AlarmAnswer> {
  const { env, db, actor, now } = call;
  const job = jobId === null ? undefined : await theirJob(call, jobId);
  const machine = job ? (await db.machine.one({ id: job.machineId }))! : await visibleMachine(call, machineId!);
  const zone = await zoneOfPlace(db, machine.placeId);
  const faultId = env.newId();
  await db.fault.insert({
    id: faultId,
    organisationId: actor.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    pointId: null,
    symptom: alarmSymptom(kind),
    severity: ALARM_SEVERITY,
    note,
    openedAt: now,
    openedDay: dayOfInstant(now, zone),
    openedBy: actor.personId,
    correctBy: await correctByAt(db, machine.placeId, ALARM_SEVERITY, now),
    ...OPEN,
  });
  const alarm: Row<'alarm'> = {
    id,
    organisationId: actor.organisationId,
    placeId: machine.placeId,
    machineId: machine.id,
    jobId: job?.id ?? null,
    faultId,
    kind,
    note,
    raisedAt: now,
    raisedBy: actor.personId,
    acknowledgedAt: null,
    acknowledgedBy: null,
    liftedAt: null,
    liftedBy: null,
  };
  await db.alarm.insert(alarm);
  await planStopped(call, alarm);
  if (job) await stopJob(call, job, note, still);
  await planCalls(call, id);
  return readAlarm(call, id);
}

/**
 * The job of whoever raises it, whatever became of it meanwhile: an alarm is never refused because the office was
 * faster.
 */
async function theirJob({ db, actor }: Call, id: string): Promise<Row<'job'>> {
  const job = await db.job.one({ id, organisationId: actor.organisationId });
  const theirs =
    job &&
    (job.assigneeId === actor.personId ||
      isOffice(actor) ||
      (await db.jobEvent.count({ jobId: id, personId: actor.personId })) > 0);
  if (!theirs) throw notFound();
  return job;
}

/** The job goes back undone, with what stands otherwise at the machine. */
async function stopJob(call: Call, job: Row<'job'>, note: string, still: readonly string[]): Promise<void> {
  const { db, actor, now } = call;
  const tasks = await db.task.all({ jobId: job.id, state: 'outstanding' });
  await handBack(call, job, { pointIds: tasks.map(({ pointId }) => pointId), reason: 'notSafe', note, still });
  const state = job.assigneeId === actor.personId ? stateAfter(job.state, 'notAble') : undefined;
  if (!state) return;
  const reason = [houseVoice(call)('notAble.notSafe'), note].filter(Boolean).join(': ');
  await db.job.update({ id: job.id }, { state, assigneeId: null, revision: job.revision + 1, reason });
  await noteEvent(call, job.id, 'notAble', state, reason);
  await recomputeWork(
    db,
    tasks.map(({ pointId }) => pointId),
    now,
  );
}

/** An alarm for whoever raised it, and for the office. */
export async function readAlarm(call: Call, id: string): Promise<AlarmAnswer> {
  const { db, actor } = call;
  const alarm = await db.alarm.one({ id, organisationId: actor.organisationId });
  if (!alarm || (alarm.raisedBy !== actor.personId && !isOffice(actor))) throw notFound();
  return (await describeAlarms(call, [alarm]))[0]!;
}

/** Alarms that are not lifted, the newest first. */
export async function openAlarms(
  { db, env }: Pick<Call, 'db' | 'env'>,
  organisationId: string,
  where: { machineId?: string; placeId?: string } = {},
): Promise<AlarmAnswer[]> {
  return describeAlarms(
    { db, env },
    await db.alarm.all({ organisationId, liftedAt: null, ...where }, { order: [['raisedAt', 'DESC']] }),
  );
}

async function describeAlarms(
  { db, env: { say } }: Pick<Call, 'db' | 'env'>,
  alarms: readonly Row<'alarm'>[],
): Promise<AlarmAnswer[]> {
  const names = await namesOf(
    db,
    alarms.flatMap(({ raisedBy, acknowledgedBy }) => [raisedBy, acknowledgedBy]),
  );
  return Promise.all(
    alarms.map(async (alarm) => {
      const place = (await db.place.one({ id: alarm.placeId }))!;
      const property = (await db.property.one({ id: place.propertyId }))!;
      return {
        id: alarm.id,
        kind: alarm.kind,
        says: say(`symptom.${alarmSymptom(alarm.kind)}`),
        note: alarm.note,
        place: place.name,
        placeId: place.id,
        machine: machineName(say, (await db.machine.one({ id: alarm.machineId }))!),
        by: names.get(alarm.raisedBy) ?? say('story.someone'),
        at: alarm.raisedAt,
        zone: property.zone,
        acknowledgedBy: alarm.acknowledgedBy && (names.get(alarm.acknowledgedBy) ?? say('story.someone')),
        acknowledgedAt: alarm.acknowledgedAt,
        called: (await db.alarmCall.all({ alarmId: alarm.id })).filter(({ sentAt }) => sentAt !== null).length,
        reachable: canCall(await dutyOf(db, alarm.organisationId)),
        numbers: await numbersOf(db, property.id),
      };
    }),
  );
}

/**
 * Says that somebody of the office sees to an alarm; the calling stops.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function acknowledge(call: Call, id: string): Promise<AlarmAnswer> {
  const alarm = await call.db.alarm.one({ id, organisationId: call.actor.organisationId });
  if (!alarm) throw notFound();
  await answered(call.db, alarm, call.actor.personId, call.now);
  return readAlarm(call, id);
}

async function answered(db: Db, alarm: Row<'alarm'>, personId: string, now: number): Promise<void> {
  if (alarm.acknowledgedAt !== null) return;
  await db.alarm.update({ id: alarm.id }, { acknowledgedAt: now, acknowledgedBy: personId });
  // Whoever sees to it answers for its clock, until a manager gives it to somebody else.
  await db.fault.update({ id: alarm.faultId, responsibleId: null, closedAt: null }, { responsibleId: personId });
}

/** By the link in a letter: it says who sees to it, and opens nothing else. */
export async function acknowledgeByLink(env: Env, db: Db, token: string, now: number): Promise<AlarmAnswer> {
  const called = await db.alarmCall.one({ tokenHash: sha256(token) });
  const alarm = called && (await db.alarm.one({ id: called.alarmId }));
  if (!called || !alarm) throw new Problem(404, 'linkOver');
  await answered(db, alarm, called.personId, now);
  return (await describeAlarms({ env, db }, [(await db.alarm.one({ id: alarm.id }))!]))[0]!;
}

/** The fault is closed: work on the machine may go on. */
export async function liftAlarms(call: Call, faultId: string): Promise<void> {
  const { db, actor, now } = call;
  if (await db.alarm.one({ faultId, liftedAt: null })) await planLifted(call, faultId);
  await db.alarm.update({ faultId, liftedAt: null }, { liftedAt: now, liftedBy: actor.personId });
}
