/** Who goes into homes, and how many minutes each of them has on each day. */
import { weekdayOf } from '../../core/calendar/civil.ts';
import type { Day } from '../../core/calendar/day.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';
import { busyMinutes } from './busy.ts';

/** Our assumption where nobody has entered the hours of staff. */
export const ASSUMED_HOURS = 35;

export interface WorkingPerson {
  readonly person: Row<'person'>;
  /** Hours a week that were taken for theirs; null where they are entered. */
  readonly assumed: number | null;
  readonly properties: readonly string[] | null;
  minutesOn(day: Day): number;
}

/** The weekdays on which somebody works, 0 is Monday, from `workDays` of their row. */
export const weekdaysOf = (workDays: number): number[] =>
  [0, 1, 2, 3, 4, 5, 6].filter((weekday) => (workDays >> weekday) & 1);

/**
 * Staff, and managers whose hours are entered, by name; those without any hour are among them, with none.
 * @param since days off that ended before are not read
 */
export async function workingPeople(db: Db, organisationId: string, since: Day): Promise<WorkingPerson[]> {
  const grants = await db.roleGrant.all({ organisationId, role: ['staff', 'manager'] });
  const people = await db.person.all(
    { id: [...new Set(grants.map(({ personId }) => personId))], disabledAt: null },
    { order: [['name', 'ASC']] },
  );
  const ids = people.map(({ id }) => id);
  const [off, limits, busy] = await Promise.all([
    db.dayOff.all({ personId: ids, toDay: above(since - 1) }),
    db.personProperty.all({ personId: ids }),
    busyMinutes(db, ids, since),
  ]);
  return people.flatMap((person) => {
    const isStaff = grants.some(({ personId, role }) => personId === person.id && role === 'staff');
    if (!isStaff && person.hoursAWeek === null) return [];
    const hours = person.hoursAWeek ?? ASSUMED_HOURS;
    const weekdays = weekdaysOf(person.workDays);
    const minutes = weekdays.length === 0 ? 0 : Math.floor((hours * 60) / weekdays.length);
    const theirs = off.filter(({ personId }) => personId === person.id);
    return [
      {
        person,
        assumed: person.hoursAWeek === null ? ASSUMED_HOURS : null,
        properties:
          person.limited === 1
            ? limits.filter(({ personId }) => personId === person.id).map(({ propertyId }) => propertyId)
            : null,
        minutesOn: (day: Day) =>
          weekdays.includes(weekdayOf(day)) && !theirs.some(({ fromDay, toDay }) => fromDay <= day && day <= toDay)
            ? Math.max(0, minutes - busy(person.id, day))
            : 0,
      },
    ];
  });
}
