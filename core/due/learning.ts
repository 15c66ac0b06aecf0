/**
 * Learning how fast one point fouls.
 *
 * The point fouls at θ·f(t)/B loads a day. θ is unknown, its prior lognormal with median 1. Load grows as a
 * gamma process, so after exposure x it is gamma with shape θ·x/v² and scale v², where v is the coefficient
 * of variation at one load. A grade after exposure x is an interval-censored reading of that load, wrong in
 * about one case of ten: a grade k classes off comes ρ^k times as often as the right one. The posterior of
 * θ on a log grid follows directly. The gamma family, the misgrading by ρ^|i−j| and the widening by a
 * normal kernel are all totally positive of order two, so a fouler grade never makes the posterior slower.
 *
 * Probabilities depend on the mean load θ·x alone, so they are looked up in a fine table over its logarithm.
 */
import { gammaCdf } from '../statistics/gamma.ts';
import { GRADES, GRADE_BOUNDS, type Grade } from '../catalogue/grades.ts';

/** The judgements behind learning; each is an assumption that a manager may change. */
export interface LearningModel {
  /** Spread of ln θ before anything is found. */
  readonly spread: number;
  /** Coefficient of variation of the load at one load. */
  readonly variation: number;
  /** Share of grades that are wrong. */
  readonly misgraded: number;
  /** Spread that a change of tenancy adds to ln θ. */
  readonly widening: number;
  /** How sure it must be before a safety-critical interval is lengthened, 0.5 to 0.95. */
  readonly certainty: number;
}

export const LEARNING: LearningModel = {
  spread: 0.5,
  variation: 0.35,
  misgraded: 0.1,
  widening: 0.25,
  certainty: 0.55,
};

/**
 * What moves a belief: a grade after an exposure (loads at speed 1), counted with a weight in (0, 1]; or a new tenancy.
 */
export type Lesson = { readonly grade: Grade; readonly exposure: number; readonly weight: number } | 'turnover';

/** A distribution over the speed θ: `weights[i]` belongs to `SPEEDS[i]`, sum 1. */
export type SpeedBelief = Float64Array;

const GRID_STEPS = 88;
const GRID_REACH = 2.2;
const STEP = (2 * GRID_REACH) / GRID_STEPS;

/** Speeds of the grid, ascending, e^-2.2 to e^2.2 by equal steps of the logarithm. */
export const SPEEDS: readonly number[] = Array.from({ length: GRID_STEPS + 1 }, (_, i) =>
  Math.exp(-GRID_REACH + STEP * i),
);

/** The fine table divides a grid step by so much, so that the grid's speeds read it at one stride. */
const FINE = 8;
const LOWEST = -9;
const ENTRIES = Math.round((16 / STEP) * FINE);

const tables = new Map<string, Float64Array>();

/** Values of a function of the mean load, at `e^(LOWEST + k·STEP/FINE)`. */
function table(name: string, value: (meanLoad: number) => number): Float64Array {
  let known = tables.get(name);
  if (!known) {
    known = Float64Array.from({ length: ENTRIES + 1 }, (_, k) => value(Math.exp(LOWEST + (k * STEP) / FINE)));
    tables.set(name, known);
  }
  return known;
}

function atMost(bound: number, variation: number): Float64Array {
  const scale = variation ** 2;
  return table(`load ${bound} ${variation}`, (mean) => gammaCdf(bound, mean / scale, scale));
}

function gradeTable(grade: Grade, { variation, misgraded }: LearningModel): Float64Array {
  const found = GRADES.indexOf(grade);
  // Both neighbours and those behind them together take the wrong share of a middle class.
  const slip = (Math.sqrt(1 + (2 * misgraded) / (1 - misgraded)) - 1) / 2;
  const rows = GRADES.map(
    (_, truth) => slip ** Math.abs(found - truth) / GRADES.reduce((sum, __, i) => sum + slip ** Math.abs(i - truth), 0),
  );
  const bounds = GRADE_BOUNDS.map((bound) => atMost(bound, variation));
  return table(`grade ${grade} ${variation} ${misgraded}`, (mean) => {
    const k = Math.round(((Math.log(mean) - LOWEST) / STEP) * FINE);
    return rows.reduce((sum, row, truth) => sum + row * ((bounds[truth]?.[k] ?? 1) - (bounds[truth - 1]?.[k] ?? 0)), 0);
  });
}

/**
 * Where the speeds of the grid read a fine table after an exposure: index of the first, and how far to the next entry.
 */
function readingOf(exposure: number): { readonly from: number; readonly part: number } {
  const place = ((Math.log(Math.max(exposure, 1e-3)) - GRID_REACH - LOWEST) / STEP) * FINE;
  const from = Math.min(Math.max(0, Math.floor(place)), ENTRIES - GRID_STEPS * FINE - 1);
  return { from, part: Math.min(1, Math.max(0, place - from)) };
}

