/** What a point asks of people, as the burden of a practice counts it. */
import { GRADE_BOUNDS } from '../../core/catalogue/grades.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import { riskWeight, type Procedure } from '../../core/catalogue/types.ts';
import { assumptionsWith, learningWith } from '../../core/due/assumptions.ts';
import { priceOfMaterials, type BurdenPoint } from '../../core/due/burden.ts';
import { computeLine, type ComputedLine } from '../../core/due/compute.ts';
import { exposureBetween } from '../../core/due/exposure.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import { believeSpeed, overloadProbability } from '../../core/due/learning.ts';
import { lessonsOf, taughtConditions } from '../../core/due/lessons.ts';
import type { PointHistory } from './pointHistory.ts';

/** What each of some practices would ask of a point; what was learned of it is the same under all. */
export function burdenPoints(
  history: PointHistory,
  practices: readonly Practice[],
  prices: Readonly<Record<string, number>>,
): BurdenPoint[] {
  const { inputs, today } = history;
  const believed = beliefIn(inputs);
  return practices.map((practice) => {
    const line = computeLine({ ...inputs, practice }, today);
    return burdenPoint(history, { line, believed, procedure: history.procedure, inputs }, prices);
  });
}

/** How fast a part is believed to fill, by what was found of it. */
export const beliefIn = (inputs: LineInputs) =>
  believeSpeed(lessonsOf(taughtConditions(inputs), inputs.turnovers), learningWith(assumptionsWith(inputs.changes)));

/** What is served at a point, by which line, and how fast it is believed to fill. */
export interface ServedThere {
  readonly procedure: Procedure;
  readonly inputs: LineInputs;
  readonly line: ComputedLine;
  readonly believed: ReturnType<typeof believeSpeed>;
}

/** What a point asks by a line. @param prices of what is used up */
export function burdenPoint(
  { placeId, machineId, scheduled, today, hold }: PointHistory,
  { procedure, inputs, line, believed }: ServedThere,
  prices: Readonly<Record<string, number>>,
): BurdenPoint {
  const from = line.servedDay ?? today;
  const exposure = exposureBetween(inputs.stretches, from, from + line.days, inputs.days.steady);
  const model = learningWith(assumptionsWith(inputs.changes));
  return {
    placeId,
    machineId,
    level: procedure.level,
    minutes: procedure.minutes,
    scheduled,
    // On hold it asks nothing until the hold is over.
    firstDue: Math.max(line.servedDay === null ? 0 : line.lineDay - today, hold ? hold.until + 1 - today : 0),
    intervalDays: line.days,
    riskWeight: riskWeight(procedure.risk),
    // Whoever comes by contract has no condition of their own.
    heavy: procedure.kind === 'visit' ? 0 : overloadProbability(believed, exposure, GRADE_BOUNDS[2], model),
    materials: priceOfMaterials(procedure, prices),
  };
}
