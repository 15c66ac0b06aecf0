/** Every part with its trace, read from lines, holds and proofs: what all standing is worked out from. */
import type { Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { CONTRACTOR_VISIT } from '../../core/catalogue/procedures/contractor.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { segmentsOf, type Trace, type DrawnLine, type HeldDays } from '../../core/standing/trace.ts';
import type { StoodPoint } from '../../core/standing/figures.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { lacks } from '../due/pointFacts.ts';
import { dayReader } from '../lookup/dayReader.ts';
import { readTraces, readEvidenceOn, type TraceRow } from '../sql/standing.ts';
import type { Db } from '../store/db.ts';
import { factsOf, type Fact } from '../store/facts.ts';

/** A part with its trace, wherever it stands. */
export interface TracedPoint extends Omit<StoodPoint, 'evidence'> {
  readonly pointId: string;
  readonly number: number;
  readonly procedure: string;
  readonly machineId: string;
  readonly machineType: string;
  readonly label: string;
  readonly placeId: string;
}

export type PlacedPoint = TracedPoint & StoodPoint;

/** Lines as SQL gathers them. */
export const linesOf = (gathered: string | null, dayOf: (instant: number) => Day): DrawnLine[] =>
  (gathered?.split(';') ?? []).map((text) => {
    const [drawn, served, lineDay, capDay] = text.split(',');
    return {
      drawnDay: dayOf(Number(drawn)),
      servedDay: served === '' ? null : Number(served),
      lineDay: Number(lineDay),
      capDay: Number(capDay),
    };
  });

/** Days on hold, from facts of one place in the order in which they took effect. */
export function holdsOf(facts: readonly Fact<'hold'>[]): HeldDays[] {
  return facts.flatMap(({ fromDay, value }, i) => {
    const next = facts[i + 1];
    const toDay = value === null ? -1 : Math.min(value.until, next ? next.fromDay - 1 : value.until);
    return toDay >= fromDay ? [{ fromDay, toDay }] : [];
  });
}

/** The trace of a part. */
const traceOf = (row: TraceRow, dayOf: (instant: number) => Day, holds: readonly HeldDays[]): Trace => ({
  sinceDay: dayOf(row.registeredAt),
  untilDay: row.retiredDay,
  segments: segmentsOf(linesOf(row.lines, dayOf)),
  holds,
  doneDay: row.doneDay,
});

/** A contractor's visit is a part from the day of the first contract to the day on which there was none any more. */
function contractedDays({ retiredDay }: TraceRow, facts: readonly Fact<'contract'>[]) {
  const last = facts.at(-1);
  const ended = last?.value === null ? last.fromDay : Infinity;
  const until = Math.min(retiredDay ?? Infinity, ended);
  return { sinceDay: facts[0]?.fromDay ?? Infinity, untilDay: until === Infinity ? null : until };
}

/**
 * The parts in the places whose zone is given, with how their services until a day are attested.
 * @param zoneOf the zone of each place by its id
 */
export async function readStood(
  db: Db,
  organisationId: string,
  zoneOf: ReadonlyMap<string, string>,
  day: Day,
): Promise<PlacedPoint[]> {
  const [points, evidence] = await Promise.all([
    readTraced(db, organisationId, zoneOf),
    readEvidenceOn(db, organisationId, day),
  ]);
  const evidenceOf = new Map(evidence.map((it) => [it.pointId, it.evidence]));
  return points.map((point) => ({ ...point, evidence: evidenceOf.get(point.pointId) ?? null }));
}

/**
 * The parts in the places whose zone is given, or in one of them; what a machine was said to lack is not among them.
 * @param zoneOf the zone of each place by its id
 */
export async function readTraced(
  db: Db,
  organisationId: string,
  zoneOf: ReadonlyMap<string, string>,
  placeId: string | null = null,
): Promise<TracedPoint[]> {
  const [rows, holds] = await Promise.all([
    readTraces(db, organisationId, placeId),
    factsOf(db, [...zoneOf.keys()], 'hold'),
  ]);
  const visited = rows.filter(({ procedure }) => procedure === CONTRACTOR_VISIT).map(({ machineId }) => machineId);
  const contracts = grouped(await factsOf(db, visited, 'contract'), ({ subjectId }) => subjectId);
  const readers = new Map([...new Set(zoneOf.values())].map((zone) => [zone, dayReader(zone)]));
  const heldOf = new Map([...grouped(holds, ({ subjectId }) => subjectId)].map(([id, its]) => [id, holdsOf(its)]));
  return rows.flatMap((row) => {
    if (!zoneOf.has(row.placeId) || lacks(row.leftOut, row.procedure)) return [];
    const { safetyCritical, risk } = procedureOf(row.procedure);
    const { pointId, number, procedure, machineId, machineType, label } = row;
    return [
      {
        pointId,
        number,
        procedure,
        machineId,
        machineType,
        label,
        placeId: row.placeId,
        safetyCritical,
        riskWeight: riskWeight(risk),
        trace: {
          ...traceOf(row, readers.get(zoneOf.get(row.placeId)!)!, heldOf.get(row.placeId) ?? []),
          ...(procedure === CONTRACTOR_VISIT && contractedDays(row, contracts.get(machineId) ?? [])),
        },
      },
    ];
  });
}
