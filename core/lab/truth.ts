/** The truth model: parts that foul with a speed nobody knows, and people who look at them. */
import { GRADES, gradeOfLoad, type Grade } from '../catalogue/grades.ts';
import { LEARNING } from '../due/learning.ts';
import { gammaDraw, normalDraw, type Random } from '../statistics/random.ts';

/** A hidden speed, drawn from the same spread that the engine assumes. */
export function drawSpeed(random: Random): number {
  return Math.exp(LEARNING.spread * normalDraw(random));
}

/** Load that a part of this speed gathers over an exposure (loads at speed 1): a gamma increment. */
export function drawLoad(random: Random, speed: number, exposure: number): number {
  const scale = LEARNING.variation ** 2;
  const shape = (speed * exposure) / scale;
  return shape > 0 ? gammaDraw(random, shape, scale) : 0;
}

/** The grade a person gives to a load: right in nine cases of ten, else a neighbour. */
export function drawGrade(random: Random, load: number): Grade {
  const index = GRADES.indexOf(gradeOfLoad(load));
  if (random() >= LEARNING.misgraded) return GRADES[index]!;
  if (index === 0) return GRADES[1]!;
  if (index === GRADES.length - 1) return GRADES[index - 1]!;
  return GRADES[index + (random() < 0.5 ? -1 : 1)]!;
}
