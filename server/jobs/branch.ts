/** Drains that share a branch: what was poured into it on a day, and what is about to be. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { certainAgents, lacksAgent, meetingOf, meetings } from '../../core/catalogue/chemistry.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { readHistories } from '../due/history.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { machineName } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import type { PointHistory } from '../due/pointHistory.ts';

export interface DrainPour {
  readonly agent: Agent;
  readonly machineId: string;
}

/** This machine, and those of the same property whose drains share its branch. */
export async function machinesOnBranch(db: Db, machineId: string): Promise<Row<'machine'>[]> {
  const machine = (await db.machine.one({ id: machineId }))!;
  if (machine.drainBranch === '') return [machine];
  const { propertyId } = (await db.place.one({ id: machine.placeId }))!;
  const places = await db.place.all({ propertyId }, { columns: ['id'] });
  const sharing = await db.machine.all({ placeId: places.map(({ id }) => id), drainBranch: machine.drainBranch });
  return sharing.some(({ id }) => id === machineId) ? sharing : [machine, ...sharing];
}

/** Agents recorded on a day on the branch of a machine. */
export async function usedOnBranch(db: Db, machineId: string, day: Day): Promise<DrainPour[]> {
  const machines = await machinesOnBranch(db, machineId);
  const points = await db.point.all({ machineId: machines.map(({ id }) => id) }, { columns: ['id', 'machineId'] });
  const records = await db.record.all(
    { pointId: points.map(({ id }) => id), doneDay: day },
    { columns: ['pointId', 'canonical'] },
  );
  return records.flatMap(({ pointId, canonical }) => {
    const { agent, agents } = JSON.parse(canonical) as ServiceRecord;
    const { machineId: at } = points.find(({ id }) => id === pointId)!;
    return (agents ?? (agent ? [agent] : [])).map((it) => ({ agent: it, machineId: at }));
  });
}

/** Agents that other jobs in hand on the branch will use today: those that were given or started on this day. */
async function inHandOnBranch(
  { db, now }: Call,
  machineId: string,
  zone: string,
  exceptJob: string | null,
): Promise<DrainPour[]> {
  const machines = await machinesOnBranch(db, machineId);
  const today = dayOfInstant(now, zone);
  const jobs = (
    await db.job.all({ machineId: machines.map(({ id }) => id), state: ['given', 'started', 'awaitingTest'] })
  ).filter(
    ({ id, givenAt, startedAt }) =>
      id !== exceptJob && [givenAt, startedAt].some((at) => at !== null && dayOfInstant(at, zone) === today),
  );
  const tasks = jobs.length === 0 ? [] : await db.task.all({ jobId: jobs.map(({ id }) => id), state: 'outstanding' });
  const histories = await readHistories(
    db,
    tasks.map(({ pointId }) => pointId),
    now,
  );
  return histories.flatMap(({ procedure, turn, machineId: at }) =>
    certainAgents(procedure, turn).map((agent) => ({ agent, machineId: at })),
  );
}

/**
 * Refuses work whose agents must not meet: among themselves, or with what its drain's branch saw or will see today.
 * @param exceptJob the job that asks, which is not held against itself
 */
export async function refuseMeeting(
  call: Call,
  histories: readonly PointHistory[],
  exceptJob: string | null,
): Promise<void> {
  const {
    db,
    now,
    env: { say },
  } = call;
  const lacking = histories.find(({ procedure }) => lacksAgent(procedure));
  if (lacking) throw new Problem(422, 'agentsForbidden', { task: say(`task.${lacking.procedure.key}`) });
  const agents = histories.flatMap(({ procedure, turn }) => certainAgents(procedure, turn));
  const [first] = histories;
  if (agents.length === 0 || !first) return;
  // In one machine two bought agents want a plain rinse between: two jobs, not one.
  const within = meetings(agents, agents, true)[0];
  if (within)
    throw new Problem(422, 'agentsMeet', {
      one: say(`agent.${within.one}`),
      other: say(`agent.${within.other}`),
      reason: say.text(within.reason),
    });
  const zone = await zoneOfPlace(db, first.placeId);
  for (const { agent, machineId } of [
    ...(await usedOnBranch(db, first.machineId, dayOfInstant(now, zone))),
    ...(await inHandOnBranch(call, first.machineId, zone, exceptJob)),
  ]) {
    const meeting = meetingOf(agents, [agent]);
    if (!meeting) continue;
    const machine = (await db.machine.one({ id: machineId }))!;
    const place = (await db.place.one({ id: machine.placeId }))!;
    throw new Problem(409, 'agentsBranch', {
      one: say(`agent.${meeting.one}`),
      other: say(`agent.${meeting.other}`),
      machine: machineName(say, machine),
      place: place.name,
      reason: say.text(meeting.reason),
    });
  }
}
