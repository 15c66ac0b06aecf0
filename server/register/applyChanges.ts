/** Taking the changes of a table step by step, as a person would, and remembering what stood before. */
import type { Call } from '../context/context.ts';
import { breather } from '../context/breathe.ts';
import { recompute } from '../due/recompute.ts';
import { writeSpecification } from '../due/specification.ts';
import { pointsBelow } from '../lookup/scope.ts';
import { pointsOfPlaces } from '../lookup/tenancies.ts';
import type { Db } from '../store/db.ts';
import { claimOf } from './addMachines.ts';
import type { PlannedChange } from './changePlan.ts';
import { editPlace, editProperty } from './changes.ts';
import { changeMachine } from './machines.ts';
import { changeProperty } from './places.ts';
import { changeHousehold, changeTenancy, createTenancy } from './tenancies.ts';
import { endTenancy } from './turnover.ts';

/** Tables whose rows a table of the register changes. */
const CHANGED = ['property', 'place', 'tenancy', 'machine'] as const;
type ChangedTable = (typeof CHANGED)[number];
type Cells = Readonly<Record<string, unknown>>;

/** What an import changed: of each row the cells as they were and as they became, and the facts that it wrote. */
export interface Changed {
  readonly rows: readonly {
    readonly table: ChangedTable;
    readonly id: string;
    readonly was: Cells;
    readonly is: Cells;
  }[];
  readonly facts: readonly string[];
  /** Tenancies that began. */
  readonly begun: readonly { readonly id: string; readonly personId: string }[];
}

async function take(call: Call, change: PlannedChange): Promise<unknown> {
  const { db, now } = call;
  switch (change.do) {
    case 'property':
      return editProperty(call, change.id, change.edit);
    case 'water':
      return changeProperty(call, change.id, { water: change.water, practice: undefined, from: change.from });
    case 'building':
      return editPlace(call, change.id, change);
    case 'end':
      return endTenancy(call, change.id, { last: change.last, holdUntil: null });
    case 'begin':
      await createTenancy(call, change.tenancy);
      return change.last && endTenancy(call, change.tenancy.id, { last: change.last, holdUntil: null });
    case 'since':
      return changeTenancy(call, change.id, change);
    case 'household':
      return changeHousehold(call, change.id, change);
    case 'machine':
      return changeMachine(call, change.id, change.change);
    case 'specification':
      return writeSpecification(call, change.pointId, change.specification);
    case 'claim': {
      await db.fact.insert(claimOf(call, change.machineId, change.claim, change.today));
      const points = await db.point.all({ machineId: change.machineId }, { columns: ['id'] });
      return recompute(
        db,
        points.map(({ id }) => id),
        now,
      );
    }
  }
}

/** What a change is about: the row of each table, and whatever facts are written of. */
function subjectsOf(change: PlannedChange): Partial<Record<ChangedTable | 'fact', string>> {
  switch (change.do) {
    case 'property':
    case 'water':
      return { property: change.id, fact: change.id };
    case 'building':
      return { place: change.id };
    case 'begin':
      return { place: change.placeId, fact: change.placeId };
    case 'end':
    case 'since':
    case 'household':
      return { tenancy: change.id, fact: change.id };
    case 'machine':
      return { machine: change.id };
    case 'specification':
      return { fact: change.pointId };
    case 'claim':
      return { fact: change.machineId };
  }
}

const rowsOf = async (db: Db, table: ChangedTable, ids: readonly string[]): Promise<Map<string, Cells>> =>
  new Map((await db[table].all({ id: [...ids] })).map((row) => [row.id, row as Cells]));

