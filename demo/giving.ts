/** The demo's office: it gives what is near its line by home lists, staff work by visits, and a morning's list. */
import { isoFromDay, type Day } from '../core/calendar/day.ts';
import { shareUsed } from '../core/due/line.ts';
import { joins } from '../core/due/riders.ts';
import { grouped } from '../core/statistics/grouped.ts';
import { seedOf } from '../core/statistics/random.ts';
import { lineOfMark } from '../contract/due/due.ts';
import type { Actor } from '../server/context/context.ts';
import { Problem } from '../server/context/problem.ts';
import { giveList } from '../server/jobs/lists.ts';
import { logRecord } from '../server/proof/records.ts';
import type { Db } from '../server/store/db.ts';
import type { Row } from '../server/store/tables.ts';
import { visitByContract } from './contractors.ts';
import { callAs, isResent, metOnBranch, RESENT, type PointLife, type World } from './world.ts';

/** Days before today in which the office falls a little behind, so that there is something to see. */
const BEHIND_DAYS = 12;

/** Technicians are over-booked in the first warm week of the year, which in Port Ellery is late May. */
function overbooked(day: Day): boolean {
  const [, month, date] = isoFromDay(day).split('-').map(Number);
  return month === 5 && date! >= 18;
}

/** As many points as one sitting of the demo takes, and hands-on minutes as one request of a tenant. */
const MOST = { tenant: 3, staff: 6, minutes: 45 };
/** Days before a line at which the office asks: staff, and a tenant beside the days that they usually take. */
const AHEAD = { staff: 6, tenant: 6 };

/** What a licence is wanted for, a contractor does in time; the office writes down what they left on paper. */
async function contract(
  world: World,
  db: Db,
  marks: ReadonlyMap<string, Row<'mark'>>,
  day: Day,
  now: number,
): Promise<void> {
  for (const it of world.lived) {
    const mark = marks.get(it.id);
    if (
      it.procedure.level !== 'licensed' ||
      !mark ||
      day < it.sinceDay ||
      mark.servedDay === 0 ||
      mark.servedDay + mark.intervalDays - day > AHEAD.staff
    )
      continue;
    await logRecord(callAs(world, db, world.cast.manager, now), {
      id: world.env.newId(),
      pointId: it.id,
      done: isoFromDay(day),
      grade: 'due',
      finds: [],
      note: 'By the gas fitter, on paper.',
      photoId: null,
    });
    it.load = 0;
  }
}

export async function give(world: World, db: Db, day: Day, now: number): Promise<void> {
  const marks = new Map((await db.mark.all({})).map((mark) => [mark.pointId, mark]));
  await contract(world, db, marks, day, now);
  await visitByContract(callAs(world, db, world.cast.manager, now), marks, { day, today: world.today });
  const behind = day > world.today - BEHIND_DAYS;
  for (const [, home] of grouped(world.lived, ({ placeName }) => placeName)) {
    for (const forTenant of [true, false]) {
      const theirs = home.filter((it) => {
        const mark = marks.get(it.id);
        return (
          mark &&
          !it.busy &&
          day >= it.sinceDay &&
          mark.servedDay > 0 &&
          it.procedure.level !== 'licensed' &&
          (it.procedure.level === 'tenant' && it.tenant !== null) === forTenant
        );
      });
      const urgent = theirs.filter((it) => {
        const mark = marks.get(it.id)!;
        if (isResent(it) && world.today - day < RESENT.reservedDays) return RESENT.daysAgo.includes(world.today - day);
        return (
          mark.scheduled === 1 &&
          mark.servedDay + mark.intervalDays - day <= (forTenant ? AHEAD.tenant + it.habits.delay : AHEAD.staff)
        );
      });
      const staged = urgent.some(isResent) && world.today - day < RESENT.reservedDays;
      if (urgent.length === 0 || (!staged && world.random() > (behind ? 0.5 : 0.85))) continue;
      await giveHome(
        world,
        db,
        { day, now, forTenant, staged },
        staged ? urgent.filter(isResent).map((it) => [it]) : sittingsOf(theirs, urgent, marks, day, forTenant),
      );
    }
  }
}

/**
 * What of a home is done now, machine by machine: what is near its line, and what would not be reached before the next
 * time.
 */
