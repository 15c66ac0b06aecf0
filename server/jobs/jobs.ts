/** Giving and moving jobs. */
import { machineTypeOf } from '../../core/catalogue/catalogue.ts';
import { systemOf } from '../../core/catalogue/systems.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import { moverOf, needsReason, stateAfter, type Move } from '../../core/jobs/transitions.ts';
import type { Translator } from '../language/translator.ts';
import type { GiveJob, MoveJob } from '../../contract/jobs/jobs.ts';
import { recomputeWork } from '../due/recompute.ts';
import { readHistories } from '../due/history.ts';
import { liveJobOf } from '../lookup/liveJob.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { isManager } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import type { PointAnswer } from '../../contract/due/due.ts';
import type { Row } from '../store/tables.ts';
import { revokeJobLink } from '../people/jobLinks.ts';
import { assigneesFor } from './assignees.ts';
import { refuseMeeting } from './branch.ts';
import { enter } from './entry.ts';
import { noteEvent } from './events.ts';
import { handBack, settleFor } from './handBacks.ts';
import { refuseStopped } from '../lookup/alarms.ts';
import type { PointHistory } from '../due/pointHistory.ts';

/** Gives a sitting to a person of the house. */
export async function giveJob(call: Call, form: GiveJob): Promise<{ id: string }> {
  const sitting = await readSitting(call, form.pointIds);
  const procedures = sitting.histories.map(({ procedure }) => procedure);
  const assignee = await whoMay(call, sitting.machine.placeId, procedures, form.assigneeId);
  return createJob(call, { id: form.id, ...sitting, assigneeId: assignee.id });
}

/** Points of one system in one place, which one person may do in one sitting; the first machine leads. */
export async function readSitting(
  { db, actor, now }: Call,
  pointIds: readonly string[],
): Promise<Pick<NewJob, 'machine' | 'points' | 'histories'>> {
  const points = await db.point.all({ id: [...pointIds], organisationId: actor.organisationId });
  if (points.length !== new Set(pointIds).size) throw notFound();
  const machine = (await db.machine.one({ id: points[0]!.machineId }))!;
  const others = await db.machine.all({ id: [...new Set(points.map(({ machineId }) => machineId))] });
  if (
    others.some(
      (it) =>
        it.placeId !== machine.placeId ||
        (it.id !== machine.id && systemOf(it.type).key !== systemOf(machine.type).key),
    )
  )
    throw new Problem(422, 'otherMachine');
  return { machine, points, histories: await readHistories(db, pointIds, now) };
}

/**
 * Whoever is asked, where they may be. @throws Problem where they are not of this place, have had their share, or may
 * not do such work
 */
export async function whoMay(
  call: Call,
  placeId: string,
  procedures: readonly Procedure[],
  assigneeId: string,
): Promise<PointAnswer['assignees'][number]> {
  const assignee = (await assigneesFor(call, placeId, procedures)).find(({ id }) => id === assigneeId);
  if (!assignee) throw fieldProblem('assigneeId', 'field.oneOf');
  if (assignee.may) return assignee;
  const above =
    procedures.find(({ level }) => level === 'licensed') ?? procedures.find(({ level }) => level !== 'tenant');
  throw above
    ? aboveLevel(call.env.say, above)
    : new Problem(409, 'budget', { name: assignee.name, budget: assignee.budget ?? '' });
}

/** The work wants somebody of a higher level. */
export function aboveLevel(say: Translator, { key, level }: Procedure): Problem {
  return new Problem(422, 'level', { task: say(`task.${key}`), level: say(`level.${level}`) });
}

interface NewJob {
  readonly id: string;
  readonly machine: Row<'machine'>;
  readonly points: readonly Row<'point'>[];
  readonly histories: readonly PointHistory[];
  readonly assigneeId: string;
  /** The request that it is given with, where there are several. */
  readonly listId?: string | null;
  /** The job of another person whose place it takes: that one ends, and its doer reads why. */
  readonly replaces?: Row<'job'>;
}

/** A job of these points of one machine, in somebody's hands. Whether it may be theirs is decided before. */
export async function createJob(
  call: Call,
  { id, machine, points, histories, assigneeId, listId = null, replaces }: NewJob,
): Promise<{ id: string }> {
  const {
    env,
    db,
    actor: { organisationId },
    now,
  } = call;
  // A part that the machine lacks, or whose contract has ended, is not there.
  if (histories.some(({ retired }) => retired))
    throw machine.retiredDay === null
      ? notFound()
      : new Problem(409, 'machineRetired', { day: env.say.day(machine.retiredDay!) });
  for (const machineId of new Set(points.map((point) => point.machineId))) await refuseStopped(call, machineId);
  await refuseMeeting(call, histories, replaces?.id ?? null);
  for (const point of points) await freePoint(call, point, replaces?.id);
  await db.job.insert({
    id,
    organisationId,
    machineId: machine.id,
    placeId: machine.placeId,
    assigneeId,
    state: 'given',
    revision: 1,
    createdAt: now,
    givenAt: now,
    startedAt: null,
    reason: null,
    listId,
  });
  // Catalogue order is the order of the sitting.
  const order = machineTypeOf(machine.type).points;
  const sorted = [...points].sort((a, b) => order.indexOf(a.procedure) - order.indexOf(b.procedure));
  await db.task.insertMany(
    sorted.map((point) => ({
      id: env.newId(),
      organisationId,
      jobId: id,
      pointId: point.id,
      state: 'outstanding' as const,
      sentBack: null,
    })),
  );
  await settleFor(
    call,
    points.map((point) => point.id),
    machine.placeId,
  );
  await noteEvent(call, id, 'give', 'given', null);
  await recomputeWork(
    db,
    points.map((point) => point.id),
    now,
  );
  return { id };
}

