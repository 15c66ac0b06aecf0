/** A spreadsheet's first sheet as a CSV file, so that it goes the same way as any table. */
import { isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';

type Cell = string | number | boolean | Date | null;

const isSpreadsheet = ({ name }: File): boolean => /\.xlsx$/i.test(name);

/** A cell as somebody would have typed it; a date as its day. */
function typed(cell: Cell): string {
  if (cell === null) return '';
  return cell instanceof Date ? isoFromDay(Math.floor(cell.getTime() / MS_PER_DAY)) : String(cell);
}

/**
 * The file itself where it is a table already; of a spreadsheet its first sheet.
 * @throws Error where it cannot be read
 */
export async function asTable(file: File): Promise<File> {
  if (!isSpreadsheet(file)) return file;
  const [{ readSheet }, { default: Papa }] = await Promise.all([
    import('read-excel-file/browser'),
    import('papaparse'),
  ]);
  const rows = (await readSheet(file)) as Cell[][];
  const text = Papa.unparse(rows.map((row) => row.map(typed)));
  return new File([text], `${file.name}.csv`, { type: 'text/csv' });
}
