/** What a point's line is computed from: its register, its facts as they were, its services, its signals. */
import type { Day } from '../../core/calendar/day.ts';
import { dayOfInstant } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import { combinedFactor, driverEffects, type Circumstances, type DriverEffect } from '../../core/due/drivers.ts';
import { exposureBetween, type Stretch } from '../../core/due/exposure.ts';
import type { Grade } from '../../core/due/grades.ts';
import { intervalOf, type Interval, type TaughtGrade } from '../../core/due/interval.ts';
import { lineWithSignal } from '../../core/due/line.ts';
import type { Practice } from '../../core/due/practice.ts';
import { LIVE_STATES } from '../../core/jobs/transitions.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

export interface Service {
  readonly doneDay: Day;
  readonly grade: Grade | null;
  readonly confirmed: boolean;
}

export interface PointHistory {
  readonly point: Row<'point'>;
  readonly machine: Row<'machine'>;
  readonly place: Row<'place'>;
  readonly property: Row<'property'>;
  readonly today: Day;
  readonly procedure: Procedure;
  readonly practice: Practice;
  readonly makerLimitDays: number | undefined;
  readonly stretches: readonly Stretch[];
  readonly effects: readonly DriverEffect[];
  /** Services that count, oldest first. */
  readonly services: readonly Service[];
  /** Work done that awaits its proof. */
  readonly waiting: { readonly recordId: string; readonly doneDay: Day } | undefined;
  readonly evidence: Row<'proof'>['evidence'] | null;
  readonly signal: { readonly day: Day; readonly symptom: string } | undefined;
  readonly job: Row<'job'> | undefined;
}

