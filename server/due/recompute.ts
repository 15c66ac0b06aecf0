/** Keeping lines and marks true: after every write that touches a point, its line is computed again. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { CATALOGUE_VERSION, findProcedure, procedures } from '../../core/catalogue/catalogue.ts';
import { definedNumber, definedNumbers } from '../../core/catalogue/defined.ts';
import { computeLine } from '../../core/due/compute.ts';
import { rides, type Sibling } from '../../core/due/riders.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { ENGINE_VERSION } from '../../core/due/inputs.ts';
import { WORK } from '../../contract/due/due.ts';
import {
  appendLines,
  putMarks,
  putScheduled,
  readKeptLines,
  readSiblings,
  type NewLine,
  type NewMark,
  type SiblingRow,
} from '../sql/lines.ts';
import { putOff } from '../sql/redraw.ts';
import { breather } from '../context/breathe.ts';
import type { Db } from '../store/db.ts';
import { besideVisits, readPointRows, readWaitingRows, readWorkRows } from '../sql/history.ts';
import { readHistories } from './history.ts';
import { holdOf } from '../lookup/hold.ts';
import type { PointHistory } from './pointHistory.ts';

const TYPES = [...procedures.keys()];
const NUMBERS = new Map(TYPES.map((procedure, i) => [procedure, i]));

/** The number by which marks name a procedure: its place in the catalogue. */
export const typeNumber = (procedure: string): number => NUMBERS.get(procedure) ?? definedNumber(procedure) ?? -1;

/** Points read, computed and written together. */
const CHUNK = 300;

/** Points whose lines are drawn within the write that moves them; some 250 ms. */
export const AT_ONCE = 200;

/**
 * Brings the lines of these points up to date: at once where they are few, else they are put off, and drawn as soon as
 * the write is done (`redrawing`).
 */
export async function recompute(db: Db, pointIds: readonly string[], now: number): Promise<void> {
  const gathered = gathering.get(db);
  if (gathered) {
    for (const id of pointIds) gathered.add(id);
    return;
  }
  const unique = [...new Set([...pointIds, ...(await besideVisits(db, pointIds)).map(({ id }) => id)])];
  if (unique.length > AT_ONCE) await putOff(db, unique, now, [...NUMBERS, ...definedNumbers()]);
  else await recomputeNow(db, unique, now);
}

/** Points that work of many steps has moved so far, by the tables that it writes to. */
const gathering = new WeakMap<Db, Set<string>>();

/** Does work of many steps and draws all the lines that it moved together, once. */
export async function drawTogether<T>(db: Db, now: number, work: () => Promise<T>): Promise<T> {
  const gathered = new Set<string>();
  gathering.set(db, gathered);
  let done: T;
  try {
    done = await work();
  } finally {
    gathering.delete(db);
  }
  await recompute(db, [...gathered], now);
  return done;
}

/** Computes the lines of these points and stores those that changed, with their inputs. */
export async function recomputeNow(db: Db, pointIds: readonly string[], now: number): Promise<void> {
  const unique = [...new Set(pointIds)];
  for (let i = 0; i < unique.length; i += CHUNK) await recomputeChunk(db, unique.slice(i, i + CHUNK), now);
}

