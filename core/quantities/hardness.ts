/** Water hardness as calcium carbonate. Classes: USGS water-science classification (from memory). */

export type HardnessClass = 'soft' | 'moderate' | 'hard' | 'veryHard';

/** Class of a hardness in mg/L: soft to 60, moderately hard to 120, hard to 180, very hard above. */
export function hardnessClass(hardnessMgL: number): HardnessClass {
  if (!(hardnessMgL >= 0)) throw new RangeError(`hardness must be 0 mg/L or more: ${hardnessMgL}`);
  if (hardnessMgL <= 60) return 'soft';
  if (hardnessMgL <= 120) return 'moderate';
  return hardnessMgL <= 180 ? 'hard' : 'veryHard';
}
