/** Turnover: ending a tenancy, the empty home on hold, and the list of what it wants before somebody moves in. */
import { dayFromIso, dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { habitsOf } from '../../core/catalogue/habits.ts';
import { readHistories } from '../due/history.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { shareUsed } from '../../core/due/line.ts';
import { turnoverTask } from '../../core/due/turnover.ts';
import type { EndTenancy, HoldPlace, TurnoverAnswer } from '../../contract/register.ts';
import { doneDayOf, lineOfMark } from '../../contract/due.ts';
import { holdOf } from '../due/hold.ts';
import { recompute, recomputeWork } from '../due/recompute.ts';
import type { Call } from '../env.ts';
import { fieldProblem, Problem } from '../http/problem.ts';
import { dropTask } from '../jobs/jobs.ts';
import { recordFact } from '../store/facts.ts';
import { findPlace, findProperty } from './places.ts';
import { machineName } from './names.ts';
import { endLinks, findTenancy, pointsOfPlace, tenancyOn } from './tenancies.ts';

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
      reason: say('hold.vacant'),
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

async function hold(
  call: Call,
  placeId: string,
  { until, from, reason }: { until: Day; from: Day; reason: string },
): Promise<void> {
  if (until < from) throw fieldProblem('holdUntil', 'field.past');
  if (until > from + LONGEST_HOLD) throw fieldProblem('holdUntil', 'field.holdLong');
  await recordFact(call, placeId, 'hold', { until, reason }, from);
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

export async function readTurnover(call: Call, placeId: string): Promise<TurnoverAnswer> {
  const {
    db,
    now,
    env: { say },
    actor: { organisationId },
  } = call;
  const place = await findPlace(call, placeId);
  const property = await findProperty(call, place.propertyId);
  const today = dayOfInstant(now, property.zone);
  const tenancy = await tenancyOn(db, placeId, now);
  const person = tenancy && (await db.person.one({ id: tenancy.personId }));
  const held = await holdOf(db, placeId, today);
  const marks = await db.mark.all({ placeId });
  const points = await db.point.all({ id: marks.map(({ pointId }) => pointId) }, { order: [['number', 'ASC']] });
  const machines = await db.machine.all({ placeId, retiredDay: null }, { order: [['createdAt', 'ASC']] });
  const tasks = await db.task.all({ pointId: points.map(({ id }) => id), state: ['outstanding', 'sent'] });
  const grants = await db.roleGrant.all({ organisationId, role: ['staff', 'manager'] });
  const staff = await db.person.all(
    { id: [...new Set(grants.map(({ personId }) => personId))] },
    { order: [['name', 'ASC']] },
  );
  const here = new Map(
    (
      await readHistories(
        db,
        points.map(({ id }) => id),
        now,
      )
    ).map((history) => [history.point.id, history.procedure]),
  );
  const described = machines.map((machine) => ({
    id: machine.id,
    name: machineName(say, machine),
    habits: habitsOf(machine.type).map(({ key }) => say(`habit.${key}`)),
    tasks: points
      .filter(({ machineId }) => machineId === machine.id)
      .flatMap((point) => {
        const { kind, safetyCritical, risk, minutes, level, key } = here.get(point.id)!;
        const mark = marks.find(({ pointId }) => pointId === point.id)!;
        const line = lineOfMark(mark);
        const doneDay = doneDayOf(mark);
        const share = shareUsed(line, { today, doneDay });
        const todo = turnoverTask({
          share,
          safetyCritical,
          riskWeight: riskWeight(risk),
          scheduled: mark.scheduled === 1,
        });
        if (todo === 'leave') return [];
        return [
          {
            pointId: point.id,
            number: point.number,
            name: say(`point.${key}`),
            kind,
            todo,
            minutes: todo === 'serve' ? minutes : 1,
            forTenants: level === 'T',
            says:
              share === undefined
                ? say('turnover.noRecord')
                : say(`turnover.${todo}`, { percent: Math.round(share * 100) }),
            taken: tasks.some(({ pointId }) => pointId === point.id) ? say('turnover.taken') : null,
          },
        ];
      }),
  }));
  return {
    place: { id: place.id, name: place.name, property: property.name },
    tenancy:
      tenancy && person
        ? { id: tenancy.id, name: person.name, to: tenancy.toDay === null ? null : isoFromDay(tenancy.toDay) }
        : null,
    hold: held && { until: isoFromDay(held.until), reason: held.reason },
    machines: described,
    minutes: described.flatMap(({ tasks: all }) => all).reduce((sum, { minutes }) => sum + minutes, 0),
    assignees: staff.map(({ id, name }) => ({ id, name })),
  };
}
