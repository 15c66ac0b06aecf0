/**
 * How long a household takes from being asked to done, learned from the askings that it answered and from those that
 * are still open.
 *
 * A household that answers does so after exp(μ + σz) days, z normal or, where the portfolio shows heavier tails,
 * Student's with 4 degrees of freedom; now and then it overlooks one. Some households never answer at all, which is
 * another thing than being slow: both are hypotheses from the start. A whole day count is read as the day between two
 * bounds; what is open counts as not yet, and ends where it is handed over. The spread of all these over households is
 * learned from the portfolio (expectation maximisation over a grid), with our assumption weighing as much as twenty
 * households, so that ten of them do not make a rule. One household's belief follows from its own askings.
 */
import { normalCdf, student4Cdf } from '../statistics/normal.ts';

/** One asking: whole days until it was done, or that it has been open; from when the message went out. */
export interface Asking {
  readonly days: number;
  readonly done: boolean;
}

/** What is assumed or learned of all households together. */
export interface AnswerModel {
  /** Share of each way of answering (`WAYS`) among households that answer; sum 1. */
  readonly ways: Float64Array;
  /** Share of households that never answer. */
  readonly never: number;
  /** Share of askings that a household overlooks though it answers. */
  readonly overlooked: number;
}

/** What is believed of one household. */
export interface AnswerBelief {
  /** Given that it answers; sum 1. */
  readonly ways: Float64Array;
  /** Probability that it never does. */
  readonly never: number;
  readonly overlooked: number;
}

interface Way {
  readonly median: number;
  readonly spread: number;
  readonly heavy: boolean;
}

/** Our assumptions, before anybody was asked: a week, give or take the double; one household in seven never. */
const ASSUMED = { median: 6.5, logSd: 0.75, never: 0.15, overlooked: 0.03 };
/** Our assumptions weigh as much as so many households. */
const WEIGHT = 20;
/** No asking is followed for longer. */
export const LONGEST = 240;

const STEPS = 40;
const MEDIANS = Array.from({ length: STEPS }, (_, i) => 0.6 * (150 / 0.6) ** (i / (STEPS - 1)));
const SPREADS = [0.45, 0.65, 0.85, 1.05, 1.3];

/** The grid of ways in which a household may answer. */
const WAYS: readonly Way[] = [false, true].flatMap((heavy) =>
  SPREADS.flatMap((spread) => MEDIANS.map((median) => ({ median, spread, heavy }))),
);

/** Probability that each way is done within so many whole days: one array for each number of days. */
const WITHIN: readonly Float64Array[] = Array.from({ length: LONGEST + 1 }, (_, days) =>
  Float64Array.from(WAYS, ({ median, spread, heavy }) =>
    days === 0 ? 0 : (heavy ? student4Cdf : normalCdf)(Math.log(days / median) / spread),
  ),
);

/** What is assumed before anybody was asked. */
export const ASSUMED_ANSWERS: AnswerModel = {
  ways: normalised(
    Float64Array.from(
      WAYS,
      ({ median, spread, heavy }) =>
        Math.exp(-0.5 * (Math.log(median / ASSUMED.median) / ASSUMED.logSd) ** 2) *
        Math.exp(-0.5 * ((spread - 0.85) / 0.25) ** 2) *
        (heavy ? 0.25 : 0.75),
    ),
  ),
  never: ASSUMED.never,
  overlooked: ASSUMED.overlooked,
};

function normalised(values: Float64Array): Float64Array {
  const sum = values.reduce((total, value) => total + value, 0);
  return values.map((value) => value / sum);
}

const wholeDays = (days: number): number => Math.min(LONGEST, Math.max(0, Math.round(days)));

/** Likelihoods by model and course: a portfolio's thousands of askings take the same few courses. */
const known = new WeakMap<AnswerModel, Map<string, Float64Array>>();

/** Probability of an asking's course for each way, an overlooked one among what is open. */
function likelihoodOf({ days, done }: Asking, model: AnswerModel): Float64Array {
  const courses = known.get(model) ?? new Map<string, Float64Array>();
  known.set(model, courses);
  // What was done at once was done on its first day.
  const whole = done ? Math.max(1, wholeDays(days)) : wholeDays(days);
  const course = `${whole} ${done}`;
  const likelihood = courses.get(course) ?? (done ? doneOn(whole, model) : openAfter(whole, model));
  courses.set(course, likelihood);
  return likelihood;
}

const openAfter = (days: number, { overlooked }: AnswerModel) =>
  WITHIN[days]!.map((within) => 1 - (1 - overlooked) * within);
const doneOn = (days: number, { overlooked }: AnswerModel) =>
  WITHIN[days]!.map((within, i) => Math.max(1e-9, (1 - overlooked) * (within - WITHIN[days - 1]![i]!)));

