/**
 * Taking an imported table in: its rows are checked and what they add is worked out while others work; then all of it
 * is there in one moment, or nothing.
 */
import { LANGUAGES } from '../../core/language/languages.ts';
import { Readable } from 'node:stream';
import Papa from 'papaparse';
import { delimiterOf } from '../../core/register/delimiter.ts';
import { object, string } from 'yup';
import { machineTypesOf, registrable } from '../../core/catalogue/machines.ts';
import { COLUMNS, type Column } from '../../core/register/columns.ts';
import { plainName } from '../../core/register/known.ts';
import type { RowProblem } from '../../core/register/row.ts';
import { rowReader, type Cells, type ReadRow } from '../../core/register/rows.ts';
import { columnNames, wordingOf } from '../../core/register/wording.ts';
import {
  emptyIsVacant,
  fileColumns,
  namedMachines,
  rowsWithout,
  type ImportAnswer,
  type ImportForm,
} from '../../contract/register/bulk.ts';
import { MAX_IMPORT_MB, MAX_IMPORT_ROWS } from '../../contract/form/limits.ts';
import { zone } from '../../contract/form/fields.ts';
import { drawTogether } from '../due/recompute.ts';
import { breather } from '../context/breathe.ts';
import type { Actor, Call, Env } from '../context/context.ts';
import { fieldProblem, Problem } from '../context/problem.ts';
import { inParts, writeMachines } from './addMachines.ts';
import { applyChanges } from './applyChanges.ts';
import { PLANNED_FROM, planRows, type ImportPlan } from './importPlan.ts';
import { keepImport } from './imports.ts';
import { createProperty } from './places.ts';
import { readContents } from './contents.ts';
import { firstZone } from '../lookup/zone.ts';

export const importForm = object({
  /** The text of the file, its head line first. */
  csv: string()
    .max(MAX_IMPORT_MB * 1024 * 1024)
    .required(),
  /** The column under each head; null for one that is not taken. */
  columns: fileColumns,
  /** Where properties without a time zone lie. */
  zone: zone().required(),
  named: namedMachines,
  without: rowsWithout,
  emptyIsVacant,
});

/** How far an import is, 0 to 1: once its rows are read, and once it is worked out what they do. */
const SHARES = { reading: 0.5, planned: 0.8 };

/** Problems that are told; a longer list helps nobody. */
const TOLD = 20;

/** How much of a file is parsed at once. */
const PIECE = 64 * 1024;

function* piecesOf(csv: string): Generator<string> {
  for (let at = 0; at < csv.length; at += PIECE) yield csv.slice(at, at + PIECE);
}

/** Reads a file's rows one by one, others being answered in between; the head line is skipped, empty lines too. */
export async function* eachRow(
  csv: string,
  columns: readonly (Column | null)[],
  gone?: AbortSignal,
): AsyncGenerator<{
  readonly cells: Cells;
  readonly rowNumber: number;
  /** Of the file, 0 to 1. */ readonly share: number;
}> {
  const rows = Readable.from(piecesOf(csv)).pipe(
    Papa.parse(Papa.NODE_STREAM_INPUT, { delimiter: delimiterOf(csv), skipEmptyLines: 'greedy' }),
  );
  const breathe = breather();
  let [rowNumber, read] = [0, 0];
  for await (const data of rows as AsyncIterable<string[]>) {
    rowNumber += 1;
    for (const cell of data) read += cell.length + 1;
    refuseStopped(gone);
    // One more than is allowed is enough to refuse the file.
    if (rowNumber > MAX_IMPORT_ROWS + 2) return;
    if (rowNumber > 1)
      yield {
        rowNumber,
        share: Math.min(1, read / csv.length),
        cells: Object.fromEntries(columns.flatMap((column, i) => (column ? [[column, data[i] ?? '']] : []))),
      };
    await breathe();
  }
}

/** @throws Problem: stopped (409) where whoever asked went away */
function refuseStopped(gone?: AbortSignal): void {
  if (gone?.aborted) throw new Problem(409, 'stopped');
}

/** Rows of a table that were read and found right, with what they do as long as the register is as it was. */
export interface PreparedImport extends ImportForm {
  readonly rows: number;
  readonly left: number;
  readonly plan: ImportPlan;
  readonly revision: number;
}

/**
 * Reads a table's rows and works out what they add and change; nothing is written. It can be stopped.
 * @throws Problem: tooManyRows (422), noRows (422), rows (422), fields (422), stopped (409)
 */
export const prepareImport = (form: ImportForm, by: Preparer): Promise<PreparedImport> =>
  by.env.progress.during(by.actor.personId, 'import', (tell) => prepare(form, by, tell));

interface Preparer {
  readonly env: Env;
  readonly actor: Actor;
  readonly gone?: AbortSignal;
}

