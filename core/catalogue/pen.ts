/**
 * One drawing style for everything drawn: two line weights, one fill, one accent for what moves. Frames are 200 × 150.
 */
export const INK = '#3a4a4e';
export const FINE = '#8fa09f';
export const BODY = '#f7f5ee';
export const SHADE = '#e9ece6';
/** What a hand does: arrows and marks. */
export const ACCENT = '#0b6b66';
/** What must not be. */
export const WARN = '#a8391f';

export const box = (x: number, y: number, width: number, height: number, extra = '') =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${BODY}" stroke="${INK}" stroke-width="3" ${extra}/>`;

export const grid = (x: number, y: number, width: number, height: number, step: number) => {
  let path = '';
  for (let i = x + step; i < x + width; i += step) path += `M${i} ${y}v${height}`;
  for (let j = y + step; j < y + height; j += step) path += `M${x} ${j}h${width}`;
  return `<path d="${path}" stroke="${FINE}" stroke-width="1" fill="none"/>`;
};

/** A heavy line, filled like a body or not at all. */
export const line = (path: string, fill = 'none') =>
  `<path d="${path}" fill="${fill}" stroke="${INK}" stroke-width="3" stroke-linejoin="round" stroke-linecap="round"/>`;
export const fine = (path: string) =>
  `<path d="${path}" fill="none" stroke="${FINE}" stroke-width="2" stroke-linecap="round"/>`;
export const ring = (x: number, y: number, r: number, fill = BODY) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="${fill}" stroke="${INK}" stroke-width="3"/>`;

/** An accent line with an arrow head at its end; the head points from (fx, fy) to (x, y). */
export function arrow(
  path: string,
  [fx, fy, x, y]: readonly [number, number, number, number],
  colour = ACCENT,
): string {
  const angle = Math.atan2(y - fy, x - fx);
  const wing = (turn: number) =>
    `${Math.round((x - 13 * Math.cos(angle + turn)) * 10) / 10} ${Math.round((y - 13 * Math.sin(angle + turn)) * 10) / 10}`;
  return `<path d="${path}M${wing(0.5)}L${x} ${y}L${wing(-0.5)}" fill="none" stroke="${colour}" stroke-width="5" stroke-linecap="round" stroke-linejoin="round"/>`;
}