function sittingsOf(
  theirs: readonly PointLife[],
  urgent: readonly PointLife[],
  marks: ReadonlyMap<string, Row<'mark'>>,
  day: Day,
  forTenant: boolean,
): PointLife[][] {
  let minutes = 0;
  return [...grouped(theirs, ({ machineId }) => machineId).values()].flatMap((machine) => {
    const lead = machine.filter((it) => urgent.includes(it));
    if (lead.length === 0) return [];
    const again = day + Math.min(...lead.map(({ id }) => marks.get(id)!.intervalDays));
    const rest = machine.filter((it) => {
      const line = lineOfMark(marks.get(it.id)!);
      return (
        !lead.includes(it) &&
        !isResent(it) &&
        joins({ share: shareUsed(line, { today: day }), lineDay: line.lineDay }, again)
      );
    });
    const sitting = [...lead, ...rest].slice(0, forTenant ? MOST.tenant : MOST.staff);
    const own = sitting.reduce((sum, { procedure }) => sum + procedure.minutes, 0);
    if (forTenant && minutes > 0 && minutes + own > MOST.minutes) return [];
    minutes += own;
    return [sitting];
  });
}

interface Giving {
  readonly day: Day;
  readonly now: number;
  readonly forTenant: boolean;
  readonly staged: boolean;
}

/** Gives the sittings of one home as one list; what exceeds the tenant's budget goes to staff. */
async function giveHome(
  world: World,
  db: Db,
  { day, now, forTenant, staged }: Giving,
  sittings: readonly (readonly PointLife[])[],
): Promise<void> {
  const { cast, env, random } = world;
  const [first] = sittings[0]!;
  const staff = cast.staff[seedOf(first!.placeName) % cast.staff.length]!;
  const jobs = sittings.map((points) => ({ id: env.newId(), points }));
  const assign = (doer: Actor, some: typeof jobs) =>
    giveList(callAs(world, db, cast.manager, now), {
      id: env.newId(),
      assigneeId: doer.personId,
      sittings: some.map(({ id, points }) => ({ id, pointIds: points.map((it) => it.id) })),
    }).then(() => some.map((job) => ({ ...job, doer })));
  const beyondBudget = (error: unknown) => {
    if (!(error instanceof Problem) || error.key !== 'budget') throw error;
    return null;
  };
  const given = await (
    forTenant
      ? assign(first!.tenant!, jobs)
          .catch(beyondBudget)
          .then((all) => all ?? assign(staff, jobs))
      : assign(staff, jobs)
  ).catch(metOnBranch);
  for (const { id, points, doer } of given ?? []) {
    for (const it of points) it.busy = true;
    const tenantWork = doer !== staff;
    const staffMean = overbooked(day) ? 9 : 2;
    const mean = tenantWork ? first!.habits.delay : staffMean;
    const delay = staged
      ? 0
      : Math.max(0, Math.round(-Math.log(1 - random()) * mean)) +
        (tenantWork && random() < first!.habits.lapse / 2 ? 10 : 0);
    world.pending.push({ jobId: id, points, doer, doOn: day + delay });
  }
}

/**
 * The morning's list for staff, so that whoever signs in as one has something to do: two machines of the home that is
 * nearest its line.
 */
export async function giveRound(world: World, db: Db, day: Day, now: number): Promise<void> {
  const marks = new Map((await db.mark.all({})).map((mark) => [mark.pointId, mark]));
  const left = ({ id }: PointLife) => marks.get(id)!.servedDay + marks.get(id)!.intervalDays - day;
  for (const [i, person] of world.cast.staff.entries()) {
    const free = world.lived
      .filter(
        (it) =>
          it.procedure.level === 'staff' &&
          !it.busy &&
          marks.get(it.id)!.servedDay > 0 &&
          marks.get(it.id)!.scheduled === 1 &&
          seedOf(it.placeName) % world.cast.staff.length === i,
      )
      .sort((a, b) => left(a) - left(b));
    const machines = [
      ...grouped(
        free.filter(({ placeName }) => placeName === free[0]!.placeName),
        ({ machineId }) => machineId,
      ).values(),
    ]
      .slice(0, 2)
      .map((points) => points.slice(0, 2));
    for (const it of machines.flat()) it.busy = true;
    await giveList(callAs(world, db, world.cast.manager, now), {
      id: world.env.newId(),
      assigneeId: person.personId,
      sittings: machines.map((points) => ({ id: world.env.newId(), pointIds: points.map(({ id }) => id) })),
    }).catch(metOnBranch);
  }
}
