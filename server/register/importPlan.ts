/** What an import will write, worked out beside everybody else's work; writing it is then a matter of moments. */
import { dayFromIso } from '../../core/calendar/day.ts';
import { keyOfUnit, namesOfKey } from '../../core/register/known.ts';
import type { MachineCells, TenancyCells } from '../../core/register/row.ts';
import type { ReadRow } from '../../core/register/rows.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { NewProperty } from '../../contract/register/register.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { personRow } from '../store/person.ts';
import type { Row } from '../store/tables.ts';
import { changePlanner, filterPartOf, householdOf, type PlannedChange } from './changePlan.ts';
import type { RegisterContents } from './contents.ts';
import { machineRows, type MachineRows, type PlacedMachine } from './addMachines.ts';

/** Rows to be written, table by table. */
export interface ImportPlan {
  readonly properties: readonly NewProperty[];
  readonly buildings: readonly Row<'building'>[];
  readonly places: readonly Row<'place'>[];
  readonly tenancies: TenancyRows;
  readonly machines: MachineRows;
  /** What is changed of what stands, in order. */
  readonly changes: readonly PlannedChange[];
}

export interface TenancyRows {
  readonly people: readonly Row<'person'>[];
  readonly grants: readonly Row<'roleGrant'>[];
  readonly tenancies: readonly Row<'tenancy'>[];
  readonly households: readonly Row<'fact'>[];
}

/** Tables that a plan is made from: once they are written, it is made anew. */
export const PLANNED_FROM = [
  'property',
  'building',
  'place',
  'tenancy',
  'person',
  'machine',
  'point',
  'fact',
  'machineName',
] as const;

/** A row that was read, and the table as a whole. */
export interface Wanted {
  readonly rows: readonly Pick<ReadRow, 'row' | 'changes'>[];
  /** Where the file names nobody, nobody lives there any more. */
  readonly emptyIsVacant: boolean;
}

/** Works out what these rows add to the register, and what they change in it; nothing is written. */
export async function planRows(call: Call, contents: RegisterContents, wanted: Wanted): Promise<ImportPlan> {
  const {
    env,
    actor: { organisationId },
    now: createdAt,
  } = call;
  const properties = new Map<string, { readonly id: string; readonly zone: string }>(contents.properties);
  const buildings = new Map(
    contents.buildings.map(({ id, propertyId, name }) => [keyOfUnit(propertyId, name), id] as const),
  );
  const places = new Map<string, { id: string; zone: string }>();
  const sorts = new Map<string, number>();
  for (const [key, { place }] of contents.units) {
    places.set(key, { id: place.id, zone: properties.get(namesOfKey(key)[0])!.zone });
    sorts.set(place.propertyId, Math.max(sorts.get(place.propertyId) ?? 0, place.sort + 1));
  }
  const planned = { properties: [] as NewProperty[], buildings: [] as Row<'building'>[], places: [] as Row<'place'>[] };
  const tenants = new Map<string, TenancyCells>();
  const machines: PlacedMachine[] = [];
  const changes = changePlanner(call, contents);
  const breathe = breather();
  for (const read of wanted.rows) {
    const { row } = read;
    await breathe();
    let property = properties.get(row.property);
    if (!property) {
      property = { id: env.newId(), zone: row.zone };
      properties.set(row.property, property);
      planned.properties.push({
        id: property.id,
        name: row.property,
        address: row.address,
        zone: row.zone,
        water: { source: row.waterSource, hardnessMgL: row.hardness },
        practice: null,
      });
    }
    const buildingKey = keyOfUnit(property.id, row.building);
    if (row.building !== '' && !buildings.has(buildingKey)) {
      const id = env.newId();
      buildings.set(buildingKey, id);
      planned.buildings.push({ id, organisationId, propertyId: property.id, name: row.building, createdAt });
    }
    const unitKey = keyOfUnit(row.property, row.unit);
    const standing = contents.units.get(unitKey);
    let place = places.get(unitKey);
    if (!place) {
      place = { id: env.newId(), zone: property.zone };
      places.set(unitKey, place);
      const sort = sorts.get(property.id) ?? 0;
      sorts.set(property.id, sort + 1);
      planned.places.push({
        id: place.id,
        organisationId,
        propertyId: property.id,
        buildingId: buildings.get(buildingKey) ?? null,
        kind: row.kind,
        name: row.unit,
        sort,
        createdAt,
      });
    }
    if (row.tenancy && !standing && !tenants.has(place.id)) tenants.set(place.id, row.tenancy);
    changes.take(read, buildings.get(buildingKey));
    if (row.machine && read.changes.machine === null)
      machines.push({ ...sketchOf(row.machine), id: env.newId(), place });
  }
  if (wanted.emptyIsVacant) changes.vacate(wanted.rows.map(({ row }) => row));
  return {
    ...planned,
    tenancies: await tenancyRows(call, tenants),
    machines: await machineRows(call, machines),
    changes: changes.all(),
  };
}

function sketchOf({ filterSize, drains, condition: found, ...machine }: MachineCells) {
  const specifications: Record<string, Specification> = {};
  if (filterSize) specifications[filterPartOf(machine.type)] = { filterSize };
  if (drains) specifications['drains.dose'] = { drainCount: drains };
  return { ...machine, found, leftOut: [...machine.leftOut], specifications };
}

/** Tenancies of units that the table brings with it. */
async function tenancyRows(
  { env, actor, now }: Call,
  tenants: ReadonlyMap<string, TenancyCells>,
): Promise<TenancyRows> {
  const { organisationId, personId: recordedBy } = actor;
  const made = { people: [], grants: [], tenancies: [], households: [] } as {
    -readonly [K in keyof TenancyRows]: TenancyRows[K][number][];
  };
  const breathe = breather();
  for (const [placeId, tenancy] of tenants) {
    await breathe();
    const [id, personId] = [env.newId(), env.newId()];
    const fromDay = dayFromIso(tenancy.since!);
    const toDay = tenancy.until === null ? null : dayFromIso(tenancy.until);
    made.people.push(personRow({ id: personId, organisationId, name: tenancy.name, createdAt: now }));
    made.grants.push({ id: env.newId(), organisationId, personId, role: 'tenant' });
    made.tenancies.push({ id, organisationId, placeId, personId, fromDay, toDay, createdAt: now });
    made.households.push({
      id: env.newId(),
      organisationId,
      subjectId: id,
      name: 'household',
      fromDay,
      recordedAt: now,
      recordedBy,
      value: JSON.stringify(householdOf(tenancy)),
    });
  }
  return made;
}
