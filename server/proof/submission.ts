/** Sending a job: a record a task, each checked on its own. */
import { stateAfter } from '../../core/jobs/transitions.ts';
import { trueTimes } from '../../core/proof/claim.ts';
import type { Submission } from '../../contract/jobs/jobs.ts';
import { readHistories } from '../due/history.ts';
import { recompute, recomputeWork } from '../due/recompute.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { isOffice } from '../context/context.ts';
import { fieldProblem, notFound } from '../context/problem.ts';
import { earlierPhotos } from '../photos/lookalikes.ts';
import { tellFindings } from '../words/findings.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { refuseTakenIds } from '../lookup/ids.ts';
import type { Row } from '../store/tables.ts';
import { noteEntered } from '../jobs/entry.ts';
import { handBack } from '../jobs/handBacks.ts';
import { personPace } from '../jobs/pace.ts';
import { runMinutesOf } from '../jobs/runMinutes.ts';
import { applyMove, jobMoved } from '../jobs/jobs.ts';
import { acceptByRule } from './byRule.ts';
import { goneThrough } from './goneThrough.ts';
import { type PhotoClaims } from './sentPhotos.ts';
import { sendRecord } from './sendRecord.ts';

/**
 * Takes the work of a job: a record a point, each checked, accepted by rule or laid before somebody.
 * @throws Problem: what is not there or not theirs (404), the job moved on (409)
 */
export async function sendJob(call: Call, id: string, form: Submission): Promise<{ state: string; notes: string[] }> {
  const {
    db,
    actor,
    now,
    env: { say },
  } = call;
  const job = await db.job.one({ id, organisationId: actor.organisationId });
  if (!job || !(await wasTheirs(call, job))) throw notFound();
  const theirs = job.assigneeId === actor.personId && stateAfter(job.state, 'send') !== undefined;
  const tasks = await db.task.all({ jobId: id });
  const left = form.left.map(({ taskId }) => taskId);
  const sent = [...form.records.map(({ taskId }) => taskId), ...left];
  const outstanding = tasks.filter((task) => theirs && task.state === 'outstanding');
  if (
    new Set(sent).size < sent.length ||
    sent.some((taskId) => !tasks.some((task) => task.id === taskId)) ||
    outstanding.some((task) => !sent.includes(task.id))
  )
    throw fieldProblem('records', 'field.invalid');
  const before = await db.record.all({ taskId: sent }, { columns: ['id', 'taskId'] });
  const open = await db.proof.all(
    { recordId: before.map((record) => record.id), state: 'waiting' },
    { columns: ['recordId'] },
  );
  const offeredBefore = before
    .filter((record) => open.some(({ recordId }) => recordId === record.id))
    .map(({ taskId }) => taskId!);
  // What has been sent already, by this device or another, is there.
  if (
    tasks.some(
      (task) =>
        sent.includes(task.id) &&
        (task.state === 'sent' || task.state === 'accepted' || offeredBefore.includes(task.id)),
    )
  )
    throw jobMoved(say, job);
  await refuseTakenIds(
    db,
    form.records.map((record) => record.id),
  );
  const times = trueTimes(form, now);
  const zone = await zoneOfPlace(db, job.placeId);
  const photoIds = form.records.flatMap(({ photos }) => photos.map(({ photoId }) => photoId));
  const histories = new Map(
    (
      await readHistories(
        db,
        tasks.filter((task) => sent.includes(task.id)).map(({ pointId }) => pointId),
        now,
      )
    ).map((history) => [history.point.id, history]),
  );
  const earlier = photoIds.length > 0 ? await earlierPhotos(db, actor.organisationId, photoIds) : [];
  const machine = (await db.machine.one({ id: job.machineId }))!;
  const gone = tasks.filter((task) => sent.includes(task.id));
  const runs = await runMinutesOf(
    call,
    gone.map(({ pointId }) => pointId),
    machine,
  );
  const pace = await personPace(db, actor.personId);
  const sitting = goneThrough(
    machine,
    gone.map((task) => ({ task, history: histories.get(task.pointId)!, runMinutes: runs.get(task.pointId) ?? null })),
    form,
    pace,
    !isOffice(actor) && actor.roles.includes('tenant'),
  );
  const claimed: PhotoClaims = new Map();
  const opened: string[] = [];
  for (const record of form.records) {
    const task = tasks.find(({ id: taskId }) => taskId === record.taskId)!;
    opened.push(
      ...(await sendRecord(call, {
        record,
        job,
        task,
        history: histories.get(task.pointId)!,
        sitting,
        claimed,
        zone,
        earlier,
        deviceAt: form.deviceAt,
        times,
        offered: !outstanding.includes(task),
      })),
    );
  }
  await leaveTasks(
    call,
    job,
    outstanding.filter(({ id: taskId }) => left.includes(taskId)),
    form,
  );
  if (theirs) await noteEntered({ ...call, now: times.startedAt }, job, form.entry);
  if (theirs) await applyMove(call, job, 'send', null);
  const critical = new Map(
    tasks.map((task) => [task.id, histories.get(task.pointId)?.procedure.safetyCritical ?? false]),
  );
  const accepted = await acceptByRule(
    call,
    form.records.map(({ id: recordId, taskId }) => ({ id: recordId, safetyCritical: critical.get(taskId)! })),
  );
  // Only what counts already moves a line.
  await (accepted ? recompute : recomputeWork)(
    db,
    tasks.map(({ pointId }) => pointId),
    now,
  );
  const offered = form.records.some(({ taskId }) => !outstanding.some((task) => task.id === taskId));
  if (offered) opened.unshift(say('job.offered'));
  return {
    state: theirs ? 'sent' : 'offered',
    notes: [
      ...new Set([
        ...opened,
        ...(await notesFor(
          call,
          form.records.map((record) => record.id),
        )),
      ]),
    ],
  };
}

/** Whether this person has, or once had, the job; anybody else does not learn that it exists. */
async function wasTheirs({ db, actor }: Call, job: Row<'job'>): Promise<boolean> {
  return (
    job.assigneeId === actor.personId || (await db.jobEvent.count({ jobId: job.id, personId: actor.personId })) > 0
  );
}

/** Tasks that could not be done in this sitting go back to the office, with the reason. */
async function leaveTasks(
  call: Call,
  job: Row<'job'>,
  tasks: readonly Row<'task'>[],
  { left }: Submission,
): Promise<void> {
  const { db } = call;
  for (const reason of new Set(left.map((it) => it.reason))) {
    const of = tasks.filter(({ id }) => left.some((it) => it.taskId === id && it.reason === reason));
    if (of.length === 0) continue;
    for (const { id } of of) await db.task.update({ id }, { state: 'dropped' });
    await handBack(call, job, {
      pointIds: of.map(({ pointId }) => pointId),
      reason,
      note: houseVoice(call)(`left.${reason}`),
      still: [],
    });
  }
}

/** What the sender is told at once: readings that do not pass and photos to take again. */
async function notesFor({ db, env: { say } }: Call, recordIds: readonly string[]): Promise<string[]> {
  const records = await db.record.all({ id: [...recordIds] });
  const proofs = await db.proof.all({ recordId: [...recordIds] });
  return records.flatMap((record) =>
    tellFindings(
      say,
      record,
      proofs.find(({ recordId }) => recordId === record.id)!,
    )
      .filter(({ weight, check }) => weight === 'fail' || check === 'readingFails')
      .map(({ tells }) => tells),
  );
}
