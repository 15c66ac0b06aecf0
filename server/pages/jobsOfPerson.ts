/** A person's jobs: those in hand, and those done lately. */
import { isoFromDay } from '../../core/calendar/day.ts';
import { DOING_STATES } from '../../core/jobs/transitions.ts';
import type { JobSummary } from '../../contract/jobs/jobs.ts';
import type { Call } from '../context/context.ts';
import { summarise } from './job.ts';

/** The jobs a person has in hand, most urgent first. */
export async function jobsInHand(call: Call): Promise<JobSummary[]> {
  const { db, actor } = call;
  const jobs = await db.job.all(
    { assigneeId: actor.personId, organisationId: actor.organisationId, state: [...DOING_STATES] },
    { order: [['givenAt', 'ASC']] },
  );
  const summaries = await Promise.all(jobs.map((job) => summarise(call, job)));
  return summaries.sort((a, b) => lateness(b) - lateness(a));
}

/** Jobs sent lately by a person, newest first. */
export async function doneLately(call: Call): Promise<{ id: string; says: string; day: string; verdict: string }[]> {
  const {
    db,
    actor,
    env: { say },
  } = call;
  const records = await db.record.all({ personId: actor.personId }, { order: [['doneAt', 'DESC']], limit: 6 });
  const proofs = new Map(
    (await db.proof.all({ recordId: records.map(({ id }) => id) })).map((proof) => [proof.recordId, proof]),
  );
  const points = new Map(
    (await db.point.all({ id: records.map(({ pointId }) => pointId) })).map((point) => [point.id, point]),
  );
  return records.map(({ id, pointId, doneDay }) => ({
    id,
    says: say(`task.${points.get(pointId)!.procedure}`),
    day: isoFromDay(doneDay),
    verdict: say(`verdict.${proofs.get(id)!.state}`),
  }));
}

function lateness({ marks, today }: JobSummary): number {
  return Math.max(
    ...marks.map(({ servedDay, intervalDays }) => (servedDay ? (today - servedDay) / Math.max(1, intervalDays) : 1)),
  );
}
