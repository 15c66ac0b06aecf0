/**
 * The strip's scale. It is not linear: a gutter for what has no record, fresh squeezed, since nothing
 * there needs a decision; nearing and past get the room; beyond twice the interval it ends.
 */
export const GUTTER_END = 0.055;
export const LINE_AT = 0.62;
export const END_AT = 0.93;

/** Places of share 0, 0.7, 1, 2 on the strip, as parts of its width. */
const STOPS: readonly (readonly [share: number, at: number])[] = [
  [0, 0.085],
  [0.7, 0.33],
  [1, LINE_AT],
  [2, END_AT],
];

/** Where a share of interval stands, 0 to 1 of the strip's width; no record stands in the gutter. */
export function positionOf(share: number | undefined): number {
  if (share === undefined) return GUTTER_END / 2;
  for (let i = 1; i < STOPS.length; i += 1) {
    const [from, left] = STOPS[i - 1]!;
    const [to, right] = STOPS[i]!;
    if (share <= to) return left + ((Math.max(share, from) - from) / (to - from)) * (right - left);
  }
  return END_AT;
}

/** What the scale says, each at its place, written from there or around it. */
export const TICKS = [
  { at: 0.028, key: 'none', from: 'start' },
  { at: positionOf(0), key: 'fresh', from: 'start' },
  { at: positionOf(0.82), key: 'nearing', from: 'middle' },
  { at: LINE_AT, key: 'line', from: 'middle' },
  { at: positionOf(1.5), key: 'half', from: 'middle' },
  { at: positionOf(2), key: 'twice', from: 'middle' },
] as const;
