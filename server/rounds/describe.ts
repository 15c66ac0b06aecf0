/** A plan as its page shows it: every visit with its reason, what has no place with the cheapest remedy, all counted. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import { goesTo, type Instance } from '../../core/rounds/instance.ts';
import { lineIn, planFigures, roundOf, stopOf } from '../../core/rounds/figures.ts';
import { laidOut, leadOf, roundKey, whyLeftOut } from '../../core/rounds/reasons.ts';
import { brokenRules, type BrokenRule } from '../../core/rounds/rules.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Plan, PlanPart, PlanVisitAnswer } from '../../contract/rounds/rounds.ts';
import type { Call } from '../context/context.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import type { KeptVisit, OpenPlan } from './keptPlan.ts';

/** Parts without a place that are named one by one; the others are counted. */
const NAMED_MOST = 200;

/** Whether each property has one person who goes there, and not all of them the same one. */
function hasPatches({ homes, workers }: Instance): boolean {
  const atWork = workers.filter(({ minutes }) => minutes.some((of) => of > 0));
  const goers = [...new Set(homes.map(({ propertyId }) => propertyId))].map((id) =>
    atWork.filter((worker) => goesTo(worker, id)),
  );
  return atWork.length > 1 && goers.every((its) => its.length === 1);
}

/** The plan with its reasons; visits and days of one week of it, counted from 0. */
export async function describePlan(call: Call, { row, basis, visits }: OpenPlan, week: number): Promise<Plan> {
  const { db, env, actor, now } = call;
  const { say } = env;
  const { instance, parts } = basis;
  const names = await namesOf(
    db,
    instance.workers.map(({ id }) => id),
  );
  const places = new Map((await db.place.all({ organisationId: actor.organisationId })).map((it) => [it.id, it]));
  const properties = new Map(
    (await db.property.all({ organisationId: actor.organisationId })).map((it) => [it.id, it]),
  );
  const placeOf = (home: number): string => {
    const place = places.get(instance.homes[home]!.id);
    return place ? placeInFull(place, properties.get(place.propertyId)!) : say('story.someone');
  };
  const nameOf = (worker: number) => names.get(instance.workers[worker]!.id) ?? say('story.someone');
  const plan = laidOut(visits);
  const today = dayOfInstant(now, row.zone);
  const { days, rounds } = plan;
  const dayWords = (day: number) => say.day(row.fromDay + day);
  const partOf = (task: number): PlanPart => {
    const { number, procedure, machineType: type, label } = parts[task]!;
    const line = lineIn(instance, days, task) ?? instance.tasks[task]!.line;
    const { minutes, finish } = instance.tasks[task]!;
    return {
      number,
      says: say('standing.part', { part: say(`point.${procedure}`), machine: machineName(say, { label, type }) }),
      minutes: minutes + finish,
      line: isoFromDay(row.fromDay + line),
      daysPast: (days.get(task) ?? instance.days) - line,
    };
  };
  const broken = grouped(brokenRules(instance, visits), ({ visit }) => String(visit));
  const brokenWords = ({ rule, task, over }: BrokenRule) => ({
    rule,
    says: say('rounds.broken', { rule, part: task === null ? 'none' : partOf(task).says, minutes: over ?? 0 }),
  });
  const figures = planFigures(instance, visits);
  const why = (visit: KeptVisit): string => {
    const lead = leadOf(instance, days, visit);
    const line = lineIn(instance, days, lead) ?? 0;
    const byHand = visit.pinned ? 'pinned' : 'lead';
    return say('rounds.why', {
      why: visit.takenOver ? 'takenOver' : byHand,
      part: partOf(lead).says,
      line: dayWords(line),
      others: visit.tasks.length - 1,
      late: Math.max(0, visit.day - line),
      unliked: String(instance.homes[visit.home]!.unliked.has(visit.day)),
    });
  };
  const from = Math.min(week * 7, instance.days - 7);
  const described = [...visits.entries()].filter(([, { day }]) => day >= from && day < from + 7);
  const inWeek = described.map(([i, visit]): PlanVisitAnswer => {
    const { starts, others, wait, finish } = stopOf(instance, visit);
    return {
      visit: visit.id,
      personId: instance.workers[visit.worker]!.id,
      placeId: instance.homes[visit.home]!.id,
      place: placeOf(visit.home),
      propertyId: instance.homes[visit.home]!.propertyId,
      property: properties.get(instance.homes[visit.home]!.propertyId)?.name ?? '',
      day: isoFromDay(row.fromDay + visit.day),
      minutes: instance.door + starts + Math.max(others, wait) + finish,
      pinned: visit.pinned,
      takenOver: visit.takenOver,
      parts: visit.tasks.map(partOf),
      why: why(visit),
      broken: (broken.get(String(i)) ?? []).map(brokenWords),
    };
  });
  const leftOut = figures.leftOut.slice(0, NAMED_MOST).map((task) => {
    const { reason, nearest } = whyLeftOut(instance, plan, task);
    const remedy = say('rounds.remedy', {
      reason,
      person: nearest ? nameOf(nearest.worker) : 'none',
      day: nearest ? dayWords(nearest.day) : '',
      over: Math.max(0, nearest?.over ?? 0),
      door: String(nearest?.newDoor ?? false),
    });
    return {
      part: partOf(task),
      place: placeOf(instance.tasks[task]!.home),
      reason,
      says: say('rounds.left', { reason }),
      remedy,
    };
  });
  return {
    revision: row.revision,
    madeAt: row.madeAt,
    zone: row.zone,
    from: isoFromDay(row.fromDay),
    days: instance.days,
    people: instance.workers.map(({ id, minutes }, worker) => ({
      id,
      name: nameOf(worker),
      assumed: basis.assumed[worker]!,
      days: minutes
        .slice(from, from + 7)
        .map((had, i) => ({
          had,
          used: roundOf(instance, worker, rounds.get(roundKey(worker, from + i)) ?? []).minutes,
        })),
    })),
    week: from / 7,
    visits: inWeek,
    leftOut,
    costs: { doors: figures.doors, hours: figures.minutes / 60, pastRisk: figures.pastRisk, thrown: figures.thrown },
    alone: basis.alone,
    fewestDoors: basis.fewestDoors,
    unliked: figures.unliked,
    patches: hasPatches(instance),
    tenants: basis.tenants.map(({ placeId, parts: many, lineDay, lead }) => {
      const place = places.get(placeId);
      const name = place ? placeInFull(place, properties.get(place.propertyId)!) : say('story.someone');
      const askBy = lead === null ? null : lineDay - lead;
      return {
        placeId,
        place: name,
        parts: many,
        askBy: askBy === null ? null : isoFromDay(askBy),
        late: askBy !== null && askBy < today,
      };
    }),
    counted: {
      ...basis.counted,
      inPlan: new Set(visits.flatMap(({ tasks }) => tasks.map((task) => parts[task]!.number))).size,
    },
    leftOutCount: figures.leftOut.length,
  };
}
