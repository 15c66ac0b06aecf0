/** Drawing one strip: its rail, the ground past the line, and its marks. */
import { GLYPHS } from './glyphs.ts';
import { isIdle, isLate, isOnHold, isSent, type Mark } from './marks.ts';
import type { Palette } from '../theme/palette.ts';
import type { MarkPosition } from './layoutMarks.ts';
import { GUTTER_END, LINE_AT } from './scale.ts';

const paths = new Map<string, Path2D>();

function pathOf(text: string): Path2D {
  let path = paths.get(text);
  if (!path) paths.set(text, (path = new Path2D(text)));
  return path;
}

/** A mark of the board with the place it was drawn at. */
export type BoardMark = MarkPosition<Mark>;

/** Rail, past ground, line: what every row stands on. */
export function drawRail(
  context: CanvasRenderingContext2D,
  palette: Palette,
  width: number,
  top: number,
  height: number,
): void {
  const line = Math.round(LINE_AT * width);
  context.fillStyle = palette['past-ground'];
  context.fillRect(line, top, width - line, height);
  context.strokeStyle = palette.hair;
  context.lineWidth = 1.5;
  context.beginPath();
  context.moveTo(GUTTER_END * width + 6, top + height / 2);
  context.lineTo(width, top + height / 2);
  context.stroke();
  context.fillStyle = palette.dew;
  context.fillRect(line - 1.5, top, 3, height);
}

/** How a mark is framed: picked for the panel beside, chosen with others, or not at all. */
export type Frame = 'picked' | 'chosen' | null;

export function drawMark(context: CanvasRenderingContext2D, palette: Palette, placed: BoardMark, frame: Frame): void {
  const { mark, x, y, crowded } = placed;
  if (placed.count !== undefined && placed.count > 1) return drawCount(context, palette, placed, frame);
  const small = mark.state === 'fresh';
  const usual = crowded ? 0.82 : 1;
  const scale = small ? 0.74 : usual;
  const glyph = GLYPHS[mark.type.kind];
  const colour = colourOf(mark, palette);
  context.save();
  context.translate(x, y);
  if (frame) {
    context.strokeStyle = palette[frame === 'picked' ? 'ink' : 'dew-deep'];
    context.lineWidth = 2;
    context.setLineDash(frame === 'picked' ? [] : [5, 3]);
    context.strokeRect(-12, -12, 24, 24);
    context.setLineDash([]);
  }
  if (mark.type.safetyCritical && !small) {
    context.fillStyle = palette.panel;
    const half = crowded ? 7 : 9;
    context.fillRect(-half, -half, 2 * half, 2 * half);
    context.strokeStyle = colour;
    context.lineWidth = 1.4;
    context.strokeRect(-half, -half, 2 * half, 2 * half);
  }
  context.strokeStyle = colour;
  context.fillStyle = colour;
  if (!small) drawSign(context, mark, crowded);
  if (mark.share !== undefined && mark.share > 2) drawBeyond(context);
  context.scale(scale, scale);
  context.translate(-6, -6);
  const path = pathOf(glyph.path);
  const hollow = mark.state === 'noRecord' || isSent(mark);
  context.setLineDash(mark.state === 'noRecord' ? [1.6, 1.4] : []);
  if (glyph.stroke > 0 || hollow) {
    context.lineWidth = hollow ? Math.min(1.2, glyph.stroke || 1.3) : glyph.stroke;
    context.stroke(path);
  } else {
    context.fill(path);
  }
  context.restore();
}

/** How many parts of a home have no record, in one dotted ring. */
function drawCount(
  context: CanvasRenderingContext2D,
  palette: Palette,
  { x, y, count }: BoardMark,
  frame: Frame,
): void {
  context.save();
  context.translate(x, y);
  context.strokeStyle = frame ? palette.ink : palette.fresh;
  context.fillStyle = palette.ink;
  context.lineWidth = frame ? 2 : 1.3;
  context.setLineDash(frame === 'picked' ? [] : [1.6, 1.8]);
  context.beginPath();
  context.arc(0, 0, 10, 0, 2 * Math.PI);
  context.stroke();
  context.font = '600 10px "Archivo Variable", Arial, sans-serif';
  context.textAlign = 'center';
  context.textBaseline = 'middle';
  context.fillText(String(count), 0, 0.5);
  context.restore();
}

function colourOf(mark: Mark, palette: Palette): string {
  if (isLate(mark)) return palette.alarm;
  if (isOnHold(mark)) return palette.fresh;
  if (!isIdle(mark)) return palette.dew;
  return mark.state === 'fresh' || mark.state === 'noRecord' ? palette.fresh : palette.ink;
}

/**
 * The second sign beside colour: a foot where somebody is on it, a tick where it was sent, two bars where it is on
 * hold.
 */
function drawSign(context: CanvasRenderingContext2D, mark: Mark, crowded: boolean): void {
  if (isIdle(mark)) return;
  const usual = mark.type.safetyCritical ? 12 : 9.5;
  const y = crowded ? 7 : usual;
  context.lineWidth = 2;
  context.beginPath();
  if (isOnHold(mark)) {
    for (const x of [-2, 2]) {
      context.moveTo(x, y - 2);
      context.lineTo(x, y + 2.5);
    }
  } else if (isSent(mark)) {
    context.moveTo(-3.5, y - 1);
    context.lineTo(-1, y + 1.5);
    context.lineTo(4, y - 2.5);
  } else {
    context.moveTo(-4.5, y);
    context.lineTo(4.5, y);
  }
  context.stroke();
}

function drawBeyond(context: CanvasRenderingContext2D): void {
  context.lineWidth = 1.6;
  context.beginPath();
  for (const x of [11, 15]) {
    context.moveTo(x, -3.5);
    context.lineTo(x + 3, 0);
    context.lineTo(x, 3.5);
  }
  context.stroke();
}

/** The mark nearest to a point of the strip, within reach. */
export function nearestMark(placed: readonly BoardMark[], x: number, y: number): BoardMark | undefined {
  let best: BoardMark | undefined;
  let bestDistance = 14 ** 2;
  for (const it of placed) {
    const distance = (it.x - x) ** 2 + (it.y - y) ** 2;
    if (distance < bestDistance) [best, bestDistance] = [it, distance];
  }
  return best;
}
