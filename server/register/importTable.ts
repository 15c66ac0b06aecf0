/** Writing an imported table: every row is checked first, then all is written, or nothing. */
import { Readable } from 'node:stream';
import Papa from 'papaparse';
import { delimiterOf } from '../../core/register/delimiter.ts';
import { object, string } from 'yup';
import { dayFromIso } from '../../core/calendar/day.ts';
import { COLUMNS, type Column } from '../../core/register/columns.ts';
import {
  keyOfUnit,
  rowReader,
  type Cells,
  type MachineCells,
  type RegisterRow,
  type RowProblem,
} from '../../core/register/rows.ts';
import { columnNames, wordingOf } from '../../core/register/wording.ts';
import { fileColumns, type ImportAnswer, type ImportForm } from '../../contract/register/bulk.ts';
import { MAX_IMPORT_MB, MAX_IMPORT_ROWS } from '../../contract/form/limits.ts';
import { zone } from '../../contract/form/fields.ts';
import type { Specification } from '../../contract/register/machines.ts';
import { recompute } from '../due/recompute.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { personRow } from '../store/person.ts';
import type { Row } from '../store/tables.ts';
import { addMachines, inParts, type PlacedMachine } from './addMachines.ts';
import { createBuilding, createProperty } from './places.ts';
import { knownRegister } from './table.ts';
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
});

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
): AsyncGenerator<{ readonly cells: Cells; readonly rowNumber: number }> {
  const rows = Readable.from(piecesOf(csv)).pipe(
    Papa.parse(Papa.NODE_STREAM_INPUT, { delimiter: delimiterOf(csv), skipEmptyLines: 'greedy' }),
  );
  const breathe = breather();
  let rowNumber = 0;
  for await (const data of rows as AsyncIterable<string[]>) {
    rowNumber += 1;
    // One more than is allowed is enough to refuse the file.
    if (rowNumber > MAX_IMPORT_ROWS + 2) return;
    if (rowNumber > 1)
      yield {
        rowNumber,
        cells: Object.fromEntries(columns.flatMap((column, i) => (column ? [[column, data[i] ?? '']] : []))),
      };
    await breathe();
  }
}

/**
 * Takes a whole table of homes and machines in, or nothing of it.
 * @throws Problem: tooManyRows (422), noRows (422), rows (422)
 */
export async function importTable(call: Call, form: ImportForm): Promise<ImportAnswer> {
  const {
    env: { say },
  } = call;
  const columns = form.columns.map((column) => (column !== null && COLUMNS.includes(column) ? column : null));
  const { today } = await firstZone(call);
  const read = rowReader(await knownRegister(call), wordingOf(say, form.zone, today));
  const rows: RegisterRow[] = [];
  const problems: { rowNumber: number; problem: RowProblem }[] = [];
  for await (const { cells, rowNumber } of eachRow(form.csv, columns)) {
    const { row, problems: found } = read(cells, rowNumber);
    rows.push(row);
    for (const problem of found) if (problems.length < TOLD) problems.push({ rowNumber, problem });
  }
  if (rows.length > MAX_IMPORT_ROWS) throw new Problem(422, 'tooManyRows', { most: MAX_IMPORT_ROWS });
  if (rows.length === 0) throw new Problem(422, 'noRows');
  if (problems.length > 0) {
    const names = columnNames(say);
    const told = problems.map(({ rowNumber, problem: { column, key, values } }) =>
      say('import.row', { row: rowNumber, says: say(`row.${key}`, { column: names[column], ...values }) }),
    );
    throw new Problem(422, 'rows', { first: told.slice(0, 3).join(' ') });
  }
  return writeRows(call, rows);
}

