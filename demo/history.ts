/**
 * Eighteen months of the demo, lived forward day by day: parts foul by the truth model, the manager gives
 * what the engine calls due, people do it in their own way, proofs are judged, faults happen. Every step
 * goes through the services that a person's click would reach.
 */
import { askedOf } from '../server/jobs/jobSitting.ts';
import { dayOfInstant, instantOfDay, isoFromDay, type Day } from '../core/calendar/day.ts';
import type { Find } from '../core/catalogue/catalogue.ts';
import type { Need } from '../core/catalogue/types.ts';
import { drawGrade, drawLoad, drawSpeed } from '../core/lab/truth.ts';
import { seedOf, seeded, type Random } from '../core/statistics/random.ts';
import type { SubmittedRecord } from '../contract/jobs.ts';
import { readHistories } from '../server/due/history.ts';
import type { Call, Env } from '../server/context/context.ts';
import { closeFault, reportFault } from '../server/faults/faults.ts';
import { moveJob } from '../server/jobs/jobs.ts';
import { sendJob } from '../server/proof/submission.ts';
import { logRecord } from '../server/proof/records.ts';
import { judgeProof } from '../server/proof/verdicts.ts';
import type { Db } from '../server/store/db.ts';
import { give, giveRound } from './giving.ts';
import { drawShot, rememberPhoto, RETENTION_DAYS, takePhoto, type Shot } from './photos.ts';
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

export const HISTORY_DAYS = 545;

const minute = 60_000;

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
    const started = await moveJob(callAs(world, db, doer, startedAt), jobId, {
      move: 'start',
      reason: null,
      note: '',
      still: [],
      revision: job.revision,
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
  await sendJob(call, jobId, { startedAt, doneAt, deviceAt: doneAt, plan: null, left: [], records });
  for (const { id: recordId } of records) {
    world.waiting.push({ recordId, judgeOn: day + 1 + Math.floor(world.random() * 3), cheat, pending });
  }
}

const FINDS_BY: Readonly<Record<string, readonly Find[]>> = {
  'dishwasher.filter': ['seed', 'grease', 'label'],
  'washer.drainPumpFilter': ['coin', 'hair', 'clip', 'lint'],
  'washer.doorBoot': ['hair', 'lint', 'growth'],
  'hood.greaseFilter': ['grease'],
  'dryer.duct': ['lint'],
  'airHandler.condensateDrain': ['growth'],
};

async function recordOf(
  world: World,
  call: Call,
  point: PointLife,
  taskId: string,
  needs: readonly Need[],
  day: Day,
  startedAt: number,
  cheat: boolean,
): Promise<SubmittedRecord> {
  const { random, env } = world;
  const grade = drawGrade(random, point.load);
  const shots = needs
    .filter(({ kind }) => kind === 'photo')
    .map(({ key }) => {
      const before = ['out', 'open', 'before'].includes(key);
      const shot: Shot = {
        procedure: point.procedure.key,
        load: before ? point.load : 0.04,
        seed: Math.floor(random() * 2 ** 32),
        capturedAt: startedAt + (before ? 4 : 11) * minute,
      };
      return { slot: key, before, shot };
    });
  // Drawn side by side: drawing is most of the demo's time.
  const photos = await Promise.all(
    shots.map(async ({ slot, before, shot }) => ({
      slot,
      photoId: await shoot(world, call, point, shot, day, cheat && before),
    })),
  );
  const fitting = point.placeName === 'Plant room' ? '20x20x1' : '16x25x1';
  const found = (FINDS_BY[point.procedure.key] ?? []).filter(() => point.load > 0.6 && random() < 0.45);
  return {
    id: env.newId(),
    taskId,
    photos,
    grade,
    cavityGrade: needs.some(({ kind, key }) => kind === 'grade' && key === 'cavity')
      ? drawGrade(random, point.load * 0.5)
      : null,
    finds: found,
    readings: readingsFor(needs, point, random),
    confirmed: needs.filter(({ kind }) => kind === 'confirm').map(({ key }) => key),
    agent: agentFor(needs, point),
    size: needs.some(({ kind }) => kind === 'size') ? fitting : null,
    after: null,
    where: null,
    note: '',
  };
}

async function shoot(
  world: World,
  call: Call,
  point: PointLife,
  shot: Shot,
  day: Day,
  cheat: boolean,
): Promise<string> {
  if (day <= world.today - RETENTION_DAYS) return rememberPhoto(call, shot);
  if (cheat && point.lastPhoto) return takePhoto(call, shot, point.lastPhoto);
  if (point.habits.resends && shot.load > 0.1) point.lastPhoto = await drawShot(shot);
  return takePhoto(call, shot);
}

function readingsFor(needs: readonly Need[], point: PointLife, random: Random): Record<string, number> {
  const readings: Record<string, number> = {};
  for (const need of needs) {
    if (need.kind !== 'reading' || (need.optional && random() < 0.5)) continue;
    if (need.key === 'drainSeconds') readings[need.key] = Math.round(8 + random() * 20);
    if (need.key === 'returnCelsius') readings[need.key] = 24;
    if (need.key === 'supplyCelsius') readings[need.key] = Math.round((13.2 + random() * 2.4) * 10) / 10;
    if (need.key === 'fridgeCelsius') readings[need.key] = Math.round((2 + random() * 2) * 10) / 10;
    if (need.key === 'freezerCelsius') readings[need.key] = Math.round((-21 + random() * 2.5) * 10) / 10;
    if (need.key === 'pumpedLitres') readings[need.key] = Math.round((6.8 + random() * 0.6) * 10) / 10;
    if (need.key === 'pumpSeconds') readings[need.key] = Math.round(38 + random() * 25);
    if (need.key === 'flushLitres') readings[need.key] = Math.round(11 + random() * 3);
    if (need.key === 'dryMinutes') readings[need.key] = Math.round(42 + random() * 12 + point.load * 3);
  }
  return readings;
}

/** The agent of the step; where several take turns, the next of them. */
function agentFor(needs: readonly Need[], point: PointLife) {
  const need = needs.find(({ kind }) => kind === 'agent');
  if (need?.kind !== 'agent') return null;
  return point.procedure.rotation ? need.choices[(point.washes += 1) % need.choices.length]! : need.choices[0]!;
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
    const record = (await db.record.one({ id: waiting.recordId }))!;
    const point = world.lived.find(({ id }) => id === record.pointId)!;
    if (blurred) {
      world.pending.push({ ...waiting.pending, points: [point], doOn: day + 2 });
    } else {
      point.busy = false;
      // It was fresh on the day it was done and has fouled since.
      point.load = drawLoad(world.random, point.speed, point.perDay * Math.max(0, day - record.doneDay));
    }
  }
}

