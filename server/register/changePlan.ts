/** What a table changes in the register, as the steps that a person would take one by one. */
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import { dayBefore, vacatedUnits } from '../../core/register/changes.ts';
import type { CellChange } from '../../core/register/differing.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { keyOfMachine, keyOfUnit } from '../../core/register/known.ts';
import type { RegisterRow, TenancyCells } from '../../core/register/row.ts';
import type { ReadRow } from '../../core/register/rows.ts';
import type { MachineChange, Specification } from '../../contract/register/machines.ts';
import type { HouseholdFacts, NewTenancy, PropertyEdit, WaterFacts } from '../../contract/register/register.ts';
import type { Call } from '../context/context.ts';
import type { LastDone } from '../store/factValues.ts';
import { keyOfPart, type RegisterContents, type UnitRows } from './contents.ts';

export type PlannedChange =
  | { readonly do: 'property'; readonly id: string; readonly edit: PropertyEdit }
  | { readonly do: 'water'; readonly id: string; readonly water: WaterFacts; readonly from: string }
  | { readonly do: 'building'; readonly id: string; readonly name: string; readonly buildingId: string }
  | { readonly do: 'end'; readonly id: string; readonly last: string }
  | { readonly do: 'begin'; readonly placeId: string; readonly tenancy: NewTenancy; readonly last: string | null }
  | { readonly do: 'since'; readonly id: string; readonly name: string; readonly from: string }
  | { readonly do: 'household'; readonly id: string; readonly household: HouseholdFacts; readonly from: string }
  | { readonly do: 'machine'; readonly id: string; readonly change: Partial<MachineChange> }
  | { readonly do: 'specification'; readonly pointId: string; readonly specification: Specification }
  | { readonly do: 'claim'; readonly machineId: string; readonly claim: LastDone; readonly today: number };

/** A household of which nobody said how many it is. Our assumption; the table's look names it. */
const ASSUMED_PEOPLE = 2;

/** A household as a table says it. */
export const householdOf = ({ people, pets, cooking, loads }: TenancyCells): HouseholdFacts => ({
  people: people ?? ASSUMED_PEOPLE,
  pets,
  cooking,
  loadsAWeek: loads,
  coolWashes: false,
  smoking: false,
  dust: false,
  detergent: null,
});

/** The part of an air handler that has the filter. */
export const filterPartOf = (type: string) =>
  type === 'mediaAirHandler' ? 'airHandler.mediaFilter' : 'airHandler.returnFilter';

