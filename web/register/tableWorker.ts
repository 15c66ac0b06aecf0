/**
 * Reads a CSV file row by row beside the page: matches its heads, checks its rows, tells how far it is. Keeps no rows.
 */
import Papa from 'papaparse';
import { delimiterOf } from '../../core/register/delimiter.ts';
import { matchColumns, type Column } from '../../core/register/columns.ts';
import { encodingOf, type Encoding } from '../../core/register/decode.ts';
import { keyOfUnit, rowReader, type Cells, type RowProblem } from '../../core/register/rows.ts';
import { columnNames, wordingOf } from '../../core/register/wording.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import type { KnownAnswer } from '../../contract/register/bulk.ts';

export type Ask =
  | { readonly ask: 'heads'; readonly file: File }
  | {
      readonly ask: 'rows';
      readonly file: File;
      readonly columns: readonly (Column | null)[];
      readonly encoding: Encoding;
      readonly known: KnownAnswer;
    };

export interface WrongRow {
  readonly row: number;
  readonly says: readonly string[];
}

/** A unit as its rows were read: the machines as they will be named. */
export interface SampleUnit {
  readonly property: string;
  readonly unit: string;
  readonly tenant: string;
  machines: string[];
}

export type TableMessage =
  | {
      readonly told: 'heads';
      readonly heads: readonly string[];
      readonly sample: readonly string[];
      readonly columns: readonly (Column | null)[];
      readonly encoding: Encoding;
    }
  | { readonly told: 'progress'; readonly share: number; readonly rows: number }
  | {
      readonly told: 'done';
      readonly rows: number;
      readonly properties: number;
      readonly units: number;
      readonly machines: number;
      readonly wrong: number;
      readonly first: readonly WrongRow[];
      readonly sample: readonly SampleUnit[];
    };

const say = translator('en-GB', coreText);
/** As many wrong rows are listed. */
const LISTED = 50;
/** As many units are shown as they were read. */
const SHOWN = 6;
const CHUNK_BYTES = 256 * 1024;

/** By the bytes, a slice at a time, so that a file of any size takes no more room. */
async function encodingOfFile(file: File): Promise<Encoding> {
  const start = encodingOf(new Uint8Array(await file.slice(0, 4).arrayBuffer()));
  if (start !== 'utf-8') return start === 'windows-1252' ? 'windows-1252' : start;
  const decoder = new TextDecoder('utf-8', { fatal: true });
  try {
    for (let at = 0; at < file.size; at += CHUNK_BYTES * 4)
      decoder.decode(await file.slice(at, at + CHUNK_BYTES * 4).arrayBuffer(), { stream: true });
    decoder.decode();
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}

async function parse(
  file: File,
  encoding: Encoding,
  step: (cells: string[], cursor: number, stop: () => void) => void,
): Promise<void> {
  const head = new TextDecoder(encoding).decode(await file.slice(0, CHUNK_BYTES).arrayBuffer());
  return new Promise((resolve, reject) => {
    Papa.parse<string[]>(file, {
      delimiter: delimiterOf(head),
      encoding,
      skipEmptyLines: 'greedy',
      chunkSize: CHUNK_BYTES,
      step: ({ data, meta }, parser) => step(data, meta.cursor, () => parser.abort()),
      complete: () => resolve(),
      error: reject,
    });
  });
}

async function readHeads(file: File): Promise<TableMessage> {
  const encoding = await encodingOfFile(file);
  const lines: string[][] = [];
  await parse(file, encoding, (cells, _cursor, stop) => {
    if (lines.push(cells) === 2) stop();
  });
  const heads = (lines[0] ?? []).map((head) => head.replace(/^\uFEFF/, '').trim());
  return { told: 'heads', heads, sample: lines[1] ?? [], encoding, columns: matchColumns(heads, columnNames(say)) };
}

async function readRows({ file, columns, encoding, known }: Extract<Ask, { ask: 'rows' }>): Promise<TableMessage> {
  const read = rowReader(known.known, wordingOf(say, known.zone, known.today));
  const names = columnNames(say);
  const first: WrongRow[] = [];
  const properties = new Set(Object.keys(known.known.properties));
  const units = new Set(Object.keys(known.known.units));
  const before = { properties: properties.size, units: units.size };
  let rowNumber = 0;
  let wrong = 0;
  let machines = 0;
  const sample = new Map<string, SampleUnit>();
  const words = ({ column, key, values }: RowProblem) => say(`row.${key}`, { column: names[column], ...values });
  await parse(file, encoding, (cells, cursor) => {
    rowNumber += 1;
    if (rowNumber === 1) return;
    const byColumn: Cells = Object.fromEntries(
      columns.flatMap((column, i) => (column ? [[column, cells[i] ?? '']] : [])),
    );
    const { row, problems } = read(byColumn, rowNumber);
    properties.add(row.property);
    units.add(keyOfUnit(row.property, row.unit));
    if (row.machine) machines += 1;
    const key = keyOfUnit(row.property, row.unit);
    if (!sample.has(key) && sample.size < SHOWN)
      sample.set(key, { property: row.property, unit: row.unit, tenant: row.tenancy?.name ?? '', machines: [] });
    if (row.machine?.type)
      sample
        .get(key)
        ?.machines.push(
          [row.machine.label || say(`machine.${row.machine.type}`), row.machine.filterSize].filter(Boolean).join(', '),
        );
    if (problems.length > 0) {
      wrong += 1;
      if (first.length < LISTED) first.push({ row: rowNumber, says: problems.map(words) });
    }
    if (rowNumber % 500 === 0)
      self.postMessage({
        told: 'progress',
        share: Math.min(1, cursor / file.size),
        rows: rowNumber - 1,
      } satisfies TableMessage);
  });
  return {
    told: 'done',
    rows: Math.max(0, rowNumber - 1),
    properties: properties.size - before.properties,
    units: units.size - before.units,
    machines,
    wrong,
    first,
    sample: [...sample.values()],
  };
}

self.onmessage = async ({ data }: MessageEvent<Ask>) => {
  self.postMessage(data.ask === 'heads' ? await readHeads(data.file) : await readRows(data));
};
