/** Keeping lines and marks true: after every write that touches a point, its line is computed again. */
import { CATALOGUE_VERSION, procedures } from '../../core/catalogue/catalogue.ts';
import { WORK } from '../../contract/due.ts';
import type { Db } from '../store/db.ts';
import { lineOf, liveJobOf, readHistory, waitingOf, type PointHistory } from './history.ts';

const TYPES = [...procedures.keys()];

/** The number by which marks name a procedure: its place in the catalogue. */
export const typeNumber = (procedure: string) => TYPES.indexOf(procedure);

/** Computes the lines of these points and stores those that changed, with their inputs. */
export async function recompute(db: Db, pointIds: readonly string[], now: number): Promise<void> {
  for (const pointId of new Set(pointIds)) await recomputeOne(db, pointId, now);
}

async function recomputeOne(db: Db, pointId: string, now: number): Promise<void> {
  const history = await readHistory(db, pointId, now);
  const { servedDay, lineDay, capDay, inputs, interval } = lineOf(history);
  const { point, place } = history;
  const before = await db.mark.one({ pointId });
  const line = {
    servedDay, lineDay, capDay,
    inputs: JSON.stringify({ catalogue: CATALOGUE_VERSION, ...inputs }),
  };
  const kept = before?.lineId ? await db.line.one({ id: before.lineId }) : undefined;
  const same = kept && kept.servedDay === line.servedDay && kept.lineDay === line.lineDay && kept.inputs === line.inputs;
  const lineId = same ? kept.id : await db.line.append({
    organisationId: point.organisationId, pointId, computedAt: now, ...line,
    terms: JSON.stringify({ terms: interval.terms, band: interval.band, speed: interval.speed, days: interval.days }),
  });
  await db.mark.put({
    pointId, organisationId: point.organisationId, placeId: place.id, number: point.number, type: typeNumber(point.procedure),
    servedDay: servedDay ?? 0,
    intervalDays: servedDay === null ? 0 : lineDay - servedDay,
    capSlack: Math.max(0, capDay - lineDay),
    work: workOf(history, servedDay),
    evidence: history.evidence,
    lineId,
  });
}

/** Brings only the work on these points up to date: giving, starting and sending move no line. */
export async function recomputeWork(db: Db, pointIds: readonly string[]): Promise<void> {
  for (const pointId of new Set(pointIds)) {
    const mark = (await db.mark.one({ pointId }))!;
    const [waiting, job] = await Promise.all([waitingOf(db, pointId), liveJobOf(db, pointId)]);
    await db.mark.update({ pointId }, { work: workOf({ waiting, job }, mark.servedDay || null) });
  }
}

function workOf({ waiting, job }: Pick<PointHistory, 'waiting' | 'job'>, servedDay: number | null): number {
  if (waiting) return WORK.sent + (servedDay === null ? 0 : Math.max(0, waiting.doneDay - servedDay));
  switch (job?.state) {
    case 'given': return WORK.given;
    case 'started': return WORK.started;
    case 'awaitingTest': return WORK.awaitingTest;
    default: return WORK.none;
  }
}
