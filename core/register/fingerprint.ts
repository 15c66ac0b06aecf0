/** A number that stands for a text, so that a file's texts need not be kept to be compared. */

/** Odd multipliers of two lanes that mix differently (those of multiplicative hashing, and a prime of that size). */
const LANES = [0x9e3779b1, 0x5f356495] as const;
const HIGH_BITS = 21;

/**
 * 53 bits by two lanes of multiplying and mixing: among a hundred thousand texts two are alike by chance once in a
 * million files.
 */
export function fingerprintOf(text: string): number {
  let [a, b] = [0xdeadbeef, 0x41c6ce57];
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, LANES[0]);
    b = Math.imul(b ^ code, LANES[1]);
  }
  a = Math.imul(a ^ (a >>> 16), LANES[1]) ^ Math.imul(b ^ (b >>> 13), LANES[0]);
  b = Math.imul(b ^ (b >>> 16), LANES[1]) ^ Math.imul(a ^ (a >>> 13), LANES[0]);
  return (b >>> (32 - HIGH_BITS)) * 2 ** 32 + (a >>> 0);
}
