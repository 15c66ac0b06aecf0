/** A stop of somebody's round, as it is kept. */

/** Numbers of its parts, or of those that a mishap leaves undone. */
export const numbersOfStop = ({ numbers }: { readonly numbers: string }): number[] => JSON.parse(numbers) as number[];
