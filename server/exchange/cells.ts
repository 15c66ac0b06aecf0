/** Values as cells of a table file and back, so that no other program runs one and none is mistaken for nothing. */
import type { ExportedColumn } from './tables.ts';

const NOTHING = '\\N';
/** What spreadsheet programs take for a formula, and our own sign. */
const MARKED = /^[=+\-@\t\r\\]/;

/** The cell of a value: a backslash in front of what would be run; `\N` for nothing. */
export function cellOf(
  value: string | number | Buffer | null | undefined,
  { secret }: Pick<ExportedColumn, 'secret'>,
): string {
  if (value === null || value === undefined || secret) return NOTHING;
  if (typeof value === 'number') return String(value);
  if (Buffer.isBuffer(value)) return value.toString('base64');
  return MARKED.test(value) ? `\\${value}` : value;
}

/** The value of a cell. @throws RangeError where it is none of its column */
export function valueOf(cell: string, { name, type, nullable }: ExportedColumn): string | number | Buffer | null {
  if (cell === NOTHING) {
    if (!nullable) throw new RangeError(`${name}: nothing, where something must stand`);
    return null;
  }
  if (type === 'bytes, base64') return Buffer.from(cell, 'base64');
  if (type === 'text') return cell.startsWith('\\') ? cell.slice(1) : cell;
  const number = Number(cell);
  if (cell.trim() === '' || !Number.isFinite(number))
    throw new RangeError(`${name}: “${cell.slice(0, 40)}” is no number`);
  return number;
}
