/**
 * The questions of a rehearsal: what a supervisor would ask beside the machine. Drawn by a seed, so that answers can be
 * checked again.
 */
import type { Phase } from '../catalogue/types.ts';
import { GRADES, type Grade } from '../catalogue/grades.ts';
import { seeded, type Random } from '../statistics/random.ts';

export interface RehearsalMatter {
  readonly steps: readonly { readonly key: string; readonly phase: Phase }[];
  /** Stop points of this procedure, and of others. */
  readonly stops: readonly string[];
  readonly otherStops: readonly string[];
}

export interface Question {
  /**
   * Which step comes first; what must be done before the machine is opened; which stop point is of this work; which
   * condition a picture shows.
   */
  readonly kind: 'first' | 'beforeOpening' | 'stop' | 'picture';
  /** Asked once so many steps were walked. */
  readonly after: number;
  /** Keys of steps, stop points or grades. */
  readonly options: readonly string[];
  /** Which of them is right. */
  readonly right: number;
  /** The condition shown. */
  readonly grade: Grade | null;
}

const OPTIONS = 3;

/** The questions of a procedure; fewer where it has nothing to ask about. */
export function questionsOf({ steps, stops, otherStops }: RehearsalMatter, seed: number): Question[] {
  const random = seeded(seed);
  const questions: Question[] = [];
  const foreign = otherStops.filter((stop) => !stops.includes(stop));
  if (stops.length > 0 && foreign.length >= OPTIONS - 1) {
    const right = pick(random, stops);
    questions.push(ask(random, 'stop', 0, right, some(random, foreign, OPTIONS - 1)));
  }
  const isolate = steps.findIndex(({ phase }) => phase === 'isolate');
  const opening = steps.findIndex(({ phase }) => phase === 'open');
  const later = steps.slice(opening + 1).filter(({ phase }) => phase !== 'isolate');
  if (isolate !== -1 && opening > isolate && later.length >= OPTIONS - 1) {
    questions.push(
      ask(
        random,
        'beforeOpening',
        0,
        steps[isolate]!.key,
        some(
          random,
          later.map(({ key }) => key),
          OPTIONS - 1,
        ),
      ),
    );
  }
  const look = steps.findIndex(({ phase }) => phase === 'look');
  if (look !== -1) {
    const grade = pick(random, GRADES);
    // Neighbours are what one mistakes it for.
    const at = GRADES.indexOf(grade);
    const near = GRADES.filter((it) => it !== grade)
      .sort((a, b) => Math.abs(GRADES.indexOf(a) - at) - Math.abs(GRADES.indexOf(b) - at))
      .slice(0, OPTIONS - 1);
    questions.push({ ...ask(random, 'picture', look + 1, grade, near), grade });
  }
  // Of steps of different phases there is one right order: that of the plan.
  const phases = [...new Set(steps.map(({ phase }) => phase))].filter((phase) => phase !== 'isolate');
  if (phases.length >= OPTIONS) {
    const place = (key: string) => steps.findIndex((step) => step.key === key);
    const keys = some(random, phases, OPTIONS)
      .map(
        (phase) =>
          pick(
            random,
            steps.filter((step) => step.phase === phase),
          ).key,
      )
      .sort((a, b) => place(a) - place(b));
    questions.push(ask(random, 'first', steps.length, keys[0]!, keys.slice(1)));
  }
  return questions;
}

/** How many answers are right; an answer is the place of an option. */
export const rightOf = (questions: readonly Question[], answers: readonly number[]): number =>
  questions.filter(({ right }, i) => answers[i] === right).length;

function ask(
  random: Random,
  kind: Question['kind'],
  after: number,
  right: string,
  others: readonly string[],
): Question {
  const options = some(random, [right, ...others], others.length + 1);
  return { kind, after, options, right: options.indexOf(right), grade: null };
}

const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;

/** So many of them, in an order by chance (Fisher–Yates). */
function some<T>(random: Random, from: readonly T[], count: number): T[] {
  const left = [...from];
  return Array.from(
    { length: Math.min(count, left.length) },
    () => left.splice(Math.floor(random() * left.length), 1)[0]!,
  );
}
