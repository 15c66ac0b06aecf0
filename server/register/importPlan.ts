/** What an import will write, worked out beside everybody else's work; writing it is then a matter of moments. */
import { dayFromIso } from '../../core/calendar/day.ts';
import { keyOfUnit, type MachineCells, type RegisterRow } from '../../core/register/rows.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { NewProperty } from '../../contract/register/register.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { personRow } from '../store/person.ts';
import type { Row } from '../store/tables.ts';
import { machineRows, type MachineRows, type PlacedMachine } from './addMachines.ts';

/** Rows to be written, table by table. */
export interface ImportPlan {
  readonly properties: readonly NewProperty[];
  readonly buildings: readonly Row<'building'>[];
  readonly places: readonly Row<'place'>[];
  readonly tenancies: TenancyRows;
  /** Places that were there and get a tenant: their lines move. */
  readonly letAnew: readonly string[];
  readonly machines: MachineRows;
}

export interface TenancyRows {
  readonly people: readonly Row<'person'>[];
  readonly grants: readonly Row<'roleGrant'>[];
  readonly tenancies: readonly Row<'tenancy'>[];
  readonly households: readonly Row<'fact'>[];
}

/** Tables that a plan is made from: once they are written, it is made anew. */
export const PLANNED_FROM = ['property', 'building', 'place', 'tenancy', 'machine', 'point'] as const;

/** Works out what these rows add to the register; nothing is written. */
export async function planRows(call: Call, rows: readonly RegisterRow[]): Promise<ImportPlan> {
  const {
    env,
    db,
    actor: { organisationId },
    now: createdAt,
  } = call;
  const [knownProperties, knownBuildings, knownPlaces] = await Promise.all([
    db.property.all({ organisationId }),
    db.building.all({ organisationId }),
    db.place.all({ organisationId }),
  ]);
  const properties = new Map(knownProperties.map(({ id, name, zone }) => [name, { id, zone }]));
  const nameOf = new Map(knownProperties.map(({ id, name }) => [id, name]));
  const buildings = new Map(
    knownBuildings.map(({ id, propertyId, name }) => [keyOfUnit(propertyId, name), id] as const),
  );
  const places = new Map<string, { id: string; zone: string }>();
  const sorts = new Map<string, number>();
  for (const { id, propertyId, name, sort } of knownPlaces) {
    const property = nameOf.get(propertyId)!;
    places.set(keyOfUnit(property, name), { id, zone: properties.get(property)!.zone });
    sorts.set(propertyId, Math.max(sorts.get(propertyId) ?? 0, sort + 1));
  }
  const planned = { properties: [] as NewProperty[], buildings: [] as Row<'building'>[], places: [] as Row<'place'>[] };
  const tenants = new Map<string, RegisterRow>();
  const machines: PlacedMachine[] = [];
  const breathe = breather();
  for (const row of rows) {
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
    if (row.tenancy && !tenants.has(place.id)) tenants.set(place.id, row);
    if (row.machine) machines.push({ ...sketchOf(row.machine), id: env.newId(), place });
  }
  const tenancies = await tenancyRows(call, tenants);
  const were = new Set(knownPlaces.map(({ id }) => id));
  return {
    ...planned,
    tenancies,
    letAnew: tenancies.tenancies.map(({ placeId }) => placeId).filter((id) => were.has(id)),
    machines: await machineRows(call, machines),
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

/** Tenancies of units that had none; those that were registered already stay as they are. */
async function tenancyRows(
  { env, db, actor, now }: Call,
  tenants: ReadonlyMap<string, RegisterRow>,
): Promise<TenancyRows> {
  const { organisationId, personId: recordedBy } = actor;
  const taken = new Set(
    (await db.tenancy.all({ organisationId, toDay: null }, { columns: ['placeId'] })).map(({ placeId }) => placeId),
  );
  const made = { people: [], grants: [], tenancies: [], households: [] } as {
    -readonly [K in keyof TenancyRows]: TenancyRows[K][number][];
  };
  const breathe = breather();
  for (const [placeId, { tenancy }] of tenants) {
    if (taken.has(placeId)) continue;
    await breathe();
    const { name, since, people, pets, cooking, loads } = tenancy!;
    const [id, personId] = [env.newId(), env.newId()];
    const fromDay = dayFromIso(since);
    made.people.push(personRow({ id: personId, organisationId, name, createdAt: now }));
    made.grants.push({ id: env.newId(), organisationId, personId, role: 'tenant' });
    made.tenancies.push({ id, organisationId, placeId, personId, fromDay, toDay: null, createdAt: now });
    made.households.push({
      id: env.newId(),
      organisationId,
      subjectId: id,
      name: 'household',
      fromDay,
      recordedAt: now,
      recordedBy,
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
    });
  }
  return made;
}
