/** Work in many homes at once: what is near its line there, to each home's tenant or to one of the office. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { GiveMany, HomeListAnswer, ListSitting, ManyGiven, TakeListsBack } from '../../contract/jobs/lists.ts';
import type { Call } from '../context/context.ts';
import { Problem, problemDocument } from '../context/problem.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { budgetUse } from './budget.ts';
import { createJob, moveJob, readSitting, whoMay } from './jobs.ts';
import { readHomeList } from './lists.ts';

/** Parts of one sitting, as a home list has them. */
const MOST_PARTS = 12;

type Sitting = Awaited<ReturnType<typeof readSitting>>;
type Assignee = HomeListAnswer['assignees'][number];
type Left = ManyGiven['left'][number];

/**
 * Gives work in each of some homes, one request a home, the most pressing sittings first; to a tenant no more than their
 * month holds. What could not be given is named with its reason, and keeps nothing else back.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function giveMany(call: Call, { placeIds, which, assigneeId }: GiveMany): Promise<ManyGiven> {
  const lists: string[] = [];
  const left: Left[] = [];
  let jobs = 0;
  for (const placeId of placeIds) {
    const home = await readHomeList(call, placeId);
    const sittings = home.sittings.filter(({ points }) => which === 'near' || points.some(isPast));
    const leave = ({ machine }: ListSitting, says: string) => left.push({ placeId, place: home.place, machine, says });
    const assignee = home.assignees.find(({ id, role }) => (assigneeId ? id === assigneeId : role === 'tenant'));
    if (!assignee) {
      for (const it of sittings) leave(it, call.env.say(assigneeId ? 'many.nobody' : 'many.noTenant'));
      continue;
    }
    const listId = call.env.newId();
    const given = await giveInHome(call, { placeId, assignee, sittings, listId, leave });
    jobs += given;
    if (given > 0) lists.push(listId);
  }
  return { lists, jobs, homes: lists.length, left };
}

const isPast = ({ share }: ListSitting['points'][number]) => share !== null && share > 1;

interface InHome {
  readonly placeId: string;
  readonly assignee: Assignee;
  readonly sittings: readonly ListSitting[];
  readonly listId: string;
  leave(sitting: ListSitting, says: string): void;
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
      leave(sitting, say('many.forStaff', { count: sitting.points.length - parts.length }));
    if (parts.length === 0) continue;
    const read = await readSitting(
      call,
      parts.slice(0, MOST_PARTS).map(({ id }) => id),
    );
    if (parts.length > MOST_PARTS) leave(sitting, say('many.later', { count: parts.length - MOST_PARTS }));
    const theirs = read.points.reduce((sum, { procedure }) => sum + procedureOf(procedure).minutes, 0) * assignee.pace;
    // A first sitting may be longer than the month; more than the month is no second one.
    if (chosen.length > 0 && theirs > minutes) {
      leave(sitting, say('many.budget'));
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
    } else leave(sitting, refused);
  }
  let jobs = 0;
  for (const { sitting, read } of chosen) {
    const refused = await problemOf(call, () =>
      createJob(call, { id: call.env.newId(), ...read, assigneeId: assignee.id, listId }),
    );
    if (refused === null) jobs += 1;
    else leave(sitting, refused);
  }
  return jobs;
}

/** What a tenant's month still holds, in a newcomer's minutes by their own pace. */
async function minutesLeft({ db, now }: Call, placeId: string): Promise<number> {
  const tenancy = (await tenancyOn(db, placeId, now))!;
  const { minutes, usedMinutes } = await budgetUse(db, tenancy, now, await zoneOfPlace(db, placeId));
  return minutes - usedMinutes;
}

/** Why something is refused, in words; null where it was done. */
async function problemOf(call: Call, work: () => Promise<unknown>): Promise<string | null> {
  try {
    await work();
    return null;
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return problemDocument(error, call.env.say).detail;
  }
}

/** Takes requests back that nobody has begun; what was begun stays with its doer. */
export async function takeListsBack(call: Call, { ids }: TakeListsBack): Promise<{ taken: number; kept: number }> {
  const jobs = await call.db.job.all({ organisationId: call.actor.organisationId, listId: [...ids] });
  const given = jobs.filter(({ state }) => state === 'given');
  for (const { id, revision } of given)
    await moveJob(call, id, { move: 'cancel', revision, reason: null, note: '', still: [] });
  return { taken: given.length, kept: jobs.filter(({ state }) => BEGUN.includes(state)).length };
}
const BEGUN: readonly string[] = ['started', 'awaitingTest', 'sent', 'accepted'];
