/**
 * Eighteen months of the demo, lived forward day by day: parts foul by the truth model, the manager gives
 * what the engine calls due, people do it in their own way, proofs are judged, faults happen. Every step
 * goes through the services that a person's click would reach.
 */
import { askedOf } from '../server/jobs/jobSitting.ts';
import { dayOfInstant, instantOfDay, isoFromDay, type Day } from '../core/calendar/day.ts';
import { drawLoad, drawSpeed } from '../core/lab/truth.ts';
import { seedOf, seeded } from '../core/statistics/random.ts';
import type { SubmittedRecord } from '../contract/jobs/jobs.ts';
import { readHistories } from '../server/due/history.ts';
import type { Env } from '../server/context/context.ts';
import { entryFor } from '../server/jobs/entry.ts';
import { moveJob } from '../server/jobs/jobs.ts';
import { sendJob } from '../server/proof/submission.ts';
import { logRecord } from '../server/proof/records.ts';
import { judgeProof } from '../server/proof/verdicts.ts';
import type { Db } from '../server/store/db.ts';
import { give, giveRound } from './giving.ts';
import { RETENTION_DAYS } from './photos.ts';
import {
  callAs,
  isResent,
  metOnBranch,
  type Cast,
  type PointLife,
  type LivedPoint,
  type Pending,
  type World,
} from './world.ts';
import { breakThings, answerFaults } from './faults.ts';
import { minute, recordOf } from './records.ts';

export const HISTORY_DAYS = 545;

export async function liveForward(
  env: Env,
  cast: Cast,
  points: readonly LivedPoint[],
  zone: string,
  days: number,
  progress: (share: number) => void,
): Promise<void> {
  const today = dayOfInstant(env.clock(), zone);
  const random = seeded(20_260_101);
  const lived: PointLife[] = [];
  const histories = new Map(
    (
      await readHistories(
        env.store.db,
        points.map(({ id }) => id),
        env.clock(),
      )
    ).map((history) => [history.point.id, history]),
  );
  for (const point of points) {
    const own = seeded(seedOf(`${point.placeName} ${point.procedure.key}`));
    const { factor } = histories.get(point.id)!.inputs.stretches.at(-1)!;
    lived.push({
      ...point,
      speed: Math.min(1.5, Math.max(0.5, drawSpeed(own))) * point.fast,
      load: own() * 0.6,
      perDay: factor / point.procedure.days.steady,
      busy: false,
      washes: 0,
      lastPhoto: null,
    });
  }
  const world: World = { env, cast, zone, today, random, lived, pending: [], waiting: [], faults: new Map() };
  const first = today - days;
  for (let day = first; day <= today; day += 1) {
    // One transaction a day: the services run as they are, the disk is asked once.
    await env.store.write((db) => liveDay(world, db, day, first));
    if ((day - first) % 20 === 0) progress((day - first) / days);
  }
}

async function liveDay(world: World, db: Db, day: Day, first: Day): Promise<void> {
  const at = (hour: number, minutes = 0) => instantOfDay(day, hour * 60 + minutes, world.zone);
  for (const point of world.lived) {
    if (day < point.sinceDay) continue;
    point.load += drawLoad(world.random, point.speed, point.perDay);
  }
  if (day === first) await bringToBaseline(world, db, day);
  await judge(world, db, day, at(10));
  await answerFaults(world, db, day, at(11));
  if (day === world.today && at(9) > world.env.clock()) return;
  await give(world, db, day, at(9));
  if (day === world.today - 1) await giveRound(world, db, day, at(16));
  await work(world, db, day);
  await breakThings(world, db, day, at(19, 30));
}

/** On the first day everybody says when things were last done. */
async function bringToBaseline(world: World, db: Db, day: Day): Promise<void> {
  for (const point of world.lived) {
    if (point.sinceDay > day) continue;
    const ago = Math.round(world.random() * point.procedure.days.watchful * 0.8);
    await logRecord(callAs(world, db, world.cast.manager, instantOfDay(day, 8 * 60, world.zone)), {
      id: world.env.newId(),
      pointId: point.id,
      done: isoFromDay(day - ago),
      grade: null,
      finds: [],
      note: '',
      photoId: null,
    });
    point.load = drawLoad(world.random, point.speed, point.perDay * ago);
  }
}

