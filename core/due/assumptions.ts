/**
 * Judgements: every constant of the due engine that is one, with the range in which it may be changed.
 * Values are starting assumptions gathered from practice unless their words say otherwise.
 */
import { LEARNING, type LearningModel } from './learning.ts';

interface Judgement {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

const judged = (value: number, low: number, high: number): Judgement => ({ value, low, high });

export const JUDGEMENTS = {
  'people.one': judged(0.8, 0.3, 1),
  'people.four': judged(1.3, 1, 3),
  'people.five': judged(1.6, 1, 4),
  'condenser.two': judged(0.5, 0.2, 1),
  'condenser.four': judged(1.4, 1, 3),
  'condenser.five': judged(1.75, 1, 4),
  'pets.one': judged(1.3, 1, 3),
  'pets.two': judged(1.6, 1, 4),
  'cooking.rare': judged(0.7, 0.3, 1),
  'cooking.frequent': judged(3, 1, 5),
  'detergent.pods': judged(0.6, 0.3, 1),
  'detergent.powder': judged(1.4, 1, 3),
  coolWashes: judged(1.4, 1, 3),
  'hardness.soft': judged(0.8, 0.3, 1),
  'hardness.hard': judged(1.3, 1, 3),
  'hardness.veryHard': judged(1.7, 1, 4),
  smoking: judged(1.3, 1, 3),
  dust: judged(1.3, 1, 3),
  newHome: judged(1.5, 1, 3),
  newHomeDays: judged(180, 0, 365),
  factorFloor: judged(0.4, 0.1, 1),
  factorCeiling: judged(3, 1, 6),
  spread: judged(LEARNING.spread, 0.1, 1),
  variation: judged(LEARNING.variation, 0.1, 1),
  misgraded: judged(LEARNING.misgraded, 0.01, 0.4),
  widening: judged(LEARNING.widening, 0, 1),
  certainty: judged(LEARNING.certainty, 0.5, 0.95),
  floorShare: judged(1 / 3, 0.1, 1),
  capShare: judged(1.5, 1, 3),
  snapEarlier: judged(0.2, 0, 0.4),
  snapLater: judged(0.1, 0, 0.1),
  answered: judged(0.3, 0.1, 0.5),
  emptyHome: judged(0, 0, 1),
} as const satisfies Readonly<Record<string, Judgement>>;

export type AssumptionName = keyof typeof JUDGEMENTS;
export type Assumptions = Readonly<Record<AssumptionName, number>>;

/** What somebody changed, and an interval of a procedure under `days/<procedure>/<practice>`. */
export type Changes = Readonly<Record<string, number>>;

export const NO_CHANGES: Changes = {};

const known = new WeakMap<Changes, Assumptions>();

/** All assumptions, with what was changed put in their place. */
export function assumptionsWith(changes: Changes = NO_CHANGES): Assumptions {
  let all = known.get(changes);
  if (!all) {
    const entries = Object.entries(JUDGEMENTS as Readonly<Record<string, Judgement>>).map(([name, { value }]) => [
      name,
      changes[name] ?? value,
    ]);
    known.set(changes, (all = Object.fromEntries(entries) as Assumptions));
  }
  return all;
}

/** What the learning of a point needs of them. */
export function learningWith({ spread, variation, misgraded, widening, certainty }: Assumptions): LearningModel {
  return { spread, variation, misgraded, widening, certainty };
}

export const LONGEST_INTERVAL = 3650;

/** The name under which an interval may be changed. */
export const intervalName = (procedure: string, practice: string): string => `days/${procedure}/${practice}`;

/** Whether a change is within its range. An interval is whole days from 1 to ten years. */
export function isSound(name: string, value: number): boolean {
  if (name.startsWith('days/')) return Number.isInteger(value) && value >= 1 && value <= LONGEST_INTERVAL;
  const judgement = (JUDGEMENTS as Readonly<Record<string, Judgement>>)[name];
  return judgement !== undefined && value >= judgement.low && value <= judgement.high;
}
