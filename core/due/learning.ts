/**
 * Learning how fast one point fouls.
 *
 * The point fouls at θ·f(t)/B loads a day. θ is unknown, prior lognormal with median 1 and σ 0.5. Load
 * grows as a gamma process with coefficient of variation 0.35 at one load, so after exposure x it is
 * gamma with shape θ·x/0.35² and scale 0.35². A grade after exposure x is an interval-censored reading
 * of that load, one class off in about one case of ten. The posterior of θ on a log grid follows
 * directly. The ordered grades keep the likelihood ratio order, so a fouler grade never makes the
 * posterior slower.
 */
import { gammaCdf } from '../statistics/gamma.ts';
import { GRADES, GRADE_BOUNDS, MISGRADE_RATE, type Grade } from './grades.ts';

export const PRIOR_SIGMA = 0.5;
export const PROCESS_VARIATION = 0.35;
const PROCESS_SCALE = PROCESS_VARIATION ** 2;

/** A grade found after an exposure (loads at speed 1) since the part was last fresh. */
export interface Finding {
  readonly exposure: number;
  readonly grade: Grade;
}

/** A distribution over the speed θ: `weights[i]` belongs to `SPEEDS[i]`, sum 1. */
export type SpeedBelief = readonly number[];

const GRID_STEPS = 88;
const GRID_REACH = 2.2;

/** Speeds of the grid, ascending, e^-2.2 to e^2.2 by equal steps of the logarithm. */
export const SPEEDS: readonly number[] = Array.from({ length: GRID_STEPS + 1 }, (_, i) =>
  Math.exp(-GRID_REACH + (2 * GRID_REACH * i) / GRID_STEPS));

const PRIOR: SpeedBelief = normalised(SPEEDS.map((speed) => Math.exp(-0.5 * (Math.log(speed) / PRIOR_SIGMA) ** 2)));

/** Belief about a point's speed after its findings, in any order. */
export function believeSpeed(findings: readonly Finding[]): SpeedBelief {
  let belief = PRIOR;
  for (const finding of findings) {
    belief = normalised(belief.map((weight, i) => weight * likelihood(finding, SPEEDS[i]!)));
  }
  return belief;
}

/** Probability that a point of this speed shows this grade after this exposure. */
export function likelihood({ exposure, grade }: Finding, speed: number): number {
  const index = GRADES.indexOf(grade);
  const upTo = GRADE_BOUNDS.map((bound) => loadAtMost(bound, exposure * speed));
  const inClass = (i: number) => (i < 0 || i >= GRADES.length ? 0 : (upTo[i] ?? 1) - (upTo[i - 1] ?? 0));
  // A misgrade lands on either neighbour alike; the end classes have only one.
  const slip = (i: number) => (i === 0 || i === GRADES.length - 1 ? MISGRADE_RATE : MISGRADE_RATE / 2);
  return (1 - MISGRADE_RATE) * inClass(index) + slip(index - 1) * inClass(index - 1) + slip(index + 1) * inClass(index + 1);
}

/** The q-quantile of the speed, 0 < q < 1, interpolated on the log grid. */
export function speedQuantile(belief: SpeedBelief, q: number): number {
  let below = 0;
  for (let i = 0; i < belief.length; i += 1) {
    const weight = belief[i]!;
    if (below + weight >= q) {
      // The weight of a grid point is spread evenly over its cell.
      const step = (2 * GRID_REACH) / GRID_STEPS;
      const within = weight > 0 ? (q - below) / weight - 0.5 : 0;
      return SPEEDS[i]! * Math.exp(step * within);
    }
    below += weight;
  }
  return SPEEDS[SPEEDS.length - 1]!;
}

/** Predictive probability that the load is above `load` after this exposure. */
export function overloadProbability(belief: SpeedBelief, exposure: number, load: number): number {
  return belief.reduce((sum, weight, i) => sum + weight * (1 - loadAtMost(load, exposure * SPEEDS[i]!)), 0);
}

function loadAtMost(bound: number, meanLoad: number): number {
  return meanLoad <= 0 ? 1 : gammaCdf(bound, meanLoad / PROCESS_SCALE, PROCESS_SCALE);
}

function normalised(weights: readonly number[]): number[] {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}
