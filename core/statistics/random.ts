/** A seeded source of chance. Nothing in the core draws from anywhere else. */

/** Uniform numbers in [0, 1). */
export type Random = () => number;

/** Mulberry32: small, fast, good enough for drawings and scenarios; the same seed gives the same numbers. */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A seed from a text, FNV-1a. */
export function seedOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}

/** A standard normal draw (Box–Muller). */
export function normalDraw(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/** A gamma draw with this shape > 0 and scale > 0 (Marsaglia and Tsang 2000; boosted below shape 1). */
export function gammaDraw(random: Random, shape: number, scale: number): number {
  if (shape < 1) return gammaDraw(random, shape + 1, scale) * (1 - random()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normalDraw(random);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v * scale;
  }
}

/** An index drawn by shares that add up to 1. */
export function shareDraw(random: Random, shares: readonly number[]): number {
  let left = random();
  const found = shares.findIndex((share) => (left -= share) < 0);
  return found === -1 ? shares.length - 1 : found;
}
