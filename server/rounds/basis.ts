/** What a plan is made from, as the register stands: people and their days, homes, and every part with its window. */
import { weekdayOf } from '../../core/calendar/civil.ts';
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { apart, certainAgents } from '../../core/catalogue/chemistry.ts';
import { AGENTS, riskWeight, type Agent, type Procedure } from '../../core/catalogue/types.ts';
import { PRACTISED } from '../../core/due/burden.ts';
import { WINDOW_OPENS } from '../../core/due/line.ts';
import { JOIN_SHARE } from '../../core/due/riders.ts';
import { earliestEntry } from '../../core/notices/entry.ts';
import { tellableFrom } from '../../core/notices/telling.ts';
import { aloneFigures } from '../../core/rounds/alone.ts';
import { fewestDoors } from '../../core/rounds/bound.ts';
import {
  BETWEEN_MINUTES,
  DOOR_MINUTES,
  WEIGHTS,
  windowOf,
  type Instance,
  type PlanHome,
  type Task,
} from '../../core/rounds/instance.ts';
import type { AnswerBelief } from '../../core/notices/answering.ts';
import { askingLead } from '../../core/notices/asking.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { lineOfMark, WORK } from '../../contract/due/due.ts';
import type { NotInPlan, PlanCosts } from '../../contract/rounds/rounds.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { readHistories } from '../due/history.ts';
import { windowOfMark } from '../notices/ahead.ts';
import { beliefsIn } from '../notices/answers.ts';
import { noticeHours } from '../jobs/entry.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';
import { firstZone } from '../lookup/zone.ts';
import { askingRuleOf } from '../notices/planning.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { forTenants, type Due } from './forTenants.ts';
import { workingPeople } from './workers.ts';
import { OPEN } from './workingTime.ts';

/** Parts read between two turns of the event loop. */
const CHUNK = 500;

export interface BasisPart {
  readonly number: number;
  readonly procedure: string;
  readonly machineId: string;
  readonly machineType: string;
  readonly label: string;
}

/** What a household would be asked for. */
export interface AskedOfTenant {
  readonly placeId: string;
  readonly parts: number;
  /** The first line among them. */
  readonly lineDay: Day;
  /** Days before it by which they are to be asked, as they answer; null where they hardly answer at all. */
  readonly lead: number | null;
}

export interface Basis {
  /** Sets of days are written as lists. */
  readonly instance: Instance;
  /** Of each task. */
  readonly parts: readonly BasisPart[];
  /** Hours a week that were assumed, of each worker. */
  readonly assumed: readonly (number | null)[];
  readonly alone: PlanCosts;
  readonly fewestDoors: number;
  readonly tenants: readonly AskedOfTenant[];
  readonly counted: NotInPlan;
}

