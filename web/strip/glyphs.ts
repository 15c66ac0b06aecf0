/** Our own mark for each kind of service point, drawn in a 12 × 12 box, legible at that size. */
import type { PointKind } from '../../core/catalogue/types.ts';

export interface Glyph {
  readonly path: string;
  /** Stroke width; 0 is filled. */
  readonly stroke: number;
}

export const GLYPHS: Readonly<Record<PointKind, Glyph>> = {
  filter: { path: 'M1.8 1v10M4.6 1v10M7.4 1v10M10.2 1v10', stroke: 1.6 },
  screen: { path: 'M1.5 1.5h9v9h-9zM6 1.5v9M1.5 6h9', stroke: 1.5 },
  seal: { path: 'M6 1.7a4.3 4.3 0 1 1-.01 0z', stroke: 1.9 },
  drain: { path: 'M6 .6C8 3.3 9.9 5.3 9.9 7.6a3.9 3.9 0 0 1-7.8 0C2.1 5.3 4 3.3 6 .6z', stroke: 0 },
  duct: { path: 'M.8 3.2h4.7q3.3 0 3.3 3.3v4.7M.8 7.4h2.6q1.2 0 1.2 1.2v2.6M.8 1.6v7.4M3 11.2h7.4', stroke: 1.4 },
  coil: { path: 'M.8 9c0-9 3.5-9 3.5-3s3.4 6 3.4 0 3.5-6 3.5 3', stroke: 1.6 },
  fan: {
    path: 'M6 6C3 3 4 .8 6 .8S7.5 4 6 6c3-3 5.2-2 5.2 0S8 7.5 6 6c3 3 2 5.2 0 5.2S4.5 8 6 6C3 9 .8 8 .8 6S4 4.5 6 6z',
    stroke: 0,
  },
  tub: { path: 'M1.5 2v5.5a3 3 0 0 0 3 3h3a3 3 0 0 0 3-3V2', stroke: 1.7 },
  sensor: { path: 'M6 .8L11.2 6 6 11.2.8 6z', stroke: 1.5 },
  visit: { path: 'M2.2 11V4.2L6 .9l3.8 3.3V11M6 11V7', stroke: 1.6 },
};
