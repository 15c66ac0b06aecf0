/**
 * Whether two photos show the same picture. A 64-bit gradient hash in eight orientations makes a
 * shortlist; it does not decide, since fresh photos of one kind of part come near by themselves. What
 * decides is the correlation of the pixels themselves, on a small grey thumbnail.
 */

export const THUMB_SIDE = 32;
const HASH_COLUMNS = 9;
const HASH_ROWS = 8;
/** Bits that may differ for a pair to be compared at all. */
const SHORTLIST_BITS = 14;
/** Correlation of thumbnails from which two photos are called the same picture. Our assumption. */
export const SAME_PICTURE = 0.985;

/** Grey values 0–255, `THUMB_SIDE`² of them, row by row. */
export type Thumb = Uint8Array;

/** The pixels of each cell of the hash, row by row. */
const CELLS: readonly (readonly number[])[] = Array.from({ length: HASH_ROWS * HASH_COLUMNS }, (_, i) => {
  const rows = span(Math.floor(i / HASH_COLUMNS), HASH_ROWS);
  const columns = span(i % HASH_COLUMNS, HASH_COLUMNS);
  return rows.flatMap((y) => columns.map((x) => y * THUMB_SIDE + x));
});

/** The pixels of a side that part `index` of `parts` covers. */
function span(index: number, parts: number): number[] {
  const from = Math.floor((index * THUMB_SIDE) / parts);
  const to = Math.floor(((index + 1) * THUMB_SIDE) / parts);
  return Array.from({ length: to - from }, (_, i) => from + i);
}

/** The gradient hash of a thumbnail: is each cell brighter than its right neighbour. 16 hex digits. */
export function gradientHash(thumb: Thumb): string {
  const means = CELLS.map((pixels) => {
    let sum = 0;
    for (const pixel of pixels) sum += thumb[pixel]!;
    return sum / pixels.length;
  });
  let hash = '';
  for (let row = 0; row < HASH_ROWS; row += 1) {
    let byte = 0;
    for (let i = row * HASH_COLUMNS; i < (row + 1) * HASH_COLUMNS - 1; i += 1)
      byte = byte * 2 + (means[i]! > means[i + 1]! ? 1 : 0);
    hash += byte.toString(16).padStart(2, '0');
  }
  return hash;
}

/** Bits in which two hashes differ, 0 to 64. */
export function hashDistance(a: string, b: string): number {
  let bits = 0;
  for (let i = 0; i < a.length; i += 8) {
    let differing = parseInt(a.slice(i, i + 8), 16) ^ parseInt(b.slice(i, i + 8), 16);
    for (; differing; differing &= differing - 1) bits += 1;
  }
  return bits;
}

/** The eight orientations of a square thumbnail: four turns, each also mirrored. */
export function orientations(thumb: Thumb): Thumb[] {
  const turned = [thumb];
  for (let i = 0; i < 3; i += 1) turned.push(remapped(turned[i]!, (x, y) => [y, THUMB_SIDE - 1 - x]));
  return turned.flatMap((it) => [it, remapped(it, (x, y) => [THUMB_SIDE - 1 - x, y])]);
}

function remapped(thumb: Thumb, source: (x: number, y: number) => [number, number]): Thumb {
  return thumb.map((_, i) => {
    const [x, y] = source(i % THUMB_SIDE, Math.floor(i / THUMB_SIDE));
    return thumb[y * THUMB_SIDE + x]!;
  });
}

/** Pearson correlation of two thumbnails, −1 to 1; 0 where one is flat. */
export function correlation(a: Thumb, b: Thumb): number {
  const meanA = meanOf(a);
  const meanB = meanOf(b);
  let ab = 0;
  let aa = 0;
  let bb = 0;
  for (let i = 0; i < a.length; i += 1) {
    const da = a[i]! - meanA;
    const db = b[i]! - meanB;
    ab += da * db;
    aa += da * da;
    bb += db * db;
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0;
}

function meanOf(thumb: Thumb): number {
  let sum = 0;
  for (const value of thumb) sum += value;
  return sum / thumb.length;
}

export interface KnownPhoto {
  readonly id: string;
  readonly hash: string;
  readonly thumb: Thumb;
}

/** The earlier photo most like this one, where one is the same picture in any orientation. */
export function sameAs<T extends KnownPhoto>(
  thumb: Thumb,
  earlier: readonly T[],
): { photo: T; likeness: number } | undefined {
  let best: { photo: T; likeness: number } | undefined;
  for (const turned of orientations(thumb)) {
    const hash = gradientHash(turned);
    for (const photo of earlier) {
      if (hashDistance(hash, photo.hash) > SHORTLIST_BITS) continue;
      const likeness = correlation(turned, photo.thumb);
      if (likeness >= SAME_PICTURE && likeness > (best?.likeness ?? 0)) best = { photo, likeness };
    }
  }
  return best;
}
