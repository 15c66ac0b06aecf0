/** Grades: the condition found, absolute, picked against reference pictures. */

export const GRADES = ['clean', 'light', 'due', 'heavy', 'blocked'] as const;
export type Grade = (typeof GRADES)[number];

/** Upper load bound of each grade but the last. */
export const GRADE_BOUNDS = [0.25, 0.7, 1.3, 2.2] as const;

/** The grade of a load ≥ 0. */
export function gradeOfLoad(load: number): Grade {
  const index = GRADE_BOUNDS.findIndex((bound) => load < bound);
  return GRADES[index === -1 ? GRADES.length - 1 : index]!;
}

/** The least load that a grade stands for. */
export function leastLoad(grade: Grade): number {
  return GRADE_BOUNDS[GRADES.indexOf(grade) - 1] ?? 0;
}
