/** The beta distribution: the share of which it stays below with a probability. */
import { logGamma } from './gamma.ts';

const TINY = 1e-300;
const CLOSE = 1e-14;
const MOST_TERMS = 500;

/** The continued fraction of the incomplete beta function, by Lentz's method (Abramowitz and Stegun 26.5.8). */
function fraction(x: number, a: number, b: number): number {
  const safe = (value: number) => (Math.abs(value) < TINY ? TINY : value);
  let c = 1;
  let d = 1 / safe(1 - ((a + b) * x) / (a + 1));
  let result = d;
  for (let m = 1; m <= MOST_TERMS; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / safe(1 + even * d);
    c = safe(1 + even / c);
    result *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / safe(1 + odd * d);
    c = safe(1 + odd / c);
    const step = d * c;
    result *= step;
    if (Math.abs(step - 1) < CLOSE) break;
  }
  return result;
}

/** How likely a beta variable is at most `x`, 0 to 1. Checked against the package `jstat`. @param a, b > 0 */
export function betaCdf(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2) ? (front * fraction(x, a, b)) / a : 1 - (front * fraction(1 - x, b, a)) / b;
}

/** The value that a beta variable stays under with this probability, by bisection; checked against `jstat`. */
export function betaQuantile(share: number, a: number, b: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    if (betaCdf(middle, a, b) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