async function prepare(
  form: ImportForm,
  { env, actor, gone }: Preparer,
  tell: (share: number) => void,
): Promise<PreparedImport> {
  const { say, store } = env;
  const also = LANGUAGES.filter((it) => it !== env.language).map(env.sayIn);
  const revision = store.revisionOf(PLANNED_FROM);
  const call: Call = { env, db: store.db, actor, now: env.clock() };
  const columns = form.columns.map((column) => (column !== null && COLUMNS.includes(column) ? column : null));
  const { today } = await firstZone(call);
  const contents = await readContents(call);
  const types = machineTypesOf(actor.organisationId).map(({ key }) => key);
  const named = { ...contents.known.named, ...namesIn(form, actor.organisationId) };
  const read = rowReader(contents.known, wordingOf(say, { zone: form.zone, today, named, types, also }));
  const without = new Set(form.without);
  const rows: ReadRow[] = [];
  let [left, count] = [0, 0];
  const problems: { rowNumber: number; problem: RowProblem }[] = [];
  for await (const { cells, rowNumber, share } of eachRow(form.csv, columns, gone)) {
    tell(share * SHARES.reading);
    count += 1;
    if (without.has(rowNumber)) {
      left += 1;
      continue;
    }
    const row = read(cells, rowNumber);
    rows.push(row);
    if (row.row.said.has('machine') && !row.row.machine) left += 1;
    for (const problem of row.problems) if (problems.length < TOLD) problems.push({ rowNumber, problem });
  }
  if (count > MAX_IMPORT_ROWS) throw new Problem(422, 'tooManyRows', { most: MAX_IMPORT_ROWS });
  if (rows.length === 0) throw new Problem(422, 'noRows');
  if (problems.length > 0) {
    const names = columnNames(say);
    const told = problems.map(({ rowNumber, problem: { column, key, values } }) =>
      say('import.row', { row: rowNumber, says: say(`row.${key}`, { column: names[column], ...values }) }),
    );
    throw new Problem(422, 'rows', { first: told.slice(0, 3).join(' ') });
  }
  const emptyIsVacant = form.emptyIsVacant === true && columns.includes('tenant');
  const plan = await planRows(call, contents, { rows, emptyIsVacant });
  refuseStopped(gone);
  return { ...form, rows: rows.length, left, plan, revision };
}

/**
 * What the file's machines are, as whoever sends it says.
 * @throws Problem: fields (422) for no machine of the catalogue
 */
function namesIn({ named = [] }: ImportForm, organisationId: string): Record<string, string | null> {
  if (named.some(({ type }) => type !== null && !registrable(type, organisationId)))
    throw fieldProblem('named', 'field.machineType');
  return Object.fromEntries(named.map(({ name, type }) => [plainName(name), type]));
}

/**
 * Writes a prepared table, whole; where the register has changed meanwhile, it is read anew first.
 * @throws Problem: rows (422)
 */
export const importTable = (call: Call, prepared: PreparedImport): Promise<ImportAnswer> =>
  call.env.progress.during(call.actor.personId, 'import', (tell) => {
    tell(SHARES.planned);
    return writeTable(call, prepared);
  });

async function writeTable(call: Call, prepared: PreparedImport): Promise<ImportAnswer> {
  const { db, env, now } = call;
  const stands = env.store.revisionOf(PLANNED_FROM) === prepared.revision;
  const { rows, left, plan } = stands ? prepared : await prepareImport(prepared, call);
  return drawTogether(db, now, async () => {
    for (const property of plan.properties) await createProperty(call, property);
    await inParts(plan.buildings, (part) => db.building.insertMany(part));
    await inParts(plan.places, (part) => db.place.insertMany(part));
    await letUnits(call, plan);
    await writeMachines(call, plan.machines);
    await keepNames(call, prepared);
    const changed = await applyChanges(call, plan.changes);
    return {
      id: await keepImport(call, plan, changed),
      rows,
      properties: plan.properties.length,
      units: plan.places.length,
      machines: plan.machines.machines.length,
      points: plan.machines.points.length,
      changes: plan.changes.length,
      left,
    };
  });
}

/** Keeps what the file's machines are for the next file. */
async function keepNames({ env, db, actor: { organisationId } }: Call, form: ImportForm): Promise<void> {
  for (const [name, type] of Object.entries(namesIn(form, organisationId))) {
    await db.machineName.remove({ organisationId, name });
    await db.machineName.insert({ id: env.newId(), organisationId, name, type });
  }
}

async function letUnits({ db }: Call, { tenancies }: ImportPlan): Promise<void> {
  await inParts(tenancies.people, (part) => db.person.insertMany(part));
  await inParts(tenancies.grants, (part) => db.roleGrant.insertMany(part));
  await inParts(tenancies.tenancies, (part) => db.tenancy.insertMany(part));
  await inParts(tenancies.households, (part) => db.fact.insertMany(part));
}
