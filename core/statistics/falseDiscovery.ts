/** Many tests at once: Y. Benjamini and Y. Hochberg, J. R. Statist. Soc. B 57 (1995), 289–300. */

/**
 * Indices of the findings that may be claimed, so that of all claims at most this share is false on average.
 * @param chances probability of each by chance, 0 to 1
 * @param share 0 to 1
 */
export function claimable(chances: readonly number[], share: number): number[] {
  const order = chances.map((chance, index) => ({ chance, index })).sort((a, b) => a.chance - b.chance);
  const last = order.findLastIndex(({ chance }, rank) => chance <= ((rank + 1) / chances.length) * share);
  return order.slice(0, last + 1).map(({ index }) => index);
}
