/** The register as a table: CSV in, and the same CSV out. */
import Papa from 'papaparse';
import { dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { machineTypeOf } from '../../core/catalogue/machines.ts';
import { COLUMNS, neutralised } from '../../core/register/columns.ts';
import { keyOfMachine, keyOfUnit, type Cells, type KnownRegister, type KnownUnit } from '../../core/register/rows.ts';
import { columnNames } from '../../core/register/wording.ts';
import type { KnownAnswer } from '../../contract/register/bulk.ts';
import type { Call } from '../context/context.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';
import { firstZone } from '../lookup/zone.ts';

/** What stands in the register, read for a table. */
export interface RegisterContents {
  readonly properties: readonly (Row<'property'> & {
    readonly water: { readonly source: string; readonly hardnessMgL: number | null };
    readonly today: Day;
  })[];
  readonly buildings: ReadonlyMap<string, string>;
  readonly places: readonly Row<'place'>[];
  readonly machines: ReadonlyMap<string, readonly Row<'machine'>[]>;
  readonly tenancies: ReadonlyMap<string, Row<'tenancy'>>;
}

/** What stands in the register, for a table. */
export async function readRegister({ db, actor: { organisationId }, now }: Call): Promise<RegisterContents> {
  const [properties, buildings, places, machines, tenancies] = await Promise.all([
    db.property.all({ organisationId }, { order: [['sort', 'ASC']] }),
    db.building.all({ organisationId }),
    db.place.all(
      { organisationId },
      {
        order: [
          ['sort', 'ASC'],
          ['id', 'ASC'],
        ],
      },
    ),
    db.machine.all({ organisationId, retiredDay: null }, { order: [['number', 'ASC']] }),
    db.tenancy.all({ organisationId }, { order: [['fromDay', 'ASC']] }),
  ]);
  const waters = await factsOf(
    db,
    properties.map(({ id }) => id),
    'water',
  );
  const described = properties.map((property) => {
    const today = dayOfInstant(now, property.zone);
    return {
      ...property,
      today,
      water: inForce(
        waters.filter(({ subjectId }) => subjectId === property.id),
        today,
      )!.value,
    };
  });
  const todayOf = new Map(described.map(({ id, today }) => [id, today]));
  const propertyOf = new Map(places.map(({ id, propertyId }) => [id, propertyId]));
  const grouped = new Map<string, Row<'machine'>[]>();
  for (const machine of machines) grouped.set(machine.placeId, [...(grouped.get(machine.placeId) ?? []), machine]);
  return {
    properties: described,
    places,
    machines: grouped,
    buildings: new Map(buildings.map(({ id, name }) => [id, name])),
    tenancies: new Map(
      tenancies
        .filter((it) => tenancyDuring(it, todayOf.get(propertyOf.get(it.placeId)!)!))
        .map((it) => [it.placeId, it]),
    ),
  };
}

/** The register as a file's rows are held against it. */
export async function knownRegister(call: Call): Promise<KnownRegister> {
  const { properties, buildings, places, machines, tenancies } = await readRegister(call);
  const people = new Map(
    (await call.db.person.all({ organisationId: call.actor.organisationId }, { columns: ['id', 'name'] })).map(
      ({ id, name }) => [id, name],
    ),
  );
  const nameOf = new Map(properties.map(({ id, name }) => [id, name]));
  return {
    properties: Object.fromEntries(
      properties.map(({ name, address, zone, water }) => [
        name,
        { address, zone, waterSource: water.source, hardness: water.hardnessMgL },
      ]),
    ),
    units: Object.fromEntries(
      places.map((place): [string, KnownUnit] => {
        const tenancy = tenancies.get(place.id);
        return [
          keyOfUnit(nameOf.get(place.propertyId)!, place.name),
          {
            kind: place.kind,
            building: place.buildingId ? buildings.get(place.buildingId)! : '',
            tenant: tenancy ? (people.get(tenancy.personId) ?? null) : null,
            machines: (machines.get(place.id) ?? []).map(({ type, label }) => keyOfMachine(type, label)),
          },
        ];
      }),
    ),
  };
}

/** What the register knows already, so that a table can be read against it before it is sent. */
export async function readKnown(call: Call): Promise<KnownAnswer> {
  return { known: await knownRegister(call), ...(await firstZone(call)) };
}

/** The whole register as CSV (RFC 4180), a machine a row; importing it into an empty install gives it back. */
export async function exportRegister(call: Call): Promise<string> {
  const {
    db,
    env: { say },
  } = call;
  const { properties, buildings, places, machines, tenancies } = await readRegister(call);
  const all = [...machines.values()].flat();
  const points = await db.point.all({
    machineId: all.map(({ id }) => id),
    procedure: ['airHandler.returnFilter', 'airHandler.mediaFilter', 'drains.dose'],
  });
  const [specifications, households] = await Promise.all([
    factsOf(
      db,
      points.map(({ id }) => id),
      'specification',
    ),
    factsOf(
      db,
      [...tenancies.values()].map(({ id }) => id),
      'household',
    ),
  ]);
  const people = new Map(
    (
      await db.person.all({ id: [...tenancies.values()].map(({ personId }) => personId) }, { columns: ['id', 'name'] })
    ).map(({ id, name }) => [id, name]),
  );
  const machineOf = new Map(points.map(({ id, machineId }) => [id, machineId]));
  const specificationOf = new Map(specifications.map(({ subjectId, value }) => [machineOf.get(subjectId)!, value]));
  const householdOf = new Map(households.map(({ subjectId, value }) => [subjectId, value]));
  const claimed = new Map(
    (
      await factsOf(
        db,
        all.map(({ id }) => id),
        'lastDone',
      )
    ).map(({ subjectId, value }) => [subjectId, value]),
  );
  const names = columnNames(say);
  const rows = properties.flatMap((property) =>
    places
      .filter(({ propertyId }) => propertyId === property.id)
      .flatMap((place) => {
        const tenancy = tenancies.get(place.id);
        const household = tenancy && householdOf.get(tenancy.id);
        const unit: Cells = {
          property: property.name,
          address: property.address,
          zone: property.zone,
          waterSource: property.water.source,
          hardness: written(property.water.hardnessMgL),
          building: place.buildingId ? buildings.get(place.buildingId)! : '',
          unit: place.name,
          kind: place.kind,
          ...(tenancy &&
            household && {
              tenant: people.get(tenancy.personId) ?? '',
              since: isoFromDay(tenancy.fromDay),
              people: String(household.people),
              pets: String(household.pets),
              cooking: household.cooking,
              loads: written(household.loadsAWeek),
            }),
        };
        const own = machines.get(place.id) ?? [];
        return own.length === 0
          ? [unit]
          : own.map((machine): Cells => {
              const specification = specificationOf.get(machine.id);
              return {
                ...unit,
                machine: say(`machine.${machineTypeOf(machine.type).key}`),
                label: machine.label,
                maker: machine.maker,
                model: machine.model,
                installed: machine.installedDay === null ? '' : isoFromDay(machine.installedDay),
                fuel: machine.fuel,
                wired: machine.hardWired === 1 ? 'yes' : '',
                owner: machine.owner,
                branch: machine.drainBranch,
                filterSize: specification?.filterSize ?? '',
                drains: written(specification?.drainCount),
                lastDone: claimed.has(machine.id) ? isoFromDay(claimed.get(machine.id)!) : '',
                leftOut: (JSON.parse(machine.leftOut) as string[]).map((key) => say(`point.${key}`)).join('; '),
              };
            });
      }),
  );
  const fields = COLUMNS.map((column) => names[column]);
  const data = rows.map((row) => COLUMNS.map((column) => neutralised(row[column] ?? '')));
  return `\uFEFF${Papa.unparse({ fields, data }, { newline: '\r\n' })}\r\n`;
}

const written = (value: number | null | undefined) => (value == null ? '' : String(value));
