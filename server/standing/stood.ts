/** Every part with its trace, read from lines, holds and proofs: what all standing is worked out from. */
import type { Day } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { segmentsOf, type Trace, type DrawnLine, type HeldDays } from '../../core/standing/trace.ts';
import type { StoodPoint } from '../../core/standing/figures.ts';
import { lacks } from '../due/pointFacts.ts';
import { dayReader } from '../lookup/dayReader.ts';
import { readTraces, readEvidenceOn, type TraceRow } from '../sql/standing.ts';
import type { Db } from '../store/db.ts';
import { factsOf, type Fact } from '../store/facts.ts';

export interface PlacedPoint extends StoodPoint {
  readonly pointId: string;
  readonly number: number;
  readonly procedure: string;
  readonly machineId: string;
  readonly machineType: string;
  readonly label: string;
  readonly placeId: string;
}

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

/**
 * The parts in the places whose zone is given, or in one of them; what a machine was said to lack is not among them.
 * @param zoneOf the zone of each place by its id
 * @param day the day as of which their evidence is told
 */
export async function readStood(
  db: Db,
  organisationId: string,
  zoneOf: ReadonlyMap<string, string>,
  day: Day,
  placeId: string | null = null,
): Promise<PlacedPoint[]> {
  const [rows, evidence, holds] = await Promise.all([
    readTraces(db, organisationId, placeId),
    readEvidenceOn(db, organisationId, day),
    factsOf(db, [...zoneOf.keys()], 'hold'),
  ]);
  const evidenceOf = new Map(evidence.map((it) => [it.pointId, it.evidence]));
  const readers = new Map([...new Set(zoneOf.values())].map((zone) => [zone, dayReader(zone)]));
  const heldOf = new Map(
    [...zoneOf.keys()].map((id) => [id, holdsOf(holds.filter(({ subjectId }) => subjectId === id))]),
  );
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
        evidence: evidenceOf.get(pointId) ?? null,
        trace: traceOf(row, readers.get(zoneOf.get(row.placeId)!)!, heldOf.get(row.placeId)!),
      },
    ];
  });
}