/** Takes the changes in their order. @returns what stood before, for a way back */
export async function applyChanges(call: Call, changes: readonly PlannedChange[]): Promise<Changed> {
  const { db } = call;
  const subjects = changes.map(subjectsOf);
  const idsOf = (table: ChangedTable | 'fact') => [...new Set(subjects.flatMap((it) => it[table] ?? []))];
  const before = new Map(
    await Promise.all(CHANGED.map(async (table) => [table, await rowsOf(db, table, idsOf(table))] as const)),
  );
  const factIds = async () =>
    (await db.fact.all({ subjectId: idsOf('fact') }, { columns: ['id'] })).map(({ id }) => id);
  const known = new Set(await factIds());
  const breathe = breather();
  for (const change of changes) {
    await breathe();
    await take(call, change);
  }
  const rows: Changed['rows'][number][] = [];
  for (const table of CHANGED) {
    const after = await rowsOf(db, table, idsOf(table));
    for (const [id, row] of before.get(table)!) {
      const cells = Object.keys(row).filter((cell) => row[cell] !== after.get(id)![cell]);
      const only = (of: Cells) => Object.fromEntries(cells.map((cell) => [cell, of[cell]]));
      if (cells.length > 0) rows.push({ table, id, was: only(row), is: only(after.get(id)!) });
    }
  }
  return {
    rows,
    facts: (await factIds()).filter((id) => !known.has(id)),
    begun: changes.flatMap((it) => (it.do === 'begin' ? [{ id: it.tenancy.id, personId: it.tenancy.personId }] : [])),
  };
}

/** The name of what has changed since an import changed it; null where all stands as it left it. */
export async function changedSince(db: Db, { rows, facts, begun }: Changed): Promise<string | null> {
  for (const table of CHANGED) {
    const own = rows.filter((it) => it.table === table);
    const now = await rowsOf(
      db,
      table,
      own.map(({ id }) => id),
    );
    for (const { id, is } of own) {
      const row = now.get(id);
      if (!row || Object.keys(is).some((cell) => row[cell] !== is[cell])) return nameOf(db, table, row);
      if (table !== 'tenancy') continue;
      const later = await db.tenancy.all({ placeId: String(row.placeId) });
      if (later.some((it) => it.fromDay > Number(row.fromDay) && !begun.some((made) => made.id === it.id)))
        return nameOf(db, table, row);
    }
  }
  const written = await db.fact.all({ id: [...facts] });
  if (written.length < facts.length) return nameOf(db, 'place', undefined);
  const about = await db.fact.all({ subjectId: written.map(({ subjectId }) => subjectId) });
  const of = new Set(written.map(({ subjectId, name }) => `${subjectId} ${name}`));
  const since = Math.max(0, ...written.map(({ recordedAt }) => recordedAt));
  const newer = about.find(
    (it) => !facts.includes(it.id) && of.has(`${it.subjectId} ${it.name}`) && it.recordedAt > since,
  );
  return newer ? nameOf(db, 'place', undefined) : null;
}

async function nameOf(db: Db, table: ChangedTable, row: Cells | undefined): Promise<string> {
  const placeId = table === 'place' ? row?.id : row?.placeId;
  const place = placeId === undefined ? undefined : await db.place.one({ id: String(placeId) });
  return place?.name ?? String(row?.name ?? '–');
}

/** Gives back what stood before; whoever asks has looked first (`changedSince`). */
export async function giveBack(call: Call, { rows, facts }: Changed): Promise<void> {
  const { db, now } = call;
  const written = await db.fact.all({ id: [...facts] });
  await db.fact.remove({ id: [...facts] });
  for (const { table, id, was } of rows) await db[table].update({ id }, was);
  const ids = new Set(written.map(({ subjectId }) => subjectId));
  const touched = (table: ChangedTable) => rows.filter((it) => it.table === table).map(({ id }) => id);
  const machines = await db.machine.all({ id: [...touched('machine'), ...ids] }, { columns: ['id'] });
  const tenancies = await db.tenancy.all({ id: [...touched('tenancy'), ...ids] }, { columns: ['placeId'] });
  const places = await db.place.all({ id: [...touched('place'), ...ids] }, { columns: ['id'] });
  const properties = await db.property.all({ id: [...touched('property'), ...ids] }, { columns: ['id'] });
  const points = [
    ...(await db.point.all({ id: [...ids] }, { columns: ['id'] })),
    ...(await db.point.all({ machineId: machines.map(({ id }) => id) }, { columns: ['id'] })),
  ].map(({ id }) => id);
  for (const { id } of properties) points.push(...(await pointsBelow(call, { scope: 'property', subjectId: id })));
  const homes = [...tenancies.map(({ placeId }) => placeId), ...places.map(({ id }) => id)];
  await recompute(db, [...points, ...(await pointsOfPlaces(db, homes))], now);
}
