/** The gamma distribution, as far as fouling needs it. */

const LANCZOS = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
  -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** Natural logarithm of the gamma function, x > 0. Lanczos approximation (g = 7), about 15 digits. */
export function logGamma(x: number): number {
  if (!(x > 0)) throw new RangeError(`logGamma needs x > 0: ${x}`);
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  let sum = 0.99999999999980993;
  for (let i = 0; i < LANCZOS.length; i += 1) sum += LANCZOS[i]! / (x + i);
  const t = x + 6.5;
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

/**
 * Probability that a gamma variable of this shape and scale is at most `x`.
 * Series below shape + 1, continued fraction above (Lentz); absolute error under 1e-12 in the
 * range used here. Checked against the package `jstat`.
 * @param shape > 0
 * @param scale > 0
 */
export function gammaCdf(x: number, shape: number, scale: number): number {
  if (!(shape > 0) || !(scale > 0)) throw new RangeError(`gammaCdf needs shape and scale > 0: ${shape}, ${scale}`);
  if (x <= 0) return 0;
  const z = x / scale;
  const front = Math.exp(shape * Math.log(z) - z - logGamma(shape));
  return z < shape + 1 ? front * lowerSeries(z, shape) : 1 - front * upperFraction(z, shape);
}

/** The value that a gamma variable stays under with this probability, 0 to 1. By bisection; checked against `jstat`. */
export function gammaQuantile(share: number, shape: number, scale: number): number {
  let [low, high] = [0, scale * (shape + 40 * Math.sqrt(shape) + 60)];
  for (let i = 0; i < 100; i += 1) {
    const middle = (low + high) / 2;
    if (gammaCdf(middle, shape, scale) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * The exact interval for a Poisson mean of which so many were counted (Garwood 1936).
 * @param confidence 0 to 1
 */
export function poissonInterval(count: number, confidence = 0.95): { readonly low: number; readonly high: number } {
  const tail = (1 - confidence) / 2;
  return { low: count === 0 ? 0 : gammaQuantile(tail, count, 1), high: gammaQuantile(1 - tail, count + 1, 1) };
}

function lowerSeries(z: number, shape: number): number {
  let term = 1 / shape;
  let sum = term;
  for (let n = 1; n < 1000; n += 1) {
    term *= z / (shape + n);
    sum += term;
    if (term < sum * 1e-15) break;
  }
  return sum;
}

function upperFraction(z: number, shape: number): number {
  const tiny = 1e-300;
  let b = z + 1 - shape;
  let c = 1 / tiny;
  let d = 1 / b;
  let h = d;
  for (let n = 1; n < 1000; n += 1) {
    const a = -n * (n - shape);
    b += 2;
    d = 1 / (a * d + b || tiny);
    c = b + a / c || tiny;
    h *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return h;
}
