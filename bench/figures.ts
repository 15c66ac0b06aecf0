/** Middles and spreads of what was measured. */

export const quantile = (values: readonly number[], q: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))]!;
export const median = (values: readonly number[]) => quantile(values, 0.5);

/** Nine in ten of the values, with so many digits. */
export const spread = (values: readonly number[], digits = 0) =>
  `${quantile(values, 0.1).toFixed(digits)}–${quantile(values, 0.9).toFixed(digits)}`;

export const met = (yes: boolean) => (yes ? 'met' : '**missed**');
/** A share, 0 to 1, as people read it: `81.8 %`. */
export const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