/** The basis of a plan from this week on, for some weeks. */
export async function readBasis(call: Call, weeks: number): Promise<{ basis: Basis; fromDay: Day; zone: string }> {
  const { db, now, actor } = call;
  const { organisationId } = actor;
  const { zone, today } = await firstZone(call);
  const tomorrow = today + 1;
  const people = await workingPeople(db, organisationId, tomorrow);
  const days = weeks * 7;
  // From the Monday of the first week in which anybody works; the days before tomorrow are over.
  const first = [...Array(days).keys()].find((i) => people.some((it) => it.minutesOn(tomorrow + i) > 0)) ?? 0;
  const fromDay = tomorrow + first - weekdayOf(tomorrow + first);
  const workers = people.map(({ person, properties, minutesOn }) => ({
    id: person.id,
    minutes: Array.from({ length: days }, (_, i) => (fromDay + i < tomorrow ? 0 : minutesOn(fromDay + i))),
    licensed: person.level === 'licensed',
    base: person.basePropertyId,
    properties,
  }));
  const places = await inWalkingOrder(db, organisationId);
  const tenancies = await db.tenancy.all({ organisationId });
  const lived = new Map(tenancies.filter((it) => tenancyDuring(it, tomorrow)).map((it) => [it.placeId, it]));
  const homes = await homesOf(call, places, { fromDay, tomorrow, days, lived });
  const homeOf = new Map(homes.map(({ id }, i) => [id, i]));
  const marks = (await db.mark.all({ organisationId })).filter(({ placeId }) => homeOf.has(placeId));
  const held = await inHand(call);
  const { near, ...aside } = whatComes(marks, held, fromDay + days);
  const counted = { ...aside, forTenants: 0, licensed: 0 };
  const machines = new Map((await db.machine.all({ organisationId })).map((machine) => [machine.id, machine]));
  const markOf = new Map(near.map((mark) => [mark.pointId, mark]));
  const due: Due[] = [];
  const breathe = breather();
  for (let i = 0; i < near.length; i += CHUNK) {
    const ids = near.slice(i, i + CHUNK).map(({ pointId }) => pointId);
    for (const history of await readHistories(db, ids, now)) {
      const mark = markOf.get(history.point.id)!;
      if (history.retired) continue;
      due.push({ history, mark, machine: machines.get(history.machineId)!, lineDay: lineOfMark(mark).lineDay });
    }
    await breathe();
  }
  due.sort((a, b) => a.lineDay - b.lineDay || a.mark.number - b.mark.number);
  const beliefOf = await beliefsIn(call.env, organisationId);
  const theirs = await forTenants(call, due, lived, fromDay, beliefOf);
  counted.forTenants = theirs.size;
  const anyLicence = workers.some(({ licensed }) => licensed);
  const [tasks, parts]: [Task[], BasisPart[]] = [[], []];
  for (const it of due) {
    if (theirs.has(it.mark.pointId)) continue;
    const { level, kind } = it.history.procedure;
    if (kind === 'visit' || (level === 'licensed' && !anyLicence)) {
      counted.licensed += 1;
      continue;
    }
    const holder = held.get(it.mark.pointId);
    const only = holder ? workers.findIndex(({ id }) => id === holder) : -1;
    const task = taskOf(it, { home: homeOf.get(it.mark.placeId)!, fromDay, only: only < 0 ? null : only });
    const part = partOf(it);
    // Each later service counts from a share of its interval after the one before: as soon as that, it may be due again.
    const soonest = task.interval - windowOf(task);
    for (let k = 0; k === 0 || Math.max(0, task.line) + k * soonest < days; k += 1) {
      const later = { opens: task.opens + k * task.interval, line: task.line + k * task.interval };
      const follows = { after: k === 0 ? null : tasks.length - 1, only: k === 0 ? task.only : null };
      tasks.push({ ...task, ...later, ...follows, id: `${it.mark.number}.${k}` });
      parts.push(part);
    }
  }
  const instance: Instance = {
    days,
    workers,
    homes,
    tasks,
    door: DOOR_MINUTES,
    between: BETWEEN_MINUTES,
    clashes: CLASHES,
    weights: WEIGHTS,
  };
  const alone = aloneFigures(instance, (task) => parts[task]!.machineId);
  return {
    fromDay,
    zone,
    basis: {
      instance,
      parts,
      assumed: people.map(({ assumed }) => assumed),
      alone: { doors: alone.doors, hours: alone.minutes / 60, pastRisk: alone.pastRisk, thrown: alone.thrown },
      fewestDoors: fewestDoors(instance).reduce((sum, it) => sum + it, 0),
      tenants: askedOf(
        due.filter(({ mark }) => theirs.has(mark.pointId)),
        lived,
        beliefOf,
      ),
      counted,
    },
  };
}

/** What each household would be asked for, and how early: first whom to ask first. */
function askedOf(
  due: readonly Due[],
  lived: ReadonlyMap<string, Row<'tenancy'>>,
  beliefOf: (personId: string) => AnswerBelief,
): AskedOfTenant[] {
  const found = [...grouped(due, ({ mark }) => mark.placeId)].map(([placeId, its]): AskedOfTenant => {
    const belief = beliefOf(lived.get(placeId)!.personId);
    const lineDay = Math.min(...its.map((it) => it.lineDay));
    // The day on which *Asked* has it, too.
    const days = its.flatMap((it) => {
      const { fit, lead } = askingLead(belief, windowOfMark(it.mark));
      return fit === 'staff' ? [] : [it.lineDay - lead];
    });
    return { placeId, parts: its.length, lineDay, lead: days.length > 0 ? lineDay - Math.min(...days) : null };
  });
  const askDay = ({ lineDay, lead }: AskedOfTenant) => lineDay - (lead ?? 0);
  return found.sort((a, b) => askDay(a) - askDay(b));
}

/** Parts whose line comes before a day, and how many are not for the plan, by why. */
function whatComes(marks: readonly Row<'mark'>[], held: ReadonlyMap<string, string | null>, end: Day) {
  const counts = { noRecord: 0, onHold: 0, later: 0, awaiting: 0, withTenants: 0 };
  const near = marks.filter((mark) => {
    const { servedDay, lineDay } = lineOfMark(mark);
    if (mark.work === WORK.onHold) counts.onHold += 1;
    else if (servedDay === null) counts.noRecord += 1;
    else if (mark.work > WORK.given) counts.awaiting += 1;
    else if (mark.work === WORK.given && held.get(mark.pointId) === null) counts.withTenants += 1;
    else if (lineDay >= end) counts.later += 1;
    else return true;
    return false;
  });
  return { ...counts, near };
}

/** Agents that must never meet, as pairs. */
const CLASHES = AGENTS.flatMap((one, i) =>
  AGENTS.slice(i + 1).flatMap((other): [Agent, Agent][] =>
    apart(one, other)?.apart === 'never' ? [[one, other]] : [],
  ),
);

