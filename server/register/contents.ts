/** The register as it stands: as the cells that would say it, and which rows those are about. */
import { dayOfInstant, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { keyOfMachine, keyOfUnit, type KnownRegister, type KnownUnit, type Said } from '../../core/register/known.ts';
import type { HouseholdFacts } from '../../contract/register/register.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { Call } from '../context/context.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { LastDone } from '../store/factValues.ts';
import type { Row } from '../store/tables.ts';
import { tenancyDuring } from '../lookup/tenancies.ts';

/** Parts whose specification a table has a column for. */
const SPECIFIED = ['airHandler.returnFilter', 'airHandler.mediaFilter', 'drains.dose'];

/** The rows behind a unit's cells. */
export interface UnitRows {
  readonly place: Row<'place'>;
  readonly running: Row<'tenancy'> | undefined;
  readonly next: Row<'tenancy'> | undefined;
  readonly machines: ReadonlyMap<string, Row<'machine'>>;
}

export interface RegisterContents {
  readonly known: KnownRegister;
  readonly properties: ReadonlyMap<string, Row<'property'> & { readonly today: Day }>;
  readonly buildings: readonly Row<'building'>[];
  readonly units: ReadonlyMap<string, UnitRows>;
  /** What is known last of the household of each tenancy. */
  readonly households: ReadonlyMap<string, HouseholdFacts>;
  /** The part of a machine, and what must match there, by procedure. */
  readonly parts: ReadonlyMap<string, { readonly id: string; readonly specification: Specification | undefined }>;
}

/** A part that a table has a column for, in a machine. */
export const keyOfPart = (machineId: string, procedure: string): string => `${machineId}\n${procedure}`;

/** What stands in the register: units by property, each in its order, their machines by number. */
export async function readContents({ db, actor: { organisationId }, now }: Call): Promise<RegisterContents> {
  const [properties, buildings, places, machines, tenancies, people, named] = await Promise.all([
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
    db.person.all({ organisationId }, { columns: ['id', 'name'] }),
    db.machineName.all({ organisationId }),
  ]);
  const points = await db.point.all({ machineId: machines.map(({ id }) => id), procedure: SPECIFIED });
  const [waters, households, specifications, claims] = await Promise.all([
    factsOf(db, idsOf(properties), 'water'),
    factsOf(db, idsOf(tenancies), 'household'),
    factsOf(db, idsOf(points), 'specification'),
    factsOf(db, idsOf(machines), 'lastDone'),
  ]);
  const specificationOf = latest(specifications);
  const parts = new Map(
    points.map(({ id, machineId, procedure }) => [
      keyOfPart(machineId, procedure),
      { id, specification: specificationOf.get(id) },
    ]),
  );
  const claimOf = latest(claims);
  const householdOf = latest(households);
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  const buildingOf = new Map(buildings.map(({ id, name }) => [id, name]));
  const known = {
    properties: {} as Record<string, Said>,
    units: {} as Record<string, KnownUnit>,
    named: Object.fromEntries(named.map(({ name, type }) => [name, type])),
  };
  const rows = { properties: new Map<string, Row<'property'> & { today: Day }>(), units: new Map<string, UnitRows>() };
  const [placesOf, machinesOf, tenanciesOf] = [
    grouped(places, ({ propertyId }) => propertyId),
    grouped(machines, ({ placeId }) => placeId),
    grouped(tenancies, ({ placeId }) => placeId),
  ];
  const saidOf = (tenancy: Row<'tenancy'> | undefined): Said | null =>
    tenancy ? sayTenancy(tenancy, nameOf.get(tenancy.personId) ?? '', householdOf.get(tenancy.id)) : null;
  for (const property of properties) {
    const today = dayOfInstant(now, property.zone);
    const water = inForce(
      waters.filter(({ subjectId }) => subjectId === property.id),
      today,
    )!.value;
    rows.properties.set(property.name, { ...property, today });
    known.properties[property.name] = {
      address: property.address,
      zone: property.zone,
      waterSource: water.source,
      hardness: written(water.hardnessMgL),
    };
    for (const place of placesOf.get(property.id) ?? []) {
      const key = keyOfUnit(property.name, place.name);
      const own = tenanciesOf.get(place.id) ?? [];
      const running = own.findLast((it) => tenancyDuring(it, today));
      const next = own.find(({ fromDay }) => fromDay > today);
      const ended = own.findLast(({ toDay }) => toDay !== null && toDay < today);
      const standing = machinesOf.get(place.id) ?? [];
      known.units[key] = {
        kind: place.kind,
        building: place.buildingId ? buildingOf.get(place.buildingId)! : '',
        tenancy: saidOf(running),
        next: saidOf(next),
        last: saidOf(ended),
        machines: Object.fromEntries(
          standing.map((machine) => [
            keyOfMachine(machine.type, machine.label),
            sayMachine(machine, parts, claimOf.get(machine.id)),
          ]),
        ),
      };
      rows.units.set(key, {
        place,
        running,
        next,
        machines: new Map(standing.map((machine) => [keyOfMachine(machine.type, machine.label), machine])),
      });
    }
  }
  return { known, ...rows, buildings, households: householdOf, parts };
}

const idsOf = (rows: readonly { readonly id: string }[]) => rows.map(({ id }) => id);

/** Of each subject the fact that took effect last. */
const latest = <V>(facts: readonly { readonly subjectId: string; readonly value: V }[]) =>
  new Map(facts.map(({ subjectId, value }) => [subjectId, value]));

const written = (value: number | null | undefined) => (value == null ? '' : String(value));

function sayTenancy({ fromDay, toDay }: Row<'tenancy'>, tenant: string, household: HouseholdFacts | undefined): Said {
  return {
    tenant,
    since: isoFromDay(fromDay),
    until: toDay === null ? '' : isoFromDay(toDay),
    people: written(household?.people),
    pets: written(household?.pets),
    cooking: household?.cooking ?? '',
    loads: written(household?.loadsAWeek),
  };
}

function sayMachine(
  { id, maker, model, installedDay, fuel, hardWired, owner, drainBranch, leftOut }: Row<'machine'>,
  parts: RegisterContents['parts'],
  claim: LastDone | undefined,
): Said {
  const [specification] = SPECIFIED.flatMap((procedure) => parts.get(keyOfPart(id, procedure))?.specification ?? []);
  return {
    maker,
    model,
    installed: installedDay === null ? '' : isoFromDay(installedDay),
    fuel,
    wired: hardWired === 1 ? 'yes' : 'no',
    owner,
    branch: drainBranch,
    filterSize: specification?.filterSize ?? '',
    drains: written(specification?.drainCount),
    leftOut: (JSON.parse(leftOut) as string[]).sort().join('; '),
    lastDone: claim ? isoFromDay(claim.day) : '',
    condition: claim?.grade ?? '',
    by: claim?.by ?? '',
  };
}
