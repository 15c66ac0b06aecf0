/**
 * Work that was given to one person and goes to another before anybody has begun: the one's job ends, the other has a
 * new one. Whoever had it, out of reach perhaps, is told; what they did all the same is laid before the office.
 */
import { WORK } from '../../contract/due/due.ts';
import type { GiveMany, HomeListAnswer, MovedJob } from '../../contract/jobs/lists.ts';
import type { Call } from '../context/context.ts';
import { Problem, problemOf } from '../context/problem.ts';
import { liveJobOf } from '../lookup/liveJob.ts';
import { machineName } from '../lookup/names.ts';
import type { Row } from '../store/tables.ts';
import { createJob, readSitting, whoMay } from './jobs.ts';

/** A home in which somebody is asked for something. */
export interface HomeAsked {
  readonly assignee: HomeListAnswer['assignees'][number];
  /** Names what was not given, with its reason. */
  leave(machine: string, says: string): void;
}

export interface JobInHand {
  readonly job: Row<'job'>;
  readonly machine: string;
  /** In words why it cannot move; null where it may. */
  readonly stays: string | null;
}

/** What of a home somebody has in hand and the form asks for; none where it asks only for what nobody is on. */
export async function jobsInHand(
  call: Call,
  placeId: string,
  { which, numbers, moves, from, assigneeId }: GiveMany,
): Promise<JobInHand[]> {
  const {
    db,
    env: { say },
  } = call;
  if (which !== 'inHand' && which !== 'chosen') return [];
  const jobs =
    which === 'chosen'
      ? await jobsOfNumbers(call, placeId, numbers)
      : await db.job.all({ placeId, state: 'given', ...(from !== null && { assigneeId: from }) });
  const others = jobs.filter((job) => job.state !== 'given' || assigneeId === null || job.assigneeId !== assigneeId);
  const machines = new Map((await db.machine.all({ placeId })).map((it) => [it.id, machineName(say, it)]));
  const linked = new Set((await db.jobLink.all({ jobId: others.map(({ id }) => id) })).map(({ jobId }) => jobId));
  return others.map((job) => ({ job, machine: machines.get(job.machineId)!, stays: whyItStays(job) }));

  function whyItStays(job: Row<'job'>): string | null {
    if (job.state !== 'given') return say('many.begun', { state: say(`job.${job.state}`) });
    if (linked.has(job.id)) return say('many.contracted');
    return which === 'chosen' && !moves ? say('many.inHand') : null;
  }
}

/** Parts by their numbers that ask for nothing while their home is on hold, in words. */
export async function chosenOnHold({ db, env: { say } }: Call, placeId: string, form: GiveMany): Promise<string[]> {
  if (form.which !== 'chosen') return [];
  const marks = (await db.mark.all({ placeId, work: WORK.onHold })).filter(({ number }) =>
    form.numbers.includes(number),
  );
  const points = await db.point.all({ id: marks.map(({ pointId }) => pointId) });
  return points.map(({ procedure }) => say(`point.${procedure}`));
}

/** The jobs that have some parts of a home taken, each once. */
async function jobsOfNumbers({ db }: Call, placeId: string, numbers: readonly number[]): Promise<Row<'job'>[]> {
  const marks = (await db.mark.all({ placeId })).filter(
    ({ number, work }) => work !== WORK.none && work !== WORK.onHold && numbers.includes(number),
  );
  const jobs = new Map<string, Row<'job'>>();
  for (const { pointId } of marks) {
    const job = await liveJobOf(db, pointId);
    if (job && job.state !== 'open') jobs.set(job.id, job);
  }
  return [...jobs.values()];
}

/** Moves what may move to whoever is asked in a home, and names the rest. */
export async function moveInHome(
  call: Call,
  { assignee, leave }: HomeAsked,
  inHand: readonly JobInHand[],
): Promise<MovedJob[]> {
  const moved: MovedJob[] = [];
  const renewed = renewal(call);
  for (const { job, machine, stays } of inHand) {
    if (stays === null && job.assigneeId === assignee.id) continue;
    let id = '';
    const move = async () => {
      id = await moveJobTo(call, job, assignee.id, renewed(job));
    };
    const says = stays ?? (await problemOf(call, move));
    if (says === null) moved.push({ id, from: job.assigneeId! });
    else leave(machine, says);
  }
  return moved;
}

/** What was one request becomes another one with whoever has it now: they are asked anew. */
export function renewal({ env }: Pick<Call, 'env'>): (job: Pick<Row<'job'>, 'listId'>) => string | null {
  const renewed = new Map<string, string>();
  return ({ listId }) => {
    if (listId === null) return null;
    const id = renewed.get(listId) ?? env.newId();
    renewed.set(listId, id);
    return id;
  };
}

/**
 * Ends a job that nobody has begun and gives what was left of it to somebody else, with what was said of it.
 * @returns the new job
 * @throws Problem where it may not be theirs, or not now
 */
export async function moveJobTo(
  call: Call,
  job: Row<'job'>,
  assigneeId: string,
  listId: string | null,
): Promise<string> {
  const { env, db } = call;
  const tasks = await db.task.all({ jobId: job.id, state: 'outstanding' });
  if (tasks.length === 0) throw new Problem(409, 'moveNotAllowed', { state: env.say(`job.${job.state}`) });
  const sitting = await readSitting(
    call,
    tasks.map(({ pointId }) => pointId),
  );
  const procedures = sitting.histories.map(({ procedure }) => procedure);
  await whoMay(call, job.placeId, procedures, assigneeId);
  const id = env.newId();
  await createJob(call, { id, ...sitting, assigneeId, listId, replaces: job });
  for (const { pointId, sentBack } of tasks.filter((task) => task.sentBack !== null))
    await db.task.update({ jobId: id, pointId }, { sentBack });
  return id;
}

/**
 * Moves jobs back to whose they were, where nobody has begun.
 * @returns how many went back
 */
export async function moveBack(call: Call, moved: readonly MovedJob[]): Promise<number> {
  const { db, actor } = call;
  const jobs = await db.job.all({
    id: moved.map(({ id }) => id),
    organisationId: actor.organisationId,
    state: 'given',
  });
  const renewed = renewal(call);
  let back = 0;
  for (const { id, from } of moved) {
    const job = jobs.find((it) => it.id === id);
    if (!job || job.assigneeId === from) continue;
    if ((await problemOf(call, () => moveJobTo(call, job, from, renewed(job)))) === null) back += 1;
  }
  return back;
}
