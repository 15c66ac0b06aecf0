/** Water hardness as calcium carbonate. Classes: USGS water-science classification (from memory). */

export type HardnessClass = 'soft' | 'moderate' | 'hard' | 'veryHard';

/** Class of a hardness in mg/L: soft to 60, moderately hard to 120, hard to 180, very hard above. */
export function hardnessClass(hardnessMgL: number): HardnessClass {
  if (!(hardnessMgL >= 0)) throw new RangeError(`hardness must be 0 mg/L or more: ${hardnessMgL}`);
  if (hardnessMgL <= 60) return 'soft';
  if (hardnessMgL <= 120) return 'moderate';
  return hardnessMgL <= 180 ? 'hard' : 'veryHard';
}

/** Units in which a water report may state hardness. */
export const HARDNESS_UNITS = ['mgL', 'gpg', 'dH', 'fH', 'mmolL'] as const;
export type HardnessUnit = (typeof HARDNESS_UNITS)[number];

/**
 * mg/L as CaCO3 in one of each unit. 1 gpg = 17.1 (USGS, from memory); German degree 17.848, French degree
 * 10, mmol/L 100.09 (from their definitions, from memory).
 */
const MG_PER_LITRE: Readonly<Record<HardnessUnit, number>> = { mgL: 1, gpg: 17.1, dH: 17.848, fH: 10, mmolL: 100.09 };

/** Hardness in mg/L as CaCO3, to a tenth. */
export function hardnessMgL(value: number, unit: HardnessUnit): number {
  return Math.round(value * MG_PER_LITRE[unit] * 10) / 10;
}

/** Our assumption: so few mg/L are oftener grains or degrees that somebody read off a report. */
const SUSPICIOUS_MG_L = 30;

/** Readings that were more likely meant by a very low number of mg/L; empty for an ordinary one. */
export function likelierMeant(value: number): { readonly unit: HardnessUnit; readonly mgL: number }[] {
  if (!(value > 0) || value >= SUSPICIOUS_MG_L) return [];
  return (['gpg', 'dH', 'fH'] as const).map((unit) => ({ unit, mgL: hardnessMgL(value, unit) }));
}
