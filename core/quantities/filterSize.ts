/** Air filter sizes. The size printed on a frame is nominal; matching is done on nominal sizes. */

export interface FilterSize {
  readonly widthIn: number;
  readonly heightIn: number;
  readonly depthIn: number;
}

export const MM_PER_INCH = 25.4;
const LARGEST_IN = 48;

/**
 * Reads a printed filter size: `16x25x1`, `16 × 25 × 1"`, `16 by 25 by 1 in`, `400×625×25 mm`.
 * Numbers above 48 are taken as millimetres and rounded to the nearest half inch, since nominal sizes are.
 * @returns undefined where the text is no size
 */
export function parseFilterSize(text: string): FilterSize | undefined {
  const numbers = text.trim().replace(/,/g, '.').match(
    /^(\d+(?:\.\d+)?)\s*(?:"|in|mm)?\s*(?:[x×*]|by)\s*(\d+(?:\.\d+)?)\s*(?:"|in|mm)?\s*(?:[x×*]|by)\s*(\d+(?:\.\d+)?)\s*(?:"|″|in(?:ch(?:es)?)?|mm)?\.?$/i,
  );
  if (!numbers) return undefined;
  const given = numbers.slice(1, 4).map(Number);
  const metric = /mm/i.test(text) || given.some((side) => side > LARGEST_IN);
  const sides = given.map((side) => (metric ? Math.round((side / MM_PER_INCH) * 2) / 2 : side));
  const [widthIn, heightIn, depthIn] = sides as [number, number, number];
  if (sides.some((side) => side <= 0 || side > LARGEST_IN) || depthIn > 12) return undefined;
  return { widthIn, heightIn, depthIn };
}

/** The size as the product writes it: `16 × 25 × 1 in`. */
export function formatFilterSize({ widthIn, heightIn, depthIn }: FilterSize): string {
  return `${widthIn} × ${heightIn} × ${depthIn} in`;
}

/** Whether two frames fit the same slot; a frame may be turned, so width and height may swap. */
export function sameFilterSize(a: FilterSize, b: FilterSize): boolean {
  const face = ({ widthIn, heightIn }: FilterSize) => [widthIn, heightIn].sort((x, y) => x - y).join('x');
  return face(a) === face(b) && a.depthIn === b.depthIn;
}
