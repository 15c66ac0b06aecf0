/** Middles and spreads of what was measured. */

export const quantile = (values: readonly number[], q: number) => [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))]!;
export const median = (values: readonly number[]) => quantile(values, 0.5);
