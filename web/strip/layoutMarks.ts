/** Where the marks of a strip stand: one layout for the board's rows and for every gauge. */
import { positionOf } from './scale.ts';

export interface MarkPosition<M> {
  readonly mark: M;
  readonly x: number;
  readonly y: number;
  /** It shares its place with others and is drawn smaller. */
  readonly crowded: boolean;
  /** Of parts without a record: how many this one mark stands for. */
  readonly count?: number;
}

/** Marks nearer to each other than this share a place and step apart. */
const ROOM = 14;

/** Heights over the middle that a crowd of so many takes, in parts of the half row. */
const LEVELS: readonly (readonly number[])[] = [[0], [-0.5, 0.5], [-0.6, 0, 0.6]];

/**
 * Places the marks of a row; those that would collide step up and down. What has no record has no place on the scale:
 * one counted mark stands for all of it.
 * @param all the marks, by ascending share
 * @param width of the strip, in pixels
 * @param top of the row, in pixels
 * @param height of the row, in pixels
 * @param foremost which of those without a record is shown for all of them
 */
export function layoutMarks<M extends { readonly share?: number | undefined }>(
  all: readonly M[],
  width: number,
  top: number,
  height: number,
  foremost: (mark: M) => boolean = () => true,
): MarkPosition<M>[] {
  const middle = top + height / 2;
  const placed: MarkPosition<M>[] = [];
  const unknown = all.filter(({ share }) => share === undefined);
  const marks = all.filter(({ share }) => share !== undefined);
  if (unknown.length > 0)
    placed.push({
      mark: unknown.find(foremost) ?? unknown[0]!,
      x: positionOf(undefined) * width,
      y: middle,
      crowded: false,
      count: unknown.length,
    });
  for (let from = 0; from < marks.length;) {
    const start = positionOf(marks[from]!.share) * width;
    let to = from + 1;
    while (to < marks.length && positionOf(marks[to]!.share) * width - start < ROOM) to += 1;
    const crowd = marks.slice(from, to);
    const levels = LEVELS[Math.min(crowd.length, LEVELS.length) - 1]!;
    crowd.forEach((mark, i) =>
      placed.push({
        mark,
        crowded: crowd.length > 1,
        x: positionOf(mark.share) * width + Math.floor(i / levels.length) * 7,
        y: middle + levels[i % levels.length]! * (height / 2),
      }),
    );
    from = to;
  }
  return placed;
}