async function writeRows(call: Call, rows: readonly RegisterRow[]): Promise<ImportAnswer> {
  const {
    env,
    db,
    actor: { organisationId },
    now,
  } = call;
  const properties = new Map(
    (await db.property.all({ organisationId })).map(({ id, name, zone: at }) => [name, { id, zone: at }]),
  );
  const buildings = new Map(
    (await db.building.all({ organisationId })).map(({ id, propertyId, name }) => [keyOfUnit(propertyId, name), id]),
  );
  const places = new Map<string, { id: string; zone: string }>();
  const counts = { properties: 0, units: 0 };
  const sorts = new Map<string, number>();
  for (const place of await db.place.all({ organisationId })) {
    const [name, { zone: at }] = [...properties].find(([, { id }]) => id === place.propertyId)!;
    places.set(keyOfUnit(name, place.name), { id: place.id, zone: at });
    sorts.set(place.propertyId, Math.max(sorts.get(place.propertyId) ?? 0, place.sort + 1));
  }
  const newPlaces: Row<'place'>[] = [];
  const tenants: { placeId: string; row: RegisterRow }[] = [];
  const machines: PlacedMachine[] = [];
  const withTenancy = new Set<string>();
  const breathe = breather();
  for (const row of rows) {
    await breathe();
    let property = properties.get(row.property);
    if (!property) {
      property = { id: env.newId(), zone: row.zone };
      properties.set(row.property, property);
      counts.properties += 1;
      await createProperty(call, {
        id: property.id,
        name: row.property,
        address: row.address,
        zone: row.zone,
        water: { source: row.waterSource, hardnessMgL: row.hardness },
        practice: null,
      });
    }
    const buildingKey = keyOfUnit(property.id, row.building);
    if (row.building !== '' && !buildings.has(buildingKey))
      buildings.set(
        buildingKey,
        (await createBuilding(call, { id: env.newId(), propertyId: property.id, name: row.building })).id,
      );
    const unitKey = keyOfUnit(row.property, row.unit);
    let place = places.get(unitKey);
    if (!place) {
      place = { id: env.newId(), zone: property.zone };
      places.set(unitKey, place);
      const sort = sorts.get(property.id) ?? 0;
      sorts.set(property.id, sort + 1);
      newPlaces.push({
        id: place.id,
        organisationId,
        propertyId: property.id,
        buildingId: buildings.get(buildingKey) ?? null,
        kind: row.kind,
        name: row.unit,
        sort,
        createdAt: now,
      });
    }
    if (row.tenancy && !withTenancy.has(place.id)) {
      withTenancy.add(place.id);
      tenants.push({ placeId: place.id, row });
    }
    if (row.machine) machines.push({ ...sketchOf(row.machine), id: env.newId(), place });
  }
  await inParts(newPlaces, (part) => db.place.insertMany(part));
  await letUnits(call, tenants);
  const points = await addMachines(call, machines);
  return {
    rows: rows.length,
    properties: counts.properties,
    units: newPlaces.length,
    machines: machines.length,
    points: points.length,
  };
}

function sketchOf({ filterSize, drains, ...machine }: MachineCells) {
  const specifications: Record<string, Specification> = {};
  if (filterSize)
    specifications[machine.type === 'mediaAirHandler' ? 'airHandler.mediaFilter' : 'airHandler.returnFilter'] = {
      filterSize,
    };
  if (drains) specifications['drains.dose'] = { drainCount: drains };
  return { ...machine, leftOut: [...machine.leftOut], specifications };
}

/** Writes tenancies of units that had none; those that were registered already stay as they are. */
async function letUnits(
  { env, db, actor, now }: Call,
  tenants: readonly { placeId: string; row: RegisterRow }[],
): Promise<void> {
  const { organisationId } = actor;
  const taken = new Set(
    (await db.tenancy.all({ organisationId, toDay: null }, { columns: ['placeId'] })).map(({ placeId }) => placeId),
  );
  const fresh = tenants
    .filter(({ placeId }) => !taken.has(placeId))
    .map(({ placeId, row }) => ({ placeId, tenancy: row.tenancy!, id: env.newId(), personId: env.newId() }));
  await inParts(fresh, (part) =>
    db.person.insertMany(
      part.map(({ personId, tenancy }) =>
        personRow({ id: personId, organisationId, name: tenancy.name, createdAt: now }),
      ),
    ),
  );
  await inParts(fresh, (part) =>
    db.roleGrant.insertMany(
      part.map(({ personId }) => ({ id: env.newId(), organisationId, personId, role: 'tenant' as const })),
    ),
  );
  await inParts(fresh, (part) =>
    db.tenancy.insertMany(
      part.map(({ id, placeId, personId, tenancy }) => ({
        id,
        organisationId,
        placeId,
        personId,
        fromDay: dayFromIso(tenancy.since),
        toDay: null,
        createdAt: now,
      })),
    ),
  );
  await inParts(fresh, (part) =>
    db.fact.insertMany(
      part.map(({ id, tenancy: { people, pets, cooking, loads, since } }) => ({
        id: env.newId(),
        organisationId,
        subjectId: id,
        name: 'household' as const,
        fromDay: dayFromIso(since),
        recordedAt: now,
        recordedBy: actor.personId,
        value: JSON.stringify({
          people,
          pets,
          cooking,
          loadsAWeek: loads,
          coolWashes: false,
          smoking: false,
          dust: false,
          detergent: null,
        }),
      })),
    ),
  );
  const marks =
    fresh.length === 0
      ? []
      : await db.mark.all({ placeId: fresh.map(({ placeId }) => placeId) }, { columns: ['pointId'] });
  await recompute(
    db,
    marks.map(({ pointId }) => pointId),
    now,
  );
}
