/**
 * The judgement of learning: parts of the truth model served six times, each time when the method says, and
 * how far the interval it then believes is from the true one. Beside the engine stand the fixed calendar and
 * a conjugate count model, each at visits of its own making, equal in number. `engineHeld` is no belief but the
 * interval that a
 * safety-critical part then has, which may lag behind on purpose.
 */
import type { Grade } from '../catalogue/grades.ts';
import { believeSpeed, certainReach, expectedReach, LEARNING, type Lesson } from '../due/learning.ts';
import { heldReach } from '../due/lengthening.ts';
import { seeded, type Random } from '../statistics/random.ts';
import { drawGrade, drawLoad } from './truth.ts';

/** True speed over assumed speed. */
export const RATIOS = [1 / 3, 1 / 2, 1, 2, 3] as const;
export const METHODS_JUDGED = ['engine', 'engineSafe', 'engineHeld', 'counts', 'calendar'] as const;
export type MethodJudged = (typeof METHODS_JUDGED)[number];

export interface LearningResult {
  readonly method: MethodJudged;
  readonly ratio: number;
  /** |believed interval ÷ true interval − 1|. */
  readonly median: number;
  readonly ninetieth: number;
}

/** A method's reach, in loads at speed 1, after its lessons: the interval over the reference. */
type Reach = (lessons: readonly Lesson[]) => number;

/** Loads that a grade counts for in the count model: the middle of its class, our reading of it. */
const COUNTED: Readonly<Record<Grade, number>> = { clean: 0.12, light: 0.48, due: 1, heavy: 1.75, blocked: 2.6 };
/** Shape of the count model's gamma prior: its coefficient of variation 0.5 is as wide as the engine's spread. */
const PRIOR_COUNT = 4;

const REACHES: Readonly<Record<MethodJudged, Reach>> = {
  engine: (lessons) => expectedReach(believeSpeed(lessons), 1),
  engineSafe: (lessons) => certainReach(believeSpeed(lessons), 1),
  engineHeld: (lessons) =>
    heldReach(
      lessons
        .filter((it): it is Exclude<Lesson, 'turnover'> => it !== 'turnover')
        .map(({ grade, ...it }, day) => ({ ...it, condition: { day, kind: 'service', grade, confirmed: true } })),
      [],
      1,
      LEARNING,
    ).reach,
  // Gamma-Poisson: loads counted over exposure, both with the prior's.
  counts: (lessons) => {
    const graded = lessons.filter((it): it is Exclude<Lesson, 'turnover'> => it !== 'turnover');
    const counted = graded.reduce((sum, { grade }) => sum + COUNTED[grade], PRIOR_COUNT);
    return graded.reduce((sum, { exposure }) => sum + exposure, PRIOR_COUNT) / counted;
  },
  calendar: () => 1,
};

/** Judges every method at every ratio. @param runs parts a method and ratio */
export function judgeLearning({
  seed,
  runs,
  services,
}: {
  readonly seed: number;
  readonly runs: number;
  readonly services: number;
}): LearningResult[] {
  return METHODS_JUDGED.flatMap((method) =>
    RATIOS.map((ratio) => {
      const random = seeded(seed);
      const errors = Array.from({ length: runs }, () =>
        Math.abs(live(random, REACHES[method], ratio, services) * ratio - 1),
      ).sort((a, b) => a - b);
      return { method, ratio, median: errors[Math.floor(runs / 2)]!, ninetieth: errors[Math.floor(runs * 0.9)]! };
    }),
  );
}

function live(random: Random, reach: Reach, ratio: number, services: number): number {
  const lessons: Lesson[] = [];
  for (let i = 0; i < services; i += 1) {
    const exposure = reach(lessons);
    lessons.push({ exposure, weight: 1, grade: drawGrade(random, drawLoad(random, ratio, exposure)) });
  }
  return reach(lessons);
}
