/** What a body may hold at most, counted before anything reads it: values, depth, and names that no form has. */
import { fieldProblem, Problem } from '../context/problem.ts';

/** Values in one body: a job of twelve records has some hundreds. */
const MOST_VALUES = 5000;
const DEEPEST = 12;
const LONGEST_NAME = 100;

/**
 * Counts what a body holds, without recursion.
 * @throws Problem: fields (422) for a name or a sign that no form has, tooMuch (422) beyond the limits
 */
export function weigh(body: unknown): void {
  let values = 0;
  let level: unknown[] = [body];
  for (let depth = 0; level.length > 0; depth += 1) {
    if (depth > DEEPEST) throw new Problem(422, 'tooMuch');
    const below: unknown[] = [];
    for (const value of level) {
      if (typeof value === 'string' && value.includes('\0')) throw fieldProblem('', 'field.invalid');
      if (typeof value !== 'object' || value === null) continue;
      const names = Array.isArray(value) ? [] : Object.keys(value);
      if (names.some((name) => name.length > LONGEST_NAME || name in Object.prototype))
        throw fieldProblem('', 'field.unknown');
      const inside: unknown[] = Object.values(value);
      values += inside.length;
      if (values > MOST_VALUES) throw new Problem(422, 'tooMuch');
      for (const item of inside) below.push(item);
    }
    level = below;
  }
}
