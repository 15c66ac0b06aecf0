/** Turnover: ending a tenancy, the empty home on hold, and the list of what it wants before somebody moves in. */
import { dayFromIso, dayOfInstant, type Day } from '../../core/calendar/day.ts';
import type { EndTenancy, HeldPlaces, HoldPlace, HoldPlaces } from '../../contract/register/register.ts';
import { recompute, recomputeWork } from '../due/recompute.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { fieldProblem, Problem } from '../context/problem.ts';
import { dropTask } from '../jobs/jobs.ts';
import { recordFact } from '../store/facts.ts';
import { endLinks } from './tenancies.ts';
import { holdOf } from '../lookup/hold.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { findTenancy, pointsOfPlace } from '../lookup/tenancies.ts';
import { findPlace, findProperty } from '../lookup/places.ts';

const LONGEST_HOLD = 400;

/**
 * Ends a tenancy with a day. Its links go with that day, what the tenant still had in hand goes back to the
 * office, and the home may stand on hold until a review.
 */
export async function endTenancy(call: Call, id: string, { last, holdUntil }: EndTenancy): Promise<object> {
  const {
    db,
    now,
    env: { say },
  } = call;
  const tenancy = await findTenancy(call, id);
  const place = await findPlace(call, tenancy.placeId);
  const { zone } = await findProperty(call, place.propertyId);
  const today = dayOfInstant(now, zone);
  const toDay = dayFromIso(last);
  if (tenancy.toDay !== null && tenancy.toDay < today)
    throw new Problem(409, 'tenancyEnded', { day: say.day(tenancy.toDay) });
  if (toDay < tenancy.fromDay) throw fieldProblem('last', 'field.beforeStart');
  const next = (await db.tenancy.all({ placeId: place.id }, { order: [['fromDay', 'ASC']] })).find(
    ({ fromDay }) => fromDay > tenancy.fromDay,
  );
  if (next && next.fromDay <= toDay) throw fieldProblem('last', 'field.overlaps');
  await db.tenancy.update({ id }, { toDay });
  await endLinks(db, id, toDay, zone, now);
  if (toDay < today) await takeBack(call, tenancy.personId);
  if (holdUntil)
    await hold(call, place.id, {
      until: dayFromIso(holdUntil),
      from: Math.max(today, toDay + 1),
      reason: houseVoice(call)('hold.vacant'),
    });
  await recompute(db, await pointsOfPlace(db, place.id), now);
  return {};
}

/** Jobs that somebody who is gone still had in hand. */
export async function takeBack(call: Call, personId: string): Promise<void> {
  const { db } = call;
  for (const job of await db.job.all({ assigneeId: personId, state: ['given', 'started', 'awaitingTest'] })) {
    const tasks = await db.task.all({ jobId: job.id, state: 'outstanding' });
    for (const { pointId } of tasks) await dropTask(call, pointId);
    await recomputeWork(
      db,
      tasks.map(({ pointId }) => pointId),
      call.now,
    );
  }
}

/** Puts a place on hold from one day until another. */
export async function hold(
  call: Call,
  placeId: string,
  { until, from, reason }: { until: Day; from: Day; reason: string },
): Promise<void> {
  if (until < from) throw fieldProblem('holdUntil', 'field.past');
  if (until > from + LONGEST_HOLD) throw fieldProblem('holdUntil', 'field.holdLong');
  await recordFact(call, placeId, 'hold', { until, reason }, from);
}

/**
 * Puts homes on hold until a day, or takes them off it. One that is on hold already keeps its own day.
 * @throws Problem: what is not there or not theirs (404), a day that cannot be (422)
 */
export async function holdPlaces(call: Call, { placeIds, until, reason }: HoldPlaces): Promise<HeldPlaces> {
  const {
    db,
    now,
    env: { say },
  } = call;
  const held: string[] = [];
  const left: { placeId: string; place: string; says: string }[] = [];
  for (const placeId of placeIds) {
    const { name: place } = await findPlace(call, placeId);
    const before = await holdOf(db, placeId, dayOfInstant(now, await zoneOfPlace(db, placeId)));
    if ((before !== null) === (until !== null)) {
      const says = before ? say('many.onHold', { day: say.day(before.until) }) : say('many.notOnHold');
      left.push({ placeId, place, says });
      continue;
    }
    await holdPlace(call, placeId, { until, reason });
    held.push(placeId);
  }
  return { held, left };
}

/** Puts a home on hold until a day, or takes it off. */
export async function holdPlace(call: Call, placeId: string, { until, reason }: HoldPlace): Promise<object> {
  const { db, now } = call;
  const place = await findPlace(call, placeId);
  const { zone } = await findProperty(call, place.propertyId);
  const today = dayOfInstant(now, zone);
  if (until === null) await recordFact(call, placeId, 'hold', null, today);
  else {
    const day = dayFromIso(until);
    if (day <= today) throw fieldProblem('until', 'field.past');
    if (day > today + LONGEST_HOLD) throw fieldProblem('until', 'field.holdLong');
    await recordFact(call, placeId, 'hold', { until: day, reason }, today);
  }
  await recompute(db, await pointsOfPlace(db, placeId), now);
  return {};
}
