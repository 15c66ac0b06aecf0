/** The plan of an office: made aside, kept as it is, shaped by hand, read with all that follows from it. */
import { dayFromIso } from '../../core/calendar/day.ts';
import type { Instance, PlanVisit } from '../../core/rounds/instance.ts';
import type { MakePlan, PlanAnswer, PlanWeek, ShapePlan } from '../../contract/rounds/rounds.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { fieldProblem, notFound, Problem } from '../context/problem.ts';
import { numbersOfStop, stopsToCome } from './stops.ts';
import type { Row } from '../store/tables.ts';
import { planAside } from './aside.ts';
import { readBasis } from './basis.ts';
import { describePlan } from './describe.ts';
import { openPlan, written, type KeptVisit, type OpenPlan } from './keptPlan.ts';
import { workingPeople } from './workers.ts';

interface Prepared extends MakePlan {
  readonly plan: Omit<Row<'plan'>, 'id' | 'revision'>;
}

/** The plan of the office, with every reason. */
export async function readPlan(call: Call, { week }: PlanWeek): Promise<PlanAnswer> {
  const { db, actor } = call;
  const plan = await openPlan(call);
  return {
    plan: plan ? await describePlan(call, plan, week) : null,
    homes: await db.place.count({ organisationId: actor.organisationId, kind: 'unit' }),
    workers: (await workingPeople(db, actor.organisationId, 0)).length,
  };
}

/** Works a plan out, before the write that keeps it: what was moved by hand or taken over stays where it is. */
export async function preparePlan(
  form: MakePlan,
  { env, actor, gone }: { readonly env: Env; readonly actor: Actor; readonly gone: AbortSignal },
): Promise<Prepared> {
  const { db } = env.store;
  const { weeks, keep } = form;
  const call: Call = { env, db, actor, now: env.clock() };
  const [{ basis, fromDay, zone }, before] = await Promise.all([readBasis(call, weeks), openPlan(call)]);
  const staying = [
    ...(await takenOver(call, basis.instance, fromDay)),
    ...(before && keep ? stays(before, basis.instance, fromDay) : []),
  ];
  const visits = await env.progress.during(actor.personId, 'plan', (tell) =>
    planAside(basis.instance, staying, { tell, signal: gone }),
  );
  const over = new Set(staying.filter((it) => it.takenOver).map((it) => keyOf(it)));
  const kept = visits.map((visit, id): KeptVisit => ({ ...visit, id, takenOver: over.has(keyOf(visit)) }));
  const { organisationId, personId: madeBy } = actor;
  const plan = { organisationId, madeBy, madeAt: call.now, zone, fromDay };
  return { ...form, plan: { ...plan, basis: written(basis), visits: JSON.stringify(kept) } };
}

const keyOf = ({ home, worker, day }: PlanVisit): string => `${home} ${worker} ${day}`;

const placesIn = (of: readonly { readonly id: string }[]): ReadonlyMap<string, number> =>
  new Map(of.map(({ id }, i) => [id, i]));

/** What stands in somebody's round to come, whatever plan it came from, in the terms of a plan. */
async function takenOver(call: Call, instance: Instance, fromDay: number): Promise<KeptVisit[]> {
  const [homes, workers, tasks] = [placesIn(instance.homes), placesIn(instance.workers), placesIn(instance.tasks)];
  return (await stopsToCome(call, fromDay)).flatMap((stop, i) => {
    const { placeId, personId, day: on } = stop;
    const [home, worker, day] = [homes.get(placeId), workers.get(personId), on - fromDay];
    const its = numbersOfStop(stop).flatMap((number) => tasks.get(`${number}.0`) ?? []);
    const there = home !== undefined && worker !== undefined && day < instance.days && its.length > 0;
    if (!there) return [];
    return [{ id: i, home, worker, day, tasks: its.sort((a, b) => a - b), pinned: true, takenOver: true }];
  });
}