/** Gathers the changes of rows one by one; what several rows say alike is changed once. */
export function changePlanner({ env }: Call, contents: RegisterContents) {
  const planned = new Map<string, PlannedChange>();
  const plan = (change: PlannedChange, key: string) => {
    if (!planned.has(`${change.do} ${key}`)) planned.set(`${change.do} ${key}`, change);
  };
  return {
    /** Takes what a row changes; `buildingId` is that of the building that it names. */
    take({ row, changes }: Pick<ReadRow, 'row' | 'changes'>, buildingId: string | undefined): void {
      const property = contents.properties.get(row.property);
      const unit = contents.units.get(keyOfUnit(row.property, row.unit));
      if (!property) return;
      const today = isoFromDay(property.today);
      const changed = (cells: readonly CellChange[], ...columns: string[]) =>
        cells.some(({ column }) => columns.includes(column));
      if (changed(changes.property, 'address', 'zone'))
        plan(
          { do: 'property', id: property.id, edit: { name: row.property, address: row.address, zone: row.zone } },
          row.property,
        );
      if (changed(changes.property, 'waterSource', 'hardness')) {
        const water = { source: row.waterSource, hardnessMgL: row.hardness };
        plan({ do: 'water', id: property.id, water, from: today }, row.property);
      }
      if (!unit) return;
      const { place } = unit;
      if (changes.unit.length > 0 && buildingId)
        plan({ do: 'building', id: place.id, name: place.name, buildingId }, place.id);
      takeTenancy(row, changes.tenancy, unit, today);
      const key = row.machine && keyOfMachine(row.machine.type, row.machine.label);
      const machine = key && unit.machines.get(key);
      if (machine && changes.machine) takeMachine(row, machine.id, changes.machine, property.today);
    },
    /** Ends the tenancies of units in which the table names nobody. */
    vacate(rows: readonly RegisterRow[]): void {
      const keyOf = (row: RegisterRow) => keyOfUnit(row.property, row.unit);
      const named = new Set(rows.filter(({ tenancy }) => tenancy).map(keyOf));
      for (const [name, own] of grouped(rows, ({ property }) => property)) {
        const today = contents.properties.get(name)?.today;
        if (today === undefined) continue;
        for (const key of vacatedUnits(contents.known, { seen: new Set(own.map(keyOf)), named }, today)) {
          const { id } = contents.units.get(key)!.running!;
          plan({ do: 'end', id, last: isoFromDay(today - 1) }, id);
        }
      }
    },
    all: (): PlannedChange[] => [...planned.values()],
  };

  function takeTenancy(
    { tenancy }: RegisterRow,
    step: ReadRow['changes']['tenancy'],
    { place, running, next }: UnitRows,
    today: string,
  ): void {
    if (!step || !tenancy) return;
    if (step.step === 'begins') {
      const from = tenancy.since!;
      if (running && step.ends !== null) plan({ do: 'end', id: running.id, last: dayBefore(from) }, running.id);
      const made = { id: env.newId(), placeId: place.id, personId: env.newId(), name: tenancy.name, from };
      plan(
        { do: 'begin', placeId: place.id, tenancy: { ...made, household: householdOf(tenancy) }, last: tenancy.until },
        place.id,
      );
      return;
    }
    const there = (step.which === 'tenancy' ? running : next)!;
    const said = new Map(step.cells.map(({ column, becomes }) => [column, becomes]));
    if (said.has('since')) plan({ do: 'since', id: there.id, name: tenancy.name, from: said.get('since')! }, there.id);
    if (['people', 'pets', 'cooking', 'loads'].some((column) => said.has(column as 'people'))) {
      const before = contents.households.get(there.id) ?? householdOf(tenancy);
      plan(
        {
          do: 'household',
          id: there.id,
          household: {
            ...before,
            people: said.has('people') ? tenancy.people! : before.people,
            pets: said.has('pets') ? tenancy.pets : before.pets,
            cooking: said.has('cooking') ? tenancy.cooking : before.cooking,
            loadsAWeek: said.has('loads') ? tenancy.loads : before.loadsAWeek,
          },
          from: today,
        },
        there.id,
      );
    }
    if (said.has('until')) plan({ do: 'end', id: there.id, last: said.get('until')! }, there.id);
  }

  function takeMachine(row: RegisterRow, id: string, cells: readonly CellChange[], today: number): void {
    const machine = row.machine!;
    const was =
      contents.known.units[keyOfUnit(row.property, row.unit)]!.machines[keyOfMachine(machine.type, machine.label)]!;
    const said = new Set(cells.map(({ column }) => column));
    const change: Partial<MachineChange> = {
      ...(said.has('maker') && { maker: machine.maker }),
      ...(said.has('model') && { model: machine.model }),
      ...(said.has('installed') && { installed: machine.installed }),
      ...(said.has('fuel') && { fuel: machine.fuel }),
      ...(said.has('wired') && { hardWired: machine.hardWired }),
      ...(said.has('owner') && { owner: machine.owner }),
      ...(said.has('branch') && { drainBranch: machine.drainBranch }),
      ...(said.has('leftOut') && { leftOut: [...machine.leftOut] }),
    };
    if (Object.keys(change).length > 0) plan({ do: 'machine', id, change }, id);
    const specify = (procedure: string, specification: Specification) => {
      const part = contents.parts.get(keyOfPart(id, procedure));
      if (part)
        plan(
          { do: 'specification', pointId: part.id, specification: { ...part.specification, ...specification } },
          part.id,
        );
    };
    if (said.has('filterSize')) specify(filterPartOf(machine.type), { filterSize: machine.filterSize! });
    if (said.has('drains')) specify('drains.dose', { drainCount: machine.drains });
    if (!(said.has('lastDone') || said.has('condition') || said.has('by'))) return;
    const grade = machine.condition ?? (was.condition ? (was.condition as Grade) : null);
    const claim = { day: dayFromIso(machine.lastDone!), by: machine.by || was.by!, grade };
    plan({ do: 'claim', machineId: id, claim, today }, id);
  }
}
