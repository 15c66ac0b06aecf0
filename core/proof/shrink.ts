/** How a photo is made small enough for a thin line, before it leaves the phone. */

/** A photo leaves the phone below this. */
export const PHOTO_BYTES = 500_000;
/** Longest side in pixels that a proof needs; the server keeps no more. */
export const PHOTO_SIDE = 1600;

export interface Try {
  readonly side: number;
  readonly quality: number;
}

/**
 * What is tried in turn until the photo is below `PHOTO_BYTES`: quality goes before size, since proof lives on detail.
 */
export const TRIES: readonly Try[] = [
  { side: PHOTO_SIDE, quality: 0.85 },
  { side: PHOTO_SIDE, quality: 0.72 },
  { side: 1280, quality: 0.72 },
  { side: 1024, quality: 0.65 },
  { side: 800, quality: 0.55 },
];

/** Width and height that fit `side`, never larger than the picture. */
export function fitted(width: number, height: number, side: number): { width: number; height: number } {
  const scale = Math.min(1, side / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}