/** Whose hands each part is in that somebody was given: null is a tenant's, or that of a trade. */
async function inHand({ db, actor: { organisationId } }: Call): Promise<Map<string, string | null>> {
  const jobs = await db.job.all({ organisationId, state: 'given' });
  const grants = await db.roleGrant.all({ organisationId, role: ['staff', 'manager'] });
  const office = new Set(grants.map(({ personId }) => personId));
  const tasks = await db.task.all({ jobId: jobs.map(({ id }) => id), state: 'outstanding' });
  const by = new Map(jobs.map(({ id, assigneeId }) => [id, assigneeId]));
  return new Map(
    tasks.map(({ pointId, jobId }) => {
      const holder = by.get(jobId) ?? null;
      return [pointId, holder !== null && office.has(holder) ? holder : null];
    }),
  );
}

interface Lived {
  readonly fromDay: Day;
  readonly tomorrow: Day;
  readonly days: number;
  readonly lived: ReadonlyMap<string, unknown>;
}

/** Homes as they are walked: one property after the other, each in its own order. */
async function inWalkingOrder(db: Call['db'], organisationId: string): Promise<Row<'place'>[]> {
  const properties = await db.property.all({ organisationId }, { order: [['sort', 'ASC']] });
  const rank = new Map(properties.map(({ id }, i) => [id, i]));
  const places = await db.place.all({ organisationId }, { order: [['sort', 'ASC']] });
  return places.sort((a, b) => rank.get(a.propertyId)! - rank.get(b.propertyId)! || a.sort - b.sort);
}

/** Homes with the first day that notice allows, and their days without entry. */
async function homesOf(call: Call, places: readonly Row<'place'>[], { fromDay, tomorrow, days, lived }: Lived) {
  const { db, now, actor } = call;
  const rule = await askingRuleOf(db, actor.organisationId);
  const access = await factsOf(
    db,
    places.map(({ id }) => id),
    'access',
  );
  const accessOf = grouped(access, ({ subjectId }) => subjectId);
  const properties = await db.property.all({ organisationId: actor.organisationId });
  const firstOf = new Map<string, number>();
  for (const { id, zone } of properties) {
    const hours = await noticeHours(db, id, dayOfInstant(now, zone));
    const earliest = dayOfInstant(earliestEntry(tellableFrom(now, rule, zone), hours), zone);
    // The whole day is to be free to come in.
    firstOf.set(id, hours === 0 ? 0 : Math.max(0, earliest + 1 - fromDay));
  }
  return places.map(({ id, propertyId }): PlanHome => {
    const { closed, liked, half } = { ...OPEN, ...inForce(accessOf.get(id) ?? [], tomorrow)?.value };
    const daysThat = (so: (weekday: number) => boolean) =>
      new Set([...Array(days).keys()].filter((day) => so(weekdayOf(fromDay + day))));
    return {
      id,
      propertyId,
      firstDay: lived.has(id) ? firstOf.get(propertyId)! : 0,
      closed: daysThat((it) => closed.includes(it)),
      unliked: daysThat((it) => liked.length > 0 && !liked.includes(it)),
      half: half === 'any' ? null : half,
    };
  });
}

interface InPlan {
  readonly home: number;
  readonly fromDay: Day;
  readonly only: number | null;
}

function taskOf({ history, mark, machine, lineDay }: Due, { home, fromDay, only }: InPlan): Omit<Task, 'id' | 'after'> {
  const { procedure, turn } = history;
  const { before, wait, after } = workOf(procedure);
  const interval = Math.max(1, mark.intervalDays);
  const line = lineDay - fromDay;
  const share = mark.scheduled === 1 ? WINDOW_OPENS : JOIN_SHARE;
  return {
    home,
    licensed: procedure.level === 'licensed',
    opens: line - Math.floor(interval * (1 - share)),
    line,
    interval,
    minutes: before,
    wait,
    finish: after,
    risk: riskWeight(procedure.risk),
    agent: certainAgents(procedure, turn)[0] ?? null,
    branch: machine.drainBranch === '' ? machine.id : `${history.propertyId} ${machine.drainBranch}`,
    only,
  };
}

/** Hands-on minutes of somebody practised before and after a procedure's waits, and the waits. */
export function workOf({ steps, minutes }: Pick<Procedure, 'steps' | 'minutes'>) {
  const waits = steps.map(({ needs }) =>
    needs.reduce((sum, need) => sum + (need.kind === 'timer' ? need.minutes : 0), 0),
  );
  const hands = Math.max(1, Math.ceil(minutes * PRACTISED));
  const last = waits.findLastIndex((wait) => wait > 0);
  if (last < 0) return { before: hands, wait: 0, after: 0 };
  const after = Math.floor((hands * (steps.length - 1 - last)) / steps.length);
  return { before: hands - after, wait: Math.ceil(waits.reduce((sum, wait) => sum + wait, 0)), after };
}

const partOf = ({ history, mark, machine }: Due): BasisPart => ({
  number: mark.number,
  procedure: history.procedure.key,
  machineId: machine.id,
  machineType: machine.type,
  label: machine.label,
});
