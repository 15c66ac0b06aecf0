/** The board from the top down: a head for each property where it is grouped, and tiles of a few rows. */
import { isPast, isSent, type BoardRow } from '../strip/marks.ts';

const TILE_ROWS = 8;
const HEAD = 34;

export interface Block {
  readonly key: string;
  /** Where it begins and how tall it is, in pixels. */
  readonly y: number;
  readonly height: number;
  /** The property it is the head of; null is a tile. */
  readonly property: number | null;
  readonly rows: readonly BoardRow[];
  readonly late: number;
}

const isLateRow = ({ marks }: BoardRow) => marks.some((mark) => isPast(mark) && !isSent(mark));

function groupsOf(rows: readonly BoardRow[], grouped: boolean): [number | null, readonly BoardRow[]][] {
  if (!grouped) return [[null, rows]];
  const byProperty = new Map<number, BoardRow[]>();
  for (const row of rows) {
    const own = byProperty.get(row.property) ?? [];
    own.push(row);
    byProperty.set(row.property, own);
  }
  return [...byProperty];
}

/** Heads and tiles, each with its place; of a folded property the head alone. */
export function blocksOf(
  rows: readonly BoardRow[],
  grouped: boolean,
  folded: ReadonlySet<number>,
  rowHeight: number,
): Block[] {
  const all: Block[] = [];
  let y = 0;
  const add = (block: Omit<Block, 'y'>) => {
    all.push({ ...block, y });
    y += block.height;
  };
  for (const [property, own] of groupsOf(rows, grouped)) {
    const late = own.reduce((sum, row) => sum + row.marks.filter((mark) => isPast(mark) && !isSent(mark)).length, 0);
    if (property !== null) add({ key: `p${property}`, height: HEAD, property, rows: own, late });
    if (property !== null && folded.has(property)) continue;
    for (let i = 0; i < own.length; i += TILE_ROWS) {
      const some = own.slice(i, i + TILE_ROWS);
      add({ key: some[0]!.id, height: some.length * rowHeight, property: null, rows: some, late: 0 });
    }
  }
  return all;
}

/** Where rows with a late mark begin, in pixels from the top. */
export const troublesOf = (blocks: readonly Block[], rowHeight: number): number[] =>
  blocks
    .filter(({ property }) => property === null)
    .flatMap(({ y, rows }) => rows.flatMap((row, i) => (isLateRow(row) ? [y + i * rowHeight] : [])));
