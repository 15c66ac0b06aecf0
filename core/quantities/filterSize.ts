/** Air filter sizes. The size printed on a frame is nominal; matching is done on nominal sizes. */
import { MM_PER_INCH } from './units.ts';

export interface FilterSize {
  readonly widthIn: number;
  readonly heightIn: number;
  readonly depthIn: number;
}

const LARGEST_IN = 48;

const MM: Readonly<Record<string, number>> = { mm: 1, cm: 10 };
const GLYPHS: Readonly<Record<string, string>> = { '¼': ' 1/4', '½': ' 1/2', '¾': ' 3/4' };
const SIDE = String.raw`(\d+(?:\.\d+)?(?:\s+\d+\/\d+)?|\d+\/\d+)\s*(?:"|″|''|in(?:ch(?:es)?)?\.?|mm|cm)?`;
const BETWEEN = String.raw`\s*(?:[x×✕*;]|by|-|–)\s*`;
const SIZE = new RegExp(`^${SIDE}${BETWEEN}${SIDE}${BETWEEN}${SIDE}\\.?$`, 'i');

/** `24`, `24.5`, `24 1/2`. */
function numberOf(text: string): number {
  return text.split(/\s+/).reduce((sum, part) => {
    const [over, under] = part.split('/').map(Number);
    return sum + (under === undefined ? over! : over! / under);
  }, 0);
}

/**
 * Reads a printed filter size in any notation: `16x25x1`, `16 × 25 × 1"`, `16 by 25 by 1 in`, `19 1/2 x 21½ x 1`,
 * `400×625×25 mm`, `40 x 62.5 x 2.5 cm`. Numbers above 48 are taken as millimetres; metric sizes are rounded to the
 * nearest half inch, since nominal sizes are.
 * @returns undefined where the text is no size
 */
export function parseFilterSize(text: string): FilterSize | undefined {
  const plain = text
    .trim()
    .replace(/[¼½¾]/g, (glyph) => GLYPHS[glyph]!)
    .replace(/(\d),(\d)/g, '$1.$2');
  const given = SIZE.exec(plain)?.slice(1, 4).map(numberOf);
  if (!given) return undefined;
  const unit =
    /(mm|cm)/i.exec(plain)?.[1]?.toLowerCase() ?? (given.some((side) => side > LARGEST_IN) ? 'mm' : undefined);
  const sides = given.map((side) => (unit ? Math.round(((side * MM[unit]!) / MM_PER_INCH) * 2) / 2 : side));
  const [widthIn, heightIn, depthIn] = sides as [number, number, number];
  if (!sides.every((side) => side > 0 && side <= LARGEST_IN) || depthIn > 12) return undefined;
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

/** A printed size is about so much larger than the frame, each way and in depth (from memory). */
const NOMINAL_EXTRA_IN = { face: 0.5, thin: 0.25 } as const;
const THIN_IN = 2;

/** The frame behind a printed size, inches. */
export function actualSize({ widthIn, heightIn, depthIn }: FilterSize): FilterSize {
  const side = (nominal: number) => Math.max(0.5, nominal - NOMINAL_EXTRA_IN.face);
  return {
    widthIn: side(widthIn),
    heightIn: side(heightIn),
    depthIn: depthIn <= THIN_IN ? Math.max(0.25, depthIn - NOMINAL_EXTRA_IN.thin) : depthIn,
  };
}

/** How far a rule laid along a frame may read off its actual size, inches. Ours. */
const READING_IN = 0.25;

/** Whether a size that somebody measured along a frame is that of a printed one; a frame may be turned. */
export function isActualOf(measured: FilterSize, printed: FilterSize): boolean {
  const actual = actualSize(printed);
  const near = (a: number, b: number) => Math.abs(a - b) <= READING_IN;
  const faces = [
    [actual.widthIn, actual.heightIn],
    [actual.heightIn, actual.widthIn],
  ] as const;
  return (
    near(measured.depthIn, actual.depthIn) &&
    faces.some(([width, height]) => near(measured.widthIn, width) && near(measured.heightIn, height))
  );
}
