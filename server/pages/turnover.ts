/** What a home wants before somebody moves in. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { habitsOf } from '../../core/catalogue/habits.ts';
import { readHistories } from '../due/history.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { shareUsed } from '../../core/due/line.ts';
import { turnoverTask } from '../../core/due/turnover.ts';
import type { TurnoverAnswer } from '../../contract/pages/place.ts';
import { doneDayOf, lineOfMark } from '../../contract/due/due.ts';
import { holdOf } from '../lookup/hold.ts';
import type { Call } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { findPlace, findProperty } from '../lookup/places.ts';

/**
 * What a home wants before somebody moves in.
 * @throws Problem: what is not there or not theirs (404)
 */
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
            forTenants: level === 'tenant',
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
