/**
 * Reads a CSV file row by row beside the page: matches its heads, checks its rows, tells how far it is. Keeps no rows.
 */
import Papa from 'papaparse';
import { delimiterOf } from '../../core/register/delimiter.ts';
import { teachMachine } from '../../core/catalogue/defined.ts';
import { machineTypes } from '../../core/catalogue/machines.ts';
import { matchColumns, type Column } from '../../core/register/columns.ts';
import { encodingOf, type Encoding } from '../../core/register/decode.ts';
import { keyOfUnit, plainName, type KnownRegister } from '../../core/register/known.ts';
import type { RegisterRow, RowProblem } from '../../core/register/row.ts';
import { rowReader, type Cells } from '../../core/register/rows.ts';
import { columnNames, wordingOf } from '../../core/register/wording.ts';
import { LANGUAGES, type Language } from '../../core/language/languages.ts';
import { coreVoices } from '../../core/voices.ts';
import { changeLooker, type ChangeCounts, type ChangeLine } from './changeLooker.ts';
import { MAX_LEFT_OUT, type KnownAnswer } from '../../contract/register/bulk.ts';

/** In what whoever asks is answered. */
export interface Spoken {
  readonly language: Language;
}

export type Ask =
  | { readonly ask: 'heads'; readonly file: File }
  | {
      readonly ask: 'rows';
      readonly file: File;
      readonly columns: readonly (Column | null)[];
      readonly encoding: Encoding;
      readonly known: KnownAnswer;
      /** What the file's machines are, by their plain name. */
      readonly named: KnownRegister['named'];
      readonly without: readonly number[];
      readonly emptyIsVacant: boolean;
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
      readonly left: number;
      /** Rows that want another look, as many as may be left out. */
      readonly wrongRows: readonly number[];
      /** Names that no machine goes by, and on how many rows. */
      readonly unknown: readonly { readonly name: string; readonly rows: number }[];
      /** What they may be: machines of the catalogue, by their names. */
      readonly types: readonly { readonly type: string; readonly name: string }[];
      readonly changes: readonly ChangeLine[];
      readonly counts: ChangeCounts;
      /** Tenancies that run today. */
      readonly running: number;
    };

/** The heads of a file. */
export type TableHeads = Extract<TableMessage, { told: 'heads' }>;
/** A file whose rows were looked through. */
export type TableResult = Extract<TableMessage, { told: 'done' }>;

/** The reader's language first; what stands in the file may be in another. */
let voices = coreVoices(LANGUAGES[0]);
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
  return {
    told: 'heads',
    heads,
    sample: lines[1] ?? [],
    encoding,
    columns: matchColumns(heads, ...voices.map(columnNames)),
  };
}

async function readRows(ask: Extract<Ask, { ask: 'rows' }>): Promise<TableMessage> {
  const { file, columns, encoding, known } = ask;
  const [say, ...also] = voices;
  const named = { ...known.known.named, ...ask.named };
  for (const machine of known.defined) teachMachine(machine);
  const types = [...machineTypes.keys(), ...known.defined.map(({ key }) => key)];
  const read = rowReader(known.known, wordingOf(say, { zone: known.zone, today: known.today, named, types, also }));
  const without = new Set(ask.without);
  const unknown = new Map<string, { name: string; rows: number }>();
  const wrongRows: number[] = [];
  const looked = changeLooker(say, known);
  let left = 0;
  const names = columnNames(say);
  const first: WrongRow[] = [];
  const properties = new Set(Object.keys(known.known.properties));
  const units = new Set(Object.keys(known.known.units));
  const before = { properties: properties.size, units: units.size };
  let rowNumber = 0;
  let wrong = 0;
  let machines = 0;
  const sample = new Map<string, SampleUnit>();
  const takeSample = (row: RegisterRow) => {
    const key = keyOfUnit(row.property, row.unit);
    if (!sample.has(key) && sample.size < SHOWN)
      sample.set(key, { property: row.property, unit: row.unit, tenant: row.tenancy?.name ?? '', machines: [] });
    if (row.machine?.type)
      sample
        .get(key)
        ?.machines.push(
          [row.machine.label || say(`machine.${row.machine.type}`), row.machine.filterSize].filter(Boolean).join(', '),
        );
  };
  const words = ({ column, key, values }: RowProblem) => say(`row.${key}`, { column: names[column], ...values });
  await parse(file, encoding, (cells, cursor) => {
    rowNumber += 1;
    if (rowNumber === 1) return;
    if (without.has(rowNumber)) {
      left += 1;
      return;
    }
    const byColumn: Cells = Object.fromEntries(
      columns.flatMap((column, i) => (column ? [[column, cells[i] ?? '']] : [])),
    );
    const { row, changes, problems, unknown: name } = read(byColumn, rowNumber);
    looked.take(row, changes);
    if (row.said.has('machine') && !row.machine) left += 1;
    if (name !== null) {
      const there = unknown.get(plainName(name)) ?? { name, rows: 0 };
      unknown.set(plainName(name), { name: there.name, rows: there.rows + 1 });
    }
    properties.add(row.property);
    units.add(keyOfUnit(row.property, row.unit));
    if (row.machine && changes.machine === null) machines += 1;
    takeSample(row);
    if (problems.length > 0) {
      wrong += 1;
      if (wrongRows.length < MAX_LEFT_OUT) wrongRows.push(rowNumber);
      if (first.length < LISTED) first.push({ row: rowNumber, says: problems.map(words) });
    }
    if (rowNumber % 500 === 0)
      self.postMessage({
        told: 'progress',
        share: Math.min(1, cursor / file.size),
        rows: rowNumber - 1,
      } satisfies TableMessage);
  });
  if (ask.emptyIsVacant && columns.includes('tenant')) looked.vacate();
  return {
    told: 'done',
    rows: Math.max(0, rowNumber - 1),
    properties: properties.size - before.properties,
    units: units.size - before.units,
    machines,
    wrong,
    first,
    sample: [...sample.values()],
    left,
    wrongRows,
    unknown: [...unknown.values()],
    types: types
      .map((type) => ({ type, name: say.text(`machine.${type}`) }))
      .sort((a, b) => a.name.localeCompare(b.name)),
    ...looked.all(),
    running: Object.values(known.known.units).filter(({ tenancy }) => tenancy).length,
  };
}

self.onmessage = async ({ data }: MessageEvent<Ask & Spoken>) => {
  voices = coreVoices(data.language);
  self.postMessage(data.ask === 'heads' ? await readHeads(data.file) : await readRows(data));
};
