/** Bringing a new register to a baseline: what nobody has logged is spread over weeks, and given week by week. */
import { dayFromIso, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { mondayOf, spreadBaseline, type PointWithoutRecord } from '../../core/due/baseline.ts';
import {
  BASELINE_WEEKS,
  type BaselineAnswer,
  type BaselinePoint,
  type BaselineWeek,
  type ClaimDone,
  type GiveWeek,
  type PlanBaseline,
  type PreviewBaseline,
} from '../../contract/due/baseline.ts';
import { MOST_PARTS } from '../../contract/jobs/lists.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, problemOf } from '../context/problem.ts';
import { giveJob } from '../jobs/jobs.ts';
import { readBaselineRows, type BaselineRow } from '../sql/baseline.ts';
import { recompute } from '../due/recompute.ts';
import { claimOf, inParts } from './addMachines.ts';
import { officeOf } from '../lookup/find.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { firstZone } from '../lookup/zone.ts';

const unlogged = (row: BaselineRow): PointWithoutRecord => {
  const { risk, safetyCritical, minutes } = procedureOf(row.procedure);
  return {
    pointId: row.id,
    placeId: row.placeId,
    machineId: row.machineId,
    riskWeight: riskWeight(risk),
    safetyCritical,
    minutes,
  };
};

const plannedDay = ({ planned }: BaselineRow): Day | null =>
  planned === null ? null : (JSON.parse(planned) as Day | null);

/** Points that a plan would spread: without a record, and in nobody's hands. */
const toPlan = (rows: readonly BaselineRow[]) =>
  rows.filter(({ servedDay: served, work }) => served === 0 && work === 0);

function stateOf({ servedDay: served, work }: BaselineRow): BaselinePoint['state'] {
  if (served > 0) return 'done';
  return work > 0 ? 'given' : 'open';
}

function weeksOf(call: Call, rows: readonly BaselineRow[], weekOf: (row: BaselineRow) => Day | null): BaselineWeek[] {
  const {
    env: { say },
  } = call;
  const weeks = new Map<Day, { row: BaselineRow; point: BaselinePoint }[]>();
  for (const row of rows) {
    const week = weekOf(row);
    if (week === null) continue;
    const { kind, safetyCritical, minutes, key } = procedureOf(row.procedure);
    const point: BaselinePoint = {
      pointId: row.id,
      number: row.number,
      name: say(`point.${key}`),
      kind,
      safetyCritical,
      minutes,
      place: `${row.place}, ${row.property}`,
      state: stateOf(row),
    };
    weeks.set(week, [...(weeks.get(week) ?? []), { row, point }]);
  }
  return [...weeks]
    .sort(([a], [b]) => a - b)
    .map(([week, all]) => ({
      week: isoFromDay(week),
      points: all.map(({ point }) => point),
      minutes: all.reduce((sum, { point }) => sum + point.minutes, 0),
      doors: new Set(all.map(({ row }) => row.placeId)).size,
      done: all.filter(({ point }) => point.state === 'done').length,
      given: all.filter(({ point }) => point.state === 'given').length,
    }));
}

function spread(rows: readonly BaselineRow[], weeks: number, start: Day): Map<string, Day> {
  const first = mondayOf(start);
  return new Map([...spreadBaseline(toPlan(rows).map(unlogged), weeks)].map(([id, week]) => [id, first + 7 * week]));
}

/** The parts without a record, spread over weeks as planned, or as they would be. */
export async function readBaseline(call: Call, { propertyId, weeks, start }: PreviewBaseline): Promise<BaselineAnswer> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const { today } = await firstZone(call);
  const rows = await readBaselineRows(call.db, call.actor.organisationId, propertyId ?? null);
  const proposed = spread(rows, weeks ?? BASELINE_WEEKS.usual, start ? dayFromIso(start) : today);
  const properties = await db.property.all({ organisationId }, { order: [['sort', 'ASC']] });
  const staff = await officeOf(call);
  return {
    noRecord: rows.filter(({ servedDay: served }) => served === 0).length,
    planned: weeksOf(call, rows, plannedDay),
    proposed: weeksOf(call, toPlan(rows), ({ id }) => proposed.get(id) ?? null),
    today: isoFromDay(today),
    properties: properties.map(({ id, name }) => ({ id, name })),
    assignees: staff.map(({ id, name }) => ({ id, name })),
  };
}