export async function readHistory(db: Db, pointId: string, now: number): Promise<PointHistory> {
  const point = (await db.point.one({ id: pointId }))!;
  const machine = (await db.machine.one({ id: point.machineId }))!;
  const place = (await db.place.one({ id: machine.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const today = dayOfInstant(now, property.zone);
  const procedure = procedureOf(point.procedure);
  const [practices, specifications, circumstances, proofs, faults, job] = await Promise.all([
    factsOf(db, [property.id], 'practice'),
    factsOf(db, [pointId], 'specification'),
    readCircumstances(db, place.id, property.id),
    db.proof.all({ pointId }),
    db.fault.all({ pointId, closedAt: null }, { order: [['openedDay', 'ASC']], limit: 1 }),
    liveJobOf(db, pointId),
  ]);
  const records = proofs.length === 0 ? [] : await db.record.all({ pointId }, { order: [['doneDay', 'ASC'], ['doneAt', 'ASC']] });
  const stateOf = new Map(proofs.map((proof) => [proof.recordId, proof]));
  const counting = records.filter(({ id }) => ['accepted', 'registerWrong'].includes(stateOf.get(id)?.state ?? ''));
  const waiting = await waitingOf(db, pointId);
  const latest = counting.at(-1);
  const stretches = stretchesOf(procedure, circumstances);
  const current = circumstances.filter(({ fromDay }) => fromDay <= today).at(-1) ?? circumstances[0]!;
  return {
    point, machine, place, property, today, procedure, stretches,
    practice: inForce(practices, today)?.value ?? 'steady',
    makerLimitDays: specifications.at(-1)?.value.makerLimitDays ?? undefined,
    effects: driverEffects(procedure.drivers, current.value),
    services: counting.map(({ canonical, doneDay }) => ({
      doneDay, grade: (JSON.parse(canonical) as ServiceRecord).grade, confirmed: true,
    })),
    waiting,
    evidence: latest ? stateOf.get(latest.id)!.evidence : null,
    signal: faults[0] && { day: faults[0].openedDay, symptom: faults[0].symptom },
    job,
  };
}

/** Work on this point that awaits its proof, if any. */
export async function waitingOf(db: Db, pointId: string): Promise<PointHistory['waiting']> {
  const proof = await db.proof.one({ pointId, state: 'waiting' });
  const record = proof && await db.record.one({ id: proof.recordId }, { columns: ['id', 'doneDay'] });
  return record && { recordId: record.id, doneDay: record.doneDay };
}

/** The job that has this point taken, if any. */
export async function liveJobOf(db: Db, pointId: string): Promise<Row<'job'> | undefined> {
  const tasks = await db.task.all({ pointId, state: ['outstanding', 'sent'] });
  const jobs = tasks.length === 0 ? [] : await db.job.all({ id: tasks.map(({ jobId }) => jobId), state: [...LIVE_STATES] });
  return jobs.at(-1);
}

interface DatedCircumstances {
  readonly fromDay: Day;
  readonly value: Circumstances;
}

/** Household and water of a place over time; never empty. */
async function readCircumstances(db: Db, placeId: string, propertyId: string): Promise<DatedCircumstances[]> {
  const tenancies = await db.tenancy.all({ placeId }, { order: [['fromDay', 'ASC']] });
  const [households, waters] = await Promise.all([
    factsOf(db, tenancies.map(({ id }) => id), 'household'),
    factsOf(db, [propertyId], 'water'),
  ]);
  const days = new Set([
    ...tenancies.flatMap(({ fromDay, toDay }) => (toDay === null ? [fromDay] : [fromDay, toDay + 1])),
    ...households.map(({ fromDay }) => fromDay), ...waters.map(({ fromDay }) => fromDay),
  ]);
  const sorted = [...days].sort((a, b) => a - b);
  return (sorted.length > 0 ? sorted : [0]).map((fromDay) => {
    const tenancy = tenancies.findLast((it) => it.fromDay <= fromDay && (it.toDay === null || it.toDay >= fromDay));
    const household = inForce(households.filter(({ subjectId }) => subjectId === tenancy?.id), fromDay)?.value;
    const water = inForce(waters, fromDay)?.value;
    return {
      fromDay,
      value: {
        household: household ? { ...household, loadsAWeek: household.loadsAWeek ?? undefined } : {},
        hardnessMgL: water?.hardnessMgL ?? undefined,
      },
    };
  });
}

function stretchesOf({ drivers }: Procedure, circumstances: readonly DatedCircumstances[]): Stretch[] {
  const stretches: Stretch[] = [];
  for (const { fromDay, value } of circumstances) {
    const factor = combinedFactor(driverEffects(drivers, value));
    if (factor !== stretches.at(-1)?.factor) stretches.push({ fromDay, factor });
  }
  return stretches;
}

/** A machine registered within so many days of its installation was new: nobody served it before. */
const NEW_MACHINE_DAYS = 30;

/**
 * The grades as they teach: each after the exposure since the service before it. The first one teaches only
 * on a machine that was new when it was registered; on an older one nobody knows what was done before.
 */
function taught({ services, stretches, machine, property, procedure }: PointHistory): TaughtGrade[] {
  const registered = dayOfInstant(machine.createdAt, property.zone);
  const newSince = machine.installedDay !== null && registered - machine.installedDay <= NEW_MACHINE_DAYS ? machine.installedDay : null;
  return services.flatMap(({ doneDay, grade, confirmed }, i) => {
    const before = i > 0 ? services[i - 1]!.doneDay : newSince;
    if (grade === null || before === null || before >= doneDay) return [];
    return [{ day: doneDay, grade, confirmed, exposure: exposureBetween(stretches, before, doneDay, procedure.days.steady) }];
  });
}

export interface ComputedLine {
  readonly servedDay: Day | null;
  readonly lineDay: Day;
  readonly capDay: Day;
  readonly interval: Interval;
  readonly inputs: object;
}

/** The line of a point as its history stands. */
export function lineOf(history: PointHistory): ComputedLine {
  const { procedure, practice, stretches, effects, makerLimitDays, services, today, signal } = history;
  const servedDay = services.at(-1)?.doneDay ?? null;
  const grades = taught(history);
  const interval = intervalOf({ procedure, practice, servedDay: servedDay ?? today, stretches, effects, grades, makerLimitDays });
  const from = servedDay ?? 0;
  return {
    servedDay, interval,
    lineDay: servedDay === null ? 0 : lineWithSignal(servedDay, interval.days, signal?.day ?? null),
    capDay: servedDay === null ? 0 : from + interval.capDays,
    inputs: { procedure: procedure.key, version: procedure.version, practice, stretches, effects, grades, makerLimitDays, signal },
  };
}