async function recomputeChunk(db: Db, pointIds: readonly string[], now: number): Promise<void> {
  const [histories, kept] = [await readHistories(db, pointIds, now), await readKeptLines(db, pointIds)];
  const before = new Map(kept.map((row) => [row.pointId, row]));
  const lines: NewLine[] = [];
  /** Marks, once the key of the first line that was appended is known. */
  const marks: ((firstLine: number) => NewMark)[] = [];
  const retired: string[] = [];
  const breathe = breather();
  for (const history of histories) {
    await breathe();
    const { point, placeId, today, inputs, hold } = history;
    if (history.retired) {
      retired.push(point.id);
      continue;
    }
    const { servedDay, lineDay, capDay, terms, band, speed, days, beyondLearned } = computeLine(inputs, today);
    // Without a record there is no line yet, and nothing of it depends on the day.
    const [line, cap] = servedDay === null ? [0, 0] : [lineDay, capDay];
    const text = JSON.stringify({ engine: ENGINE_VERSION, catalogue: CATALOGUE_VERSION, ...inputs });
    const was = before.get(point.id);
    const same = was?.servedDay === servedDay && was.lineDay === line && was.capDay === cap && was.inputs === text;
    if (!same)
      lines.push({
        pointId: point.id,
        servedDay,
        lineDay: line,
        capDay: cap,
        inputs: text,
        terms: JSON.stringify({
          days,
          band,
          speed,
          last: terms.at(-1),
          ...(beyondLearned !== null && { beyondLearned }),
        }),
      });
    const drawn = lines.length - 1;
    marks.push((firstLine) => ({
      pointId: point.id,
      placeId,
      number: point.number,
      type: typeNumber(point.procedure),
      servedDay: servedDay ?? 0,
      intervalDays: servedDay === null ? 0 : lineDay - servedDay,
      capSlack: servedDay === null ? 0 : Math.max(0, capDay - lineDay),
      work: workOf(history, servedDay, hold !== null),
      evidence: history.lastService?.evidence ?? null,
      lineId: same ? was.lineId : firstLine + drawn,
      scheduled: history.scheduled ? 1 : 0,
    }));
  }
  const organisationId = histories[0]?.point.organisationId;
  if (organisationId === undefined) return;
  const first = await appendLines(db, organisationId, now, lines);
  await putMarks(
    db,
    organisationId,
    marks.map((mark) => mark(first)),
  );
  if (retired.length > 0) await db.mark.remove({ pointId: retired });
  await settleRiders(db, histories);
}

/** Which parts of the machines touched ride with another: it follows from the lines of all of them. */
async function settleRiders(db: Db, histories: readonly PointHistory[]): Promise<void> {
  const own = new Map(histories.map((history) => [history.point.id, history]));
  const rows = await readSiblings(db, [...new Set(histories.map(({ machineId }) => machineId))]);
  const siblingOf = ({ pointId, procedure: key, servedDay, intervalDays, chosen }: SiblingRow): Sibling => {
    const procedure = own.get(pointId)?.procedure ?? findProcedure(key)!;
    return {
      id: pointId,
      core: chosen === null ? procedure.core : chosen === 'true',
      level: procedure.level,
      alone: procedure.kind === 'visit',
      intervalDays: Math.max(1, intervalDays || findProcedure(key)!.days.steady),
      lineDay: servedDay === 0 ? null : servedDay + intervalDays,
    };
  };
  const turned: { readonly id: string; readonly scheduled: number }[] = [];
  for (const machine of grouped(rows, ({ machineId }) => machineId).values()) {
    const siblings = machine.map(siblingOf);
    for (const [i, { pointId, scheduled }] of machine.entries()) {
      const asks = rides(siblings[i]!, siblings) ? 0 : 1;
      if (asks !== scheduled) turned.push({ id: pointId, scheduled: asks });
    }
  }
  await putScheduled(db, turned);
}

/** Brings only the work on these points up to date: giving, starting and sending move no line. */
export async function recomputeWork(db: Db, pointIds: readonly string[], now: number): Promise<void> {
  const points = await readPointRows(db, pointIds);
  const waiting = new Map((await readWaitingRows(db, pointIds)).map((row) => [row.pointId, row]));
  const work = new Map((await readWorkRows(db, pointIds)).map((row) => [row.pointId, row]));
  const held = new Map<string, boolean>();
  for (const { id, placeId, zone } of points) {
    const mark = await db.mark.one({ pointId: id });
    if (!mark) continue;
    if (!held.has(placeId)) held.set(placeId, (await holdOf(db, placeId, dayOfInstant(now, zone))) !== null);
    const state = { waiting: waiting.get(id), jobState: work.get(id)?.state };
    await db.mark.update({ pointId: id }, { work: workOf(state, mark.servedDay || null, held.get(placeId)!) });
  }
}

function workOf(
  { waiting, jobState }: Pick<PointHistory, 'waiting' | 'jobState'>,
  servedDay: number | null,
  onHold: boolean,
): number {
  if (waiting) return WORK.sent + (servedDay === null ? 0 : Math.max(0, waiting.doneDay - servedDay));
  switch (jobState) {
    case 'given':
      return WORK.given;
    case 'started':
      return WORK.started;
    case 'awaitingTest':
      return WORK.awaitingTest;
    default:
      return onHold ? WORK.onHold : WORK.none;
  }
}