const FAULTS: readonly { procedure: string; symptom: string; chance: number; found: string }[] = [
  {
    procedure: 'airHandler.condensateDrain',
    symptom: 'airHandler.water',
    chance: 0.016,
    found: 'Line was slimed up; brushed and flushed, runs freely.',
  },
  {
    procedure: 'dishwasher.filter',
    symptom: 'dishwasher.gritty',
    chance: 0.0012,
    found: 'Filter film; cleaned and locked.',
  },
  {
    procedure: 'washer.drainPumpFilter',
    symptom: 'washer.full',
    chance: 0.0014,
    found: 'Coins and hair at the impeller.',
  },
  {
    procedure: 'washer.doorBoot',
    symptom: 'washer.puddle',
    chance: 0.0009,
    found: 'Hair at the foot of the glass; wiped.',
  },
];

/** The hose behind this dryer is crushed, whatever is done about its duct. */
const CRUSHED = { place: 'House 16', procedure: 'dryer.duct', everyDays: 78 };

async function breakThings(world: World, db: Db, day: Day, now: number): Promise<void> {
  if (now > world.env.clock()) return;
  for (const point of world.lived) {
    if (world.faults.has(point.machineId) || day < point.sinceDay) continue;
    const crushed =
      point.placeName === CRUSHED.place &&
      point.procedure.key === CRUSHED.procedure &&
      (world.today - 12 - day) % CRUSHED.everyDays === 0;
    const rule = FAULTS.find(({ procedure }) => procedure === point.procedure.key);
    const happens =
      crushed || (rule !== undefined && point.load > 1.35 && world.random() < rule.chance * point.load ** 2);
    if (!happens) continue;
    const id = world.env.newId();
    const reporter = point.tenant ?? world.cast.staff[0]!;
    const symptom = crushed ? 'dryer.damp' : rule!.symptom;
    await reportFault(callAs(world, db, reporter, now), {
      id,
      machineId: point.machineId,
      symptom,
      note: crushed ? 'Second load in a row still damp.' : '',
      photoIds: [],
    });
    world.faults.set(point.machineId, {
      id,
      symptom,
      closeOn: day + 2 + Math.floor(world.random() * 4) + (day > world.today - 14 ? 90 : 0),
    });
  }
}

async function answerFaults(world: World, db: Db, day: Day, now: number): Promise<void> {
  for (const [machineId, { id, closeOn, symptom }] of world.faults) {
    if (day < closeOn || now > world.env.clock()) continue;
    const found =
      symptom === 'dryer.damp'
        ? 'Hose crushed behind the machine; pulled straight. Too little room back there.'
        : FAULTS.find((it) => it.symptom === symptom)!.found;
    await closeFault(callAs(world, db, world.cast.staff[0]!, now), id, { found });
    world.faults.delete(machineId);
  }
}
