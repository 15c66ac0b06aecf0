/** Volumes, kept in millilitres. Factors: NIST Handbook 44, appendix C. */

export const ML_PER_US_GALLON = 3785.411784;
export const ML_PER_US_CUP = 236.5882365;
export const ML_PER_US_FLUID_OUNCE = 29.5735295625;

/** US gallons in a volume of millilitres. */
export function gallons(volumeMl: number): number {
  return volumeMl / ML_PER_US_GALLON;
}

/** Millilitres in a number of US cups. */
export function mlFromCups(cups: number): number {
  return cups * ML_PER_US_CUP;
}
