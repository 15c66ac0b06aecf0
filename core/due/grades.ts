/** Grades: the condition found, absolute, picked against reference pictures. */

export const GRADES = ['clean', 'light', 'due', 'heavy', 'blocked'] as const;
export type Grade = (typeof GRADES)[number];

/** Upper load bound of each grade but the last. */
export const GRADE_BOUNDS = [0.25, 0.7, 1.3, 2.2] as const;

/** About one grade in ten is one class off. */
export const MISGRADE_RATE = 0.1;

/** The grade of a load ≥ 0. */
export function gradeOfLoad(load: number): Grade {
  const index = GRADE_BOUNDS.findIndex((bound) => load < bound);
  return GRADES[index === -1 ? GRADES.length - 1 : index]!;
}
