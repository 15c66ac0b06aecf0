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

/** Loads that the grades stand for on average: the middle of each, and as far beyond the last. Our assumption. */
const TYPICAL: Readonly<Record<Grade, number>> = { clean: 0.125, light: 0.475, due: 1, heavy: 1.75, blocked: 2.6 };

/** The load that a grade stands for on average; 1 is what its interval lets gather. */
export const typicalLoad = (grade: Grade): number => TYPICAL[grade];

/** The least load that a grade stands for. */
export function leastLoad(grade: Grade): number {
  return GRADE_BOUNDS[GRADES.indexOf(grade) - 1] ?? 0;
}
