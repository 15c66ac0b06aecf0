/**
 * Home lists: several sittings in one home asked of one person at once. Each is a job of its own, with its own flow and
 * records; together they are one request.
 */
import { shareUsed, WINDOW_OPENS } from '../../core/due/line.ts';
import { joins } from '../../core/due/riders.ts';
import { systemOf } from '../../core/catalogue/systems.ts';
import { lineOfMark, WORK } from '../../contract/due/due.ts';
import type { GiveList, HomeListAnswer, ListSitting } from '../../contract/jobs/lists.ts';
import { dayOfInstant } from '../../core/calendar/day.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { assigneesFor } from './assignees.ts';
import { createJob, readSitting, whoMay } from './jobs.ts';
import { findPlace } from '../lookup/places.ts';

/** What of a home is near enough to be asked for, machine by machine, and who may be asked. */
export async function readHomeList(call: Call, placeId: string): Promise<HomeListAnswer> {
  const place = await findPlace(call, placeId);
  return {
    place: place.name,
    sittings: await sittingsOf(call, placeId, null),
    assignees: await assigneesFor(call, placeId, []),
  };
}

/**
 * What nobody is on in a home, gathered into sittings, the most pressing first.
 * @param numbers of the parts that are wanted, wherever they stand; null: what is near enough to be asked for
 */
export async function sittingsOf(
  call: Call,
  placeId: string,
  numbers: ReadonlySet<number> | null,
): Promise<ListSitting[]> {
  const {
    db,
    env: { say },
    now,
  } = call;
  const today = dayOfInstant(now, await zoneOfPlace(db, placeId));
  const marks = (await db.mark.all({ placeId, work: WORK.none })).filter(({ number }) => numbers?.has(number) ?? true);
  const histories = (
    await readHistories(
      db,
      marks.map(({ pointId }) => pointId),
      now,
    )
  ).filter(({ retired }) => !retired);
  const machines = new Map((await db.machine.all({ placeId })).map((machine) => [machine.id, machine]));
  const sittings = new Map<string, { machine: string; points: ListSitting['points'][number][] }>();
  for (const history of histories) {
    const mark = marks.find(({ pointId }) => pointId === history.point.id)!;
    const machine = machines.get(history.machineId)!;
    const line = lineOfMark(mark);
    const share = shareUsed(line, { today });
    // What opens its machine is asked for from its window on; what rides comes along as it would with any sitting.
    const near =
      mark.scheduled === 1
        ? share === undefined || share >= WINDOW_OPENS
        : joins({ share, lineDay: line.lineDay }, today);
    // A contractor's visit is asked for by itself: nobody here does it along the way.
    const isVisit = history.procedure.kind === 'visit';
    if (numbers === null && (!near || isVisit)) continue;
    const system = systemOf(machine.type);
    const own = isVisit ? 'visit' : system.key;
    const key = `${own} ${system.types.includes('thermostat') && !isVisit ? '' : machine.id}`;
    const sitting = sittings.get(key) ?? { machine: machineName(say, machine), points: [] };
    sitting.points.push({
      id: history.point.id,
      name: say(`point.${history.procedure.key}`),
      minutes: history.procedure.minutes,
      forTenant: history.procedure.level === 'tenant',
      share: share ?? null,
      rides: mark.scheduled === 0,
    });
    sittings.set(key, sitting);
  }
  return [...sittings.values()].sort((a, b) => worst(b) - worst(a));
}

const worst = ({ points }: { readonly points: readonly { readonly share: number | null }[] }) =>
  Math.max(...points.map(({ share }) => share ?? 1));

/** Gives several sittings of one home as one request. All or none. */
export async function giveList(
  call: Call,
  { id: listId, assigneeId, sittings }: GiveList,
): Promise<{ id: string; jobs: number }> {
  const read = await Promise.all(sittings.map(({ pointIds }) => readSitting(call, pointIds)));
  const placeId = read[0]!.machine.placeId;
  if (read.some(({ machine }) => machine.placeId !== placeId)) throw new Problem(422, 'otherHome');
  const procedures = read.flatMap(({ histories }) => histories.map(({ procedure }) => procedure));
  await whoMay(call, placeId, procedures, assigneeId);
  for (const [i, sitting] of read.entries())
    await createJob(call, { id: sittings[i]!.id, ...sitting, assigneeId, listId });
  return { id: listId, jobs: read.length };
}
