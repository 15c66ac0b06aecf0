/** Work in many homes at once: what is near its line there, to each home's tenant or to one of the office. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import {
  MOST_PARTS,
  type GiveMany,
  type ListSitting,
  type ManyGiven,
  type MovedJob,
  type TakeListsBack,
} from '../../contract/jobs/lists.ts';
import type { Call } from '../context/context.ts';
import { problemOf } from '../context/problem.ts';
import { findPlace } from '../lookup/places.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { assigneesFor } from './assignees.ts';
import { budgetUse } from './budget.ts';
import { createJob, moveJob, readSitting, whoMay } from './jobs.ts';
import { sittingsOf } from './lists.ts';
import { chosenOnHold, jobsInHand, moveBack, moveInHome, type HomeAsked } from './moveMany.ts';

type Sitting = Awaited<ReturnType<typeof readSitting>>;
type Left = ManyGiven['left'][number];

/**
 * Gives work in each of some homes, one request a home, the most pressing sittings first; to a tenant no more than their
 * month holds. What somebody else was given moves where that is asked for. What could not be given is named with its
 * reason, and keeps nothing else back.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function giveMany(call: Call, form: GiveMany): Promise<ManyGiven> {
  const { placeIds, which, assigneeId } = form;
  const { say } = call.env;
  const numbers = which === 'chosen' ? new Set(form.numbers) : null;
  const lists: string[] = [];
  const left: Left[] = [];
  const moved: MovedJob[] = [];
  let jobs = 0;
  for (const placeId of placeIds) {
    const { name: place } = await findPlace(call, placeId);
    const leave = (machine: string, says: string) => left.push({ placeId, place, machine, says });
    const free = which === 'inHand' ? [] : await sittingsOf(call, placeId, numbers);
    const sittings = free.filter(({ points }) => which !== 'past' || points.some(isPast));
    for (const part of await chosenOnHold(call, placeId, form)) leave(part, say('many.held'));
    const inHand = await jobsInHand(call, placeId, form);
    const assignee = (await assigneesFor(call, placeId, [])).find(({ id, role }) =>
      assigneeId ? id === assigneeId : role === 'tenant',
    );
    if (!assignee) {
      const says = say(assigneeId ? 'many.nobody' : 'many.noTenant');
      for (const it of [...sittings, ...inHand]) leave(it.machine, says);
      continue;
    }
    moved.push(...(await moveInHome(call, { assignee, leave }, inHand)));
    const listId = call.env.newId();
    const given = await giveInHome(call, { placeId, assignee, leave, sittings, listId });
    jobs += given;
    if (given > 0) lists.push(listId);
  }
  return { lists, jobs, homes: lists.length, moved, left };
}

const isPast = ({ share }: ListSitting['points'][number]) => share !== null && share > 1;

interface InHome extends HomeAsked {
  readonly placeId: string;
  readonly sittings: readonly ListSitting[];
  readonly listId: string;
}

/** @returns how many jobs were given */
async function giveInHome(call: Call, { placeId, assignee, sittings, listId, leave }: InHome): Promise<number> {
  const { say } = call.env;
  const isTenant = assignee.role === 'tenant';
  let minutes = isTenant ? await minutesLeft(call, placeId) : Infinity;
  const chosen: { readonly sitting: ListSitting; readonly read: Sitting }[] = [];
  for (const sitting of sittings) {
    const parts = isTenant ? sitting.points.filter(({ forTenant }) => forTenant) : sitting.points;
    if (parts.length < sitting.points.length)
      leave(sitting.machine, say('many.forStaff', { count: sitting.points.length - parts.length }));
    if (parts.length === 0) continue;
    const read = await readSitting(
      call,
      parts.slice(0, MOST_PARTS).map(({ id }) => id),
    );
    if (parts.length > MOST_PARTS) leave(sitting.machine, say('many.later', { count: parts.length - MOST_PARTS }));
    const theirs = read.points.reduce((sum, { procedure }) => sum + procedureOf(procedure).minutes, 0) * assignee.pace;
    // A first sitting may be longer than the month; more than the month is no second one.
    if (chosen.length > 0 && theirs > minutes) {
      leave(sitting.machine, say('many.budget'));
      continue;
    }
    const refused = await problemOf(call, () =>
      whoMay(
        call,
        placeId,
        [...chosen.map((it) => it.read), read].flatMap(({ histories }) => histories.map(({ procedure }) => procedure)),
        assignee.id,
      ),
    );
    if (refused === null) {
      minutes -= theirs;
      chosen.push({ sitting, read });
    } else leave(sitting.machine, refused);
  }
  let jobs = 0;
  for (const { sitting, read } of chosen) {
    const refused = await problemOf(call, () =>
      createJob(call, { id: call.env.newId(), ...read, assigneeId: assignee.id, listId }),
    );
    if (refused === null) jobs += 1;
    else leave(sitting.machine, refused);
  }
  return jobs;
}

/** What a tenant's month still holds, in a newcomer's minutes by their own pace. */
async function minutesLeft({ db, now }: Call, placeId: string): Promise<number> {
  const tenancy = (await tenancyOn(db, placeId, now))!;
  const { minutes, usedMinutes } = await budgetUse(db, tenancy, now, await zoneOfPlace(db, placeId));
  return minutes - usedMinutes;
}

/** Takes requests back that nobody has begun, and moves jobs back to whose they were; what was begun stays. */
export async function takeListsBack(
  call: Call,
  { ids, moved }: TakeListsBack,
): Promise<{ taken: number; kept: number }> {
  const back = await moveBack(call, moved);
  const jobs = await call.db.job.all({ organisationId: call.actor.organisationId, listId: [...ids] });
  const given = jobs.filter(({ state }) => state === 'given');
  for (const { id, revision } of given)
    await moveJob(call, id, { move: 'cancel', revision, reason: null, note: '', still: [], entry: null });
  const kept = jobs.filter(({ state }) => BEGUN.includes(state)).length;
  return { taken: given.length + back, kept: kept + moved.length - back };
}
const BEGUN: readonly string[] = ['started', 'awaitingTest', 'sent', 'accepted'];