/** Probability of a grade after an exposure, for each speed of the grid. */
export function likelihood(grade: Grade, exposure: number, model: LearningModel = LEARNING): Float64Array {
  const values = gradeTable(grade, model);
  const { from, part } = readingOf(exposure);
  const out = new Float64Array(GRID_STEPS + 1);
  for (let i = 0, k = from; i <= GRID_STEPS; i += 1, k += FINE)
    out[i] = values[k]! + part * (values[k + 1]! - values[k]!);
  return out;
}

const priors = new Map<number, SpeedBelief>();

/** What is believed before anything is found. */
export function priorBelief({ spread }: LearningModel = LEARNING): SpeedBelief {
  let prior = priors.get(spread);
  if (!prior)
    priors.set(
      spread,
      (prior = normalised(Float64Array.from(SPEEDS, (speed) => Math.exp(-0.5 * (Math.log(speed) / spread) ** 2)))),
    );
  return prior;
}

/** Belief about a point's speed after its lessons, in the order in which they came. */
export function believeSpeed(lessons: readonly Lesson[], model: LearningModel = LEARNING): SpeedBelief {
  return lessons.reduce((belief, lesson) => believeFurther(belief, lesson, model), priorBelief(model));
}

/** The belief after one lesson more. */
export function believeFurther(belief: SpeedBelief, lesson: Lesson, model: LearningModel = LEARNING): SpeedBelief {
  return lesson === 'turnover' ? widened(belief, model.widening) : learned(belief, lesson, model);
}

function learned(
  belief: SpeedBelief,
  { grade, exposure, weight }: Exclude<Lesson, 'turnover'>,
  model: LearningModel,
): SpeedBelief {
  const said = likelihood(grade, exposure, model);
  const next = new Float64Array(belief.length);
  for (let i = 0; i < belief.length; i += 1) next[i] = belief[i]! * (weight === 1 ? said[i]! : said[i]! ** weight);
  return normalised(next);
}

/** Part of a speed is the household's habits: a new one leaves the middle and spreads the rest. */
function widened(belief: SpeedBelief, widening: number): SpeedBelief {
  if (!(widening > 0)) return belief;
  const kernel = Array.from({ length: Math.ceil((4 * widening) / STEP) + 1 }, (_, k) =>
    Math.exp(-0.5 * ((k * STEP) / widening) ** 2),
  );
  return normalised(
    belief.map((_, i) =>
      kernel.reduce((sum, share, k) => sum + share * ((belief[i - k] ?? 0) + (k > 0 ? (belief[i + k] ?? 0) : 0)), 0),
    ),
  );
}

/** The q-quantile of the speed, 0 < q < 1, the weight of a grid point spread evenly over its cell. */
export function speedQuantile(belief: SpeedBelief, q: number): number {
  let below = 0;
  for (let i = 0; i < belief.length; i += 1) {
    const weight = belief[i]!;
    if (below + weight >= q) return SPEEDS[i]! * Math.exp(STEP * (weight > 0 ? (q - below) / weight - 0.5 : 0));
    below += weight;
  }
  return SPEEDS[SPEEDS.length - 1]!;
}

/** Predictive probability that the load is above `load` after this exposure. */
export function overloadProbability(
  belief: SpeedBelief,
  exposure: number,
  load: number,
  { variation }: LearningModel = LEARNING,
): number {
  const values = atMost(load, variation);
  const { from, part } = readingOf(exposure);
  let below = 0;
  for (let i = 0, k = from; i <= GRID_STEPS; i += 1, k += FINE)
    below += belief[i]! * (values[k]! + part * (values[k + 1]! - values[k]!));
  return 1 - below;
}

/** Exposure at which the load of a part of the middle speed reaches the accepted one. */
export function expectedReach(belief: SpeedBelief, accepted: number): number {
  return accepted / speedQuantile(belief, 0.5);
}

/**
 * The reach of a safety-critical part: shortened at once by the middle of the belief, lengthened only as far as
 * it is this sure that the part fouls more slowly than assumed. Without findings the accepted load itself.
 *
 * Bounding the predictive probability of an overload by what the practice itself risks (0.49) was tried: it
 * bounds nothing, since half of all parts overload at their own interval however well their speed is known.
 */
export function certainReach(
  belief: SpeedBelief,
  accepted: number,
  { certainty }: Pick<LearningModel, 'certainty'> = LEARNING,
): number {
  return accepted / Math.max(speedQuantile(belief, 0.5), Math.min(1, speedQuantile(belief, certainty)));
}

function normalised(weights: Float64Array): Float64Array {
  let total = 0;
  for (const weight of weights) total += weight;
  for (let i = 0; i < weights.length; i += 1) weights[i]! /= total;
  return weights;
}