/** What was moved by hand in the plan before, in the terms of the new one; what is not due any more has left it. */
function stays({ row, basis, visits }: OpenPlan, instance: Instance, fromDay: number): KeptVisit[] {
  const [homes, workers, tasks] = [placesIn(instance.homes), placesIn(instance.workers), placesIn(instance.tasks)];
  return visits.flatMap((visit) => {
    if (visit.takenOver || !visit.pinned) return [];
    const home = homes.get(basis.instance.homes[visit.home]!.id);
    const worker = workers.get(basis.instance.workers[visit.worker]!.id);
    const day = row.fromDay + visit.day - fromDay;
    const its = visit.tasks.flatMap((task) => tasks.get(basis.instance.tasks[task]!.id) ?? []);
    const there = home !== undefined && worker !== undefined && day >= 0 && day < instance.days && its.length > 0;
    return there ? [{ ...visit, home, worker, day, tasks: its, pinned: true }] : [];
  });
}

/** Keeps a plan that was worked out. */
export async function keepPlan(call: Call, { plan }: Prepared): Promise<PlanAnswer> {
  const { db, env, actor } = call;
  const before = await db.plan.one({ organisationId: actor.organisationId });
  if (before) await db.plan.update({ id: before.id }, { ...plan, revision: before.revision + 1 });
  else await db.plan.insert({ ...plan, id: env.newId(), revision: 1 });
  return readPlan(call, { week: 0 });
}

/** @throws Problem: notFound (404) where none was made, planChanged (409) where somebody else has changed it meanwhile */
export async function planAt(call: Call, revision: number): Promise<OpenPlan> {
  const plan = await openPlan(call);
  if (!plan) throw notFound();
  if (plan.row.revision !== revision) throw new Problem(409, 'planChanged');
  return plan;
}

/** Keeps the visits of a plan after a change. */
export async function keepVisits({ db }: Call, { row }: OpenPlan, visits: readonly KeptVisit[]): Promise<void> {
  await db.plan.update({ id: row.id }, { visits: JSON.stringify(visits), revision: row.revision + 1 });
}

/**
 * Moves, pins, frees, splits a visit or takes it out; what is moved by hand stays there. Rules that it breaks are shown,
 * and keep nobody from it.
 * @throws Problem: notFound (404), planChanged, takenOver (409), fields (422)
 */
export async function shapePlan(call: Call, form: ShapePlan): Promise<PlanAnswer> {
  const plan = await planAt(call, form.revision);
  const visit = plan.visits.find(({ id }) => id === form.visit);
  if (!visit) throw notFound();
  if (visit.takenOver) throw new Problem(409, 'takenOver');
  await keepVisits(call, plan, shaped(plan, visit, form));
  return readPlan(call, form);
}

function shaped({ row, basis, visits }: OpenPlan, visit: KeptVisit, form: ShapePlan): KeptVisit[] {
  const others = visits.filter(({ id }) => id !== visit.id);
  const { shape } = form;
  if (shape === 'out') return others;
  if (shape === 'pin' || shape === 'free') return [...others, { ...visit, pinned: shape === 'pin' }];
  const worker = basis.instance.workers.findIndex(({ id }) => id === form.personId);
  if (worker < 0) throw fieldProblem('personId', 'field.oneOf');
  const day = form.day === null ? visit.day : dayFromIso(form.day) - row.fromDay;
  if (day < 0 || day >= basis.instance.days) throw fieldProblem('day', 'field.outsidePlan');
  const gone =
    shape === 'split' ? visit.tasks.filter((task) => form.parts.includes(basis.parts[task]!.number)) : visit.tasks;
  if (gone.length === 0) throw fieldProblem('parts', 'field.required');
  const left = visit.tasks.filter((task) => !gone.includes(task));
  const there = others.find((it) => it.home === visit.home && it.worker === worker && it.day === day && !it.takenOver);
  const id = left.length === 0 ? visit.id : 1 + Math.max(...visits.map((it) => it.id));
  const moved: KeptVisit = there
    ? { ...there, tasks: [...there.tasks, ...gone].sort((a, b) => a - b), pinned: true }
    : { ...visit, id, worker, day, tasks: gone, pinned: true };
  return [
    ...others.filter((it) => it !== there),
    ...(left.length > 0 && moved.id !== visit.id ? [{ ...visit, tasks: left }] : []),
    moved,
  ];
}