/**
 * What is believed of a household after its askings; without any, what is known of all.
 * @param askings in any order
 */
export function believeAnswers(askings: readonly Asking[], model: AnswerModel): AnswerBelief {
  const { ways, evidence } = weighed(askings, model);
  const silent = askings.some(({ done }) => done) ? 0 : model.never;
  const never = silent / (silent + (1 - model.never) * evidence);
  return { ways, never, overlooked: model.overlooked };
}

/** The ways of a household that answers, and how likely its askings are under them all. */
function weighed(askings: readonly Asking[], model: AnswerModel): { ways: Float64Array; evidence: number } {
  const ways = Float64Array.from(model.ways);
  let evidence = 1;
  askings.forEach((asking, nth) => {
    const likelihood = likelihoodOf(asking, model);
    for (let i = 0; i < ways.length; i += 1) ways[i]! *= likelihood[i]!;
    // Now and then, so that no product is lost below the smallest number.
    if (nth % RESCALED === RESCALED - 1 || nth === askings.length - 1) evidence *= rescale(ways);
  });
  return { ways, evidence };
}

const RESCALED = 8;

/** Makes the sum 1. @returns what it was */
function rescale(ways: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < ways.length; i += 1) sum += ways[i]!;
  for (let i = 0; i < ways.length; i += 1) ways[i]! /= sum;
  return sum;
}

/**
 * The model of a portfolio, from the askings of each of its households; ours where nothing was asked yet.
 * @param turns of expectation maximisation; ten are enough from a model of the month before
 */
export function learnAnswers(
  households: readonly (readonly Asking[])[],
  turns = 10,
  from = ASSUMED_ANSWERS,
): AnswerModel {
  const steps = learning(households, turns, from);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** The same in small steps, one a household and turn, for whoever has others to answer in between. */
export function* learning(
  households: readonly (readonly Asking[])[],
  turns = 10,
  from = ASSUMED_ANSWERS,
): Generator<undefined, AnswerModel> {
  const asked = households.filter(({ length }) => length > 0);
  let model = from;
  for (let turn = 0; turn < turns && asked.length > 0; turn += 1) {
    const ways = ASSUMED_ANSWERS.ways.map((share) => share * WEIGHT);
    let [never, answering] = [ASSUMED.never * WEIGHT, (1 - ASSUMED.never) * WEIGHT];
    let [overlooked, askings] = [ASSUMED.overlooked * WEIGHT, WEIGHT];
    for (const its of asked) {
      const belief = believeAnswers(its, model);
      never += belief.never;
      answering += 1 - belief.never;
      for (let i = 0; i < ways.length; i += 1) ways[i]! += (1 - belief.never) * belief.ways[i]!;
      for (const asking of its) {
        askings += 1 - belief.never;
        if (!asking.done) overlooked += (1 - belief.never) * overlookedOdds(belief, asking.days);
      }
      yield;
    }
    model = { ways: normalised(ways), never: never / (never + answering), overlooked: overlooked / askings };
  }
  return model;
}

/** Probability that what has been open so long was overlooked, by a household that answers. */
function overlookedOdds({ ways, overlooked }: AnswerBelief, days: number): number {
  const open = 1 - doneShare(ways, wholeDays(days));
  return overlooked / (overlooked + (1 - overlooked) * open);
}

function doneShare(ways: Float64Array, days: number): number {
  const within = WITHIN[days]!;
  let sum = 0;
  for (let i = 0; i < ways.length; i += 1) sum += ways[i]! * within[i]!;
  return sum;
}

/** Probability, 0 to 1, that a household which answers has done within so many days what it is asked for today. */
export const doneWithin = ({ ways, overlooked }: AnswerBelief, days: number): number =>
  (1 - overlooked) * doneShare(ways, wholeDays(days));

/**
 * The fewest days before a line at which asking meets it with this probability; null where a year of them would not.
 * @param share 0 to 1, such as 0.8: four cases of five
 */
export function leadFor(belief: AnswerBelief, share: number): number | null {
  if (doneWithin(belief, LONGEST) < share) return null;
  let [low, high] = [0, LONGEST];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (doneWithin(belief, middle) >= share) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * A line is to be met in four cases of five. A lead that fits its window is rather one that was thought too short, so
 * that slightly more is asked for (`docs/rounds.md`).
 */
export const LINE_SHARE = 0.805;
/** A reminder goes out once most have done it, so that few need one. */
export const REMINDER_SHARE = 0.7;

/** Surer than this that nobody ever answers there, a household's work is given to staff. */
export const NEVER_ODDS = 0.87;

/** Whether a household's work is better with staff: it has answered nothing, and would hardly have, were it slow. */
export const isSilent = ({ never }: AnswerBelief): boolean => never >= NEVER_ODDS;