/** A point that was handed back, or moves to somebody else, is free for a new job; one that somebody is on is not. */
async function freePoint(call: Call, point: Row<'point'>, replaced?: string): Promise<void> {
  const {
    db,
    env: { say },
  } = call;
  const job = await liveJobOf(db, point.id);
  if (!job) return;
  if (job.id === replaced) return dropTask(call, point.id, houseVoice(call)('job.movedOn'));
  if (job.state !== 'open') {
    throw new Problem(409, 'pointTaken', { point: say(`point.${point.procedure}`), state: say(`job.${job.state}`) });
  }
  await dropTask(call, point.id);
}

/** Takes a point out of its live job; a job with nothing left to do is cancelled, and says why. */
export async function dropTask(call: Call, pointId: string, reason: string | null = null): Promise<void> {
  const { db } = call;
  const job = await liveJobOf(db, pointId);
  if (!job) return;
  await db.task.update({ jobId: job.id, pointId, state: ['outstanding', 'sent'] }, { state: 'dropped' });
  if ((await db.task.count({ jobId: job.id, state: ['outstanding', 'sent'] })) > 0) return;
  await db.job.update({ id: job.id }, { state: 'cancelled', revision: job.revision + 1, reason });
  await noteEvent(call, job.id, 'cancel', 'cancelled', reason);
}

/** Finds a job that the caller may see: a manager any, everybody else their own. */
export async function findJob({ db, actor }: Call, id: string): Promise<Row<'job'>> {
  const mine = isManager(actor) ? {} : { assigneeId: actor.personId };
  const job = await db.job.one({ id, organisationId: actor.organisationId, ...mine });
  if (!job) throw notFound();
  return job;
}

/** Moves a job by the table of transitions and writes the event down. */
export async function applyMove(
  call: Call,
  job: Row<'job'>,
  move: Move,
  reason: string | null,
  extra: Partial<Row<'job'>> = {},
): Promise<void> {
  const {
    db,
    env: { say },
    actor,
  } = call;
  const mover = moverOf(move);
  if (mover === 'assignee' ? job.assigneeId !== actor.personId : !isManager(actor))
    throw new Problem(403, 'notAllowed');
  const state = stateAfter(job.state, move);
  if (!state) throw new Problem(409, 'moveNotAllowed', { state: say(`job.${job.state}`) });
  if (needsReason(move) && !reason) throw fieldProblem('reason', 'field.required');
  await db.job.update({ id: job.id }, { ...extra, state, revision: job.revision + 1, reason });
  await noteEvent(call, job.id, move, state, reason);
}

/** What a person is told whose job is no longer as they saw it. */
export function jobMoved(say: Translator, { state, reason }: Row<'job'>): Problem {
  return new Problem(409, 'jobMoved', { state: say(`job.${state}`), reason: reason ?? 'none' });
}

/**
 * Moves a job on: begun, handed back, taken away; only from a state that it can be moved from.
 * @throws Problem: what is not there or not theirs (404), the job moved on (409)
 */
export async function moveJob(call: Call, id: string, form: MoveJob): Promise<{ revision: number; state: string }> {
  const {
    env: { say },
    db,
    now,
  } = call;
  const job = await findJob(call, id);
  if (job.revision !== form.revision) {
    throw jobMoved(say, job);
  }
  const reason =
    form.reason === null ? null : [houseVoice(call)(`notAble.${form.reason}`), form.note].filter(Boolean).join(': ');
  if (form.move === 'start') {
    await refuseStopped(call, job.machineId);
    await enter(call, job, form.entry);
    const tasks = await db.task.all({ jobId: id, state: 'outstanding' });
    await refuseMeeting(
      call,
      await readHistories(
        db,
        tasks.map(({ pointId }) => pointId),
        now,
      ),
      id,
    );
  }
  const extra = {
    ...(form.move === 'start' && { startedAt: now }),
    ...(form.move === 'notAble' && { assigneeId: null }),
  };
  await applyMove(call, job, form.move, reason, extra);
  const tasks = await db.task.all({ jobId: id });
  if (form.move === 'notAble')
    await handBack(call, job, {
      pointIds: tasks.filter((task) => task.state === 'outstanding').map(({ pointId }) => pointId),
      reason: form.reason ?? 'other',
      note: form.note,
      still: form.still,
    });
  if (form.move === 'cancel') {
    await db.task.update({ jobId: id, state: 'outstanding' }, { state: 'dropped' });
    await revokeJobLink(call, id);
  }
  await recomputeWork(
    db,
    tasks.map(({ pointId }) => pointId),
    now,
  );
  const moved = (await db.job.one({ id }))!;
  return { revision: moved.revision, state: moved.state };
}
