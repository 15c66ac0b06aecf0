/** Cells of a row that the register has otherwise. */
import type { Column } from './columns.ts';
import type { Said } from './known.ts';

/** A cell that the register has otherwise; nothing is known where `was` is empty. */
export interface CellChange {
  readonly column: Column;
  readonly was: string;
  readonly becomes: string;
}

/** What the row says otherwise than the register; an empty cell says nothing. */
export function differing(said: ReadonlySet<Column>, becomes: Said, was: Said): CellChange[] {
  return (Object.keys(becomes) as Column[])
    .filter((column) => said.has(column) && (becomes[column] ?? '') !== (was[column] ?? ''))
    .map((column) => ({ column, was: was[column] ?? '', becomes: becomes[column] ?? '' }));
}