async function work(world: World, db: Db, day: Day): Promise<void> {
  const due = world.pending.filter(({ doOn }) => doOn <= day);
  for (const pending of due) {
    const tenant = pending.doer.roles.includes('tenant');
    const startedAt = instantOfDay(day, (tenant ? 18 : 9) * 60 + Math.floor(world.random() * 150), world.zone);
    const minutes = pending.points.reduce(
      (sum, { procedure }) =>
        sum +
        procedure.minutes * (0.6 + world.random() * 0.6) +
        procedure.steps
          .flatMap(({ needs }) => needs)
          .reduce((wait, need) => wait + (need.kind === 'timer' ? need.minutes : 0), 0),
      3,
    );
    const doneAt = startedAt + Math.round(minutes) * minute;
    if (doneAt > world.env.clock()) continue;
    world.pending.splice(world.pending.indexOf(pending), 1);
    await doJob(world, db, pending, day, startedAt, doneAt);
  }
}

async function doJob(
  world: World,
  db: Db,
  pending: Pending,
  day: Day,
  startedAt: number,
  doneAt: number,
): Promise<void> {
  const { doer, jobId, points } = pending;
  const call = callAs(world, db, doer, doneAt);
  const tasks = await db.task.all({ jobId, state: 'outstanding' });
  if (tasks.length === 0) return;
  if (day > world.today - RETENTION_DAYS) {
    const job = (await db.job.one({ id: jobId }))!;
    const before = callAs(world, db, doer, startedAt);
    const { needed, tenant } = await entryFor(before, job);
    const started = await moveJob(before, jobId, {
      move: 'start',
      reason: null,
      note: '',
      still: [],
      revision: job.revision,
      // Whoever lives there lets them in.
      entry: needed ? { ground: 'word', name: tenant, note: '' } : null,
    }).catch(metOnBranch);
    if (!started) {
      world.pending.push({ ...pending, doOn: day + 1 });
      return;
    }
  }
  const cheat =
    points.some(({ habits }) => habits.resends) && day > world.today - 6 && points.some(({ lastPhoto }) => lastPhoto);
  const records: SubmittedRecord[] = [];
  const machine = (await db.machine.one({ id: (await db.job.one({ id: jobId }))!.machineId }))!;
  const asked = askedOf(
    machine,
    tasks.map((task) => ({
      id: task.id,
      procedure: world.lived.find(({ id }) => id === task.pointId)!.procedure,
      turn: null,
    })),
  );
  for (const task of tasks) {
    // Two of a sitting may have been sent back; whoever comes first does both.
    const point = world.lived.find(({ id }) => id === task.pointId)!;
    records.push(await recordOf(world, call, point, task.id, asked.get(task.id)!, day, startedAt, cheat));
  }
  await sendJob(call, jobId, { startedAt, doneAt, deviceAt: doneAt, plan: null, left: [], entry: null, records });
  for (const { id: recordId } of records) {
    if ((await db.proof.one({ recordId }))!.state === 'accepted') await served(world, db, recordId, day);
    else world.waiting.push({ recordId, judgeOn: day + 1 + Math.floor(world.random() * 3), cheat, pending });
  }
}

/** It was fresh on the day it was done and has fouled since. */
async function served(world: World, db: Db, recordId: string, day: Day): Promise<void> {
  const record = (await db.record.one({ id: recordId }))!;
  const point = world.lived.find(({ id }) => id === record.pointId)!;
  point.busy = false;
  point.load = drawLoad(world.random, point.speed, point.perDay * Math.max(0, day - record.doneDay));
}

async function judge(world: World, db: Db, day: Day, now: number): Promise<void> {
  const due = world.waiting.filter(({ judgeOn }) => judgeOn <= day);
  for (const waiting of due) {
    // What came in these last days is left for whoever opens the demo.
    if (day > world.today - 3) continue;
    world.waiting.splice(world.waiting.indexOf(waiting), 1);
    const call = callAs(world, db, world.cast.manager, now);
    const blurred = !waiting.pending.points.some(isResent) && world.random() < 0.025;
    const contradicted = (await db.proof.one({ recordId: waiting.recordId }))!.findings.includes('"fail"');
    await judgeProof(call, waiting.recordId, {
      ...(blurred
        ? { verdict: 'sendBack', reason: 'The second photo does not show that it is locked. Please take it again.' }
        : {
            verdict: 'accept',
            reason: contradicted ? 'Rinsed and aired; a day stays between the two from now on.' : '',
          }),
    });
    if (blurred) {
      const { pointId } = (await db.record.one({ id: waiting.recordId }))!;
      const point = world.lived.find(({ id }) => id === pointId)!;
      world.pending.push({ ...waiting.pending, points: [point], doOn: day + 2 });
    } else await served(world, db, waiting.recordId, day);
  }
}
