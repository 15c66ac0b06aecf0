/** What the demo's people enter, photograph and read when they do a job. */
import { type Day } from '../core/calendar/day.ts';
import type { Find } from '../core/catalogue/catalogue.ts';
import type { Need } from '../core/catalogue/types.ts';
import { drawGrade } from '../core/lab/truth.ts';
import { type Random } from '../core/statistics/random.ts';
import type { SubmittedRecord } from '../contract/jobs/jobs.ts';
import type { Call } from '../server/context/context.ts';
import { drawShot, rememberPhoto, RETENTION_DAYS, takePhoto, type Shot } from './photos.ts';
import { type PointLife, type World } from './world.ts';

export const minute = 60_000;

const FINDS_BY: Readonly<Record<string, readonly Find[]>> = {
  'dishwasher.filter': ['seed', 'grease', 'label'],
  'washer.drainPumpFilter': ['coin', 'hair', 'clip', 'lint'],
  'washer.doorBoot': ['hair', 'lint', 'growth'],
  'hood.greaseFilter': ['grease'],
  'dryer.duct': ['lint'],
  'airHandler.condensateDrain': ['growth'],
};

export async function recordOf(
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
