/** Taking visits over from the plan: their jobs are given, whoever lives there is told, and they stand in a round. */
import { isoFromDay } from '../../core/calendar/day.ts';
import { timetable, windowToTell } from '../../core/rounds/timetable.ts';
import type { TakenOver, TakeOver } from '../../contract/rounds/rounds.ts';
import type { Call } from '../context/context.ts';
import { problemOf } from '../context/problem.ts';
import { giveMany } from '../jobs/giveMany.ts';
import { noticeHours } from '../jobs/entry.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { createVisit } from '../notices/visits.ts';
import type { Row } from '../store/tables.ts';
import type { KeptVisit, OpenPlan } from './keptPlan.ts';
import { roundBegins } from './busy.ts';
import { keepVisits, planAt, readPlan } from './plans.ts';

const PURPOSE_CHARS = 200;

/**
 * Gives the jobs of some visits and announces them; what cannot be given or announced is named, and its visit stays in
 * the plan.
 * @throws Problem: notFound (404), planChanged (409)
 */
export async function takeOver(call: Call, form: TakeOver): Promise<TakenOver> {
  const plan = await planAt(call, form.revision);
  const left: { placeId: string; place: string; says: string }[] = [];
  let [jobs, announced] = [0, 0];
  const over = new Set<number>();
  for (const visit of plan.visits.filter(({ id, takenOver }) => form.visits.includes(id) && !takenOver)) {
    const { placeId } = namedOf(plan, visit);
    const place = await call.db.place.one({ id: placeId });
    if (!place) continue;
    let stop: Stop | undefined;
    const says = await problemOf(call, async () => {
      stop = await announceOne(call, plan, visit);
    });
    if (!stop) {
      left.push({ placeId, place: place.name, says: says ?? '' });
      continue;
    }
    const given = await giveOne(call, plan, visit);
    jobs += given.jobs;
    left.push(
      ...given.left.map(({ place: name, machine, says: why }) => ({
        placeId,
        place: `${name}, ${machine}`,
        says: why,
      })),
    );
    if (!(await anyInHand(call, plan, visit))) {
      // Nobody comes for nothing, and nobody has heard of it yet.
      await takeBack(call, stop);
      if (given.left.length === 0) left.push({ placeId, place: place.name, says: call.env.say('rounds.nothingLeft') });
      continue;
    }
    if (stop.visitId !== null) announced += 1;
    over.add(visit.id);
  }
  const visits = plan.visits.map((visit) => (over.has(visit.id) ? { ...visit, takenOver: true, pinned: true } : visit));
  await keepVisits(call, plan, visits);
  return { jobs, announced, left, plan: await readPlan(call, form) };
}

const dayIn = ({ row }: OpenPlan, { day }: KeptVisit): number => row.fromDay + day;

/** A visit's home, person and parts by what they are called outside the plan. */
const namedOf = ({ basis: { instance, parts } }: OpenPlan, { home, worker, tasks }: KeptVisit) => ({
  placeId: instance.homes[home]!.id,
  personId: instance.workers[worker]!.id,
  numbers: tasks.map((task) => parts[task]!.number),
});

/** Gives what of a visit nobody has in hand yet to whoever comes. */
async function giveOne(call: Call, plan: OpenPlan, visit: KeptVisit) {
  const { placeId, personId, numbers } = namedOf(plan, visit);
  return giveMany(call, {
    placeIds: [placeId],
    which: 'chosen',
    numbers,
    moves: false,
    from: null,
    assigneeId: personId,
  });
}

async function livedIn({ db, now }: Call, placeId: string, day: number): Promise<boolean> {
  const place = (await db.place.one({ id: placeId }))!;
  if ((await noticeHours(db, place.propertyId, day)) === 0) return false;
  return (await tenancyOn(db, placeId, now)) !== undefined;
}

type Stop = Pick<Row<'roundStop'>, 'id' | 'visitId'>;

/** Whether any part of a visit is in the hands of whoever comes. */
async function anyInHand({ db }: Call, plan: OpenPlan, visit: KeptVisit): Promise<boolean> {
  const { placeId, personId, numbers } = namedOf(plan, visit);
  const points = await db.mark.all({ placeId, number: numbers }, { columns: ['pointId'] });
  const jobs = await db.job.all({ placeId, assigneeId: personId, state: ['given', 'started'] });
  const jobId = jobs.map(({ id }) => id);
  return (await db.task.count({ jobId, pointId: points.map(({ pointId }) => pointId), state: 'outstanding' })) > 0;
}

async function takeBack({ db }: Call, { id, visitId }: Stop): Promise<void> {
  await db.roundStop.remove({ id });
  if (visitId === null) return;
  await db.message.remove({ subjectId: visitId });
  await db.visit.remove({ id: visitId });
}

/** Writes a visit into somebody's round, and announces it where somebody lives there. */
async function announceOne(call: Call, plan: OpenPlan, visit: KeptVisit): Promise<Stop> {
  const { env, db, actor, now } = call;
  const { instance, parts } = plan.basis;
  const { placeId, personId, numbers } = namedOf(plan, visit);
  const day = dayIn(plan, visit);
  const round = plan.visits.filter((it) => it.worker === visit.worker && it.day === visit.day);
  const { from, until, back, over } = timetable(instance, round, await roundBegins(db, personId, day))[
    round.indexOf(visit)
  ]!;
  const visitId = (await livedIn(call, placeId, day)) ? env.newId() : null;
  if (visitId !== null) {
    const purpose = env.say
      .list([...new Set(visit.tasks.map((task) => env.say(`task.${parts[task]!.procedure}`)))])
      .slice(0, PURPOSE_CHARS);
    // They are told of the whole time, going back with it.
    const when = { day: isoFromDay(day), ...windowToTell(from, over), agreed: false };
    await createVisit(call, { id: visitId, placeId, personId, purpose, ...when });
  }
  const id = env.newId();
  await db.roundStop.insert({
    id,
    organisationId: actor.organisationId,
    personId,
    placeId,
    day,
    fromMinute: from,
    untilMinute: until,
    backMinute: back,
    overMinute: over,
    numbers: JSON.stringify(numbers),
    visitId,
    createdAt: now,
  });
  return { id, visitId };
}