/** Keeps the plan: each point its week. Planning again spreads what is still open anew. */
export async function planBaseline(
  call: Call,
  { propertyId, weeks, start }: PlanBaseline,
): Promise<{ planned: number }> {
  const { env, db, actor, now } = call;
  const { today } = await firstZone(call);
  const begin = dayFromIso(start);
  if (mondayOf(begin) + 6 < today) throw fieldProblem('start', 'field.past');
  const planned = spread(await readBaselineRows(call.db, call.actor.organisationId, propertyId ?? null), weeks, begin);
  const facts = [...planned].map(([pointId, week]) => ({
    id: env.newId(),
    organisationId: actor.organisationId,
    subjectId: pointId,
    name: 'baseline' as const,
    value: JSON.stringify(week),
    fromDay: today,
    recordedAt: now,
    recordedBy: actor.personId,
  }));
  for (let i = 0; i < facts.length; i += 500) await db.fact.insertMany(facts.slice(i, i + 500));
  return { planned: facts.length };
}

/** Says of many parts at once when they were last served; believed as claimed until a service is recorded. */
export async function claimDone(call: Call, { propertyId, kind, day }: ClaimDone): Promise<{ claimed: number }> {
  const { db, now } = call;
  const { today } = await firstZone(call);
  const rows = (await readBaselineRows(call.db, call.actor.organisationId, propertyId ?? null)).filter(
    (row) => row.servedDay === 0 && row.work === 0 && (kind === null || procedureOf(row.procedure).kind === kind),
  );
  const facts = rows.map(({ id }) => claimOf(call, id, { day: dayFromIso(day), by: '', grade: null }, today));
  await inParts(facts, (part) => db.fact.insertMany(part));
  await recompute(
    db,
    rows.map(({ id }) => id),
    now,
  );
  return { claimed: rows.length };
}

/** Gives what is open of a week, or chosen of it, a job a machine. What cannot be given is named with its reason. */
export async function giveWeek(
  call: Call,
  { week, propertyId, assigneeId, pointIds }: GiveWeek,
): Promise<{ jobs: number; refused: string[] }> {
  const { env } = call;
  const day = dayFromIso(week);
  const machines = new Map<string, BaselineRow[]>();
  for (const row of toPlan(await readBaselineRows(call.db, call.actor.organisationId, propertyId ?? null)))
    if (plannedDay(row) === day && (pointIds?.includes(row.id) ?? true))
      machines.set(row.machineId, [...(machines.get(row.machineId) ?? []), row]);
  const refused = new Set<string>();
  let jobs = 0;
  for (const rows of machines.values()) {
    const leave = (says: string) => refused.add(`${rows[0]!.place}: ${says}`);
    const to = assigneeId ?? (await tenancyOn(call.db, rows[0]!.placeId, call.now))?.personId;
    if (!to) {
      leave(env.say('many.noTenant'));
      continue;
    }
    const parts = assigneeId ? rows : rows.filter(({ procedure }) => procedureOf(procedure).level === 'tenant');
    if (parts.length < rows.length) leave(env.say('many.forStaff', { count: rows.length - parts.length }));
    for (let i = 0; i < parts.length; i += MOST_PARTS) {
      const sitting = parts.slice(i, i + MOST_PARTS).map(({ id }) => id);
      const says = await problemOf(call, () => giveJob(call, { id: env.newId(), pointIds: sitting, assigneeId: to }));
      if (says === null) jobs += 1;
      else leave(says);
    }
  }
  return { jobs, refused: [...refused] };
}
