/** What a row of a table changes in the register as it stands, to be looked at before any of it is written. */
import { dayFromIso, isoFromDay, type Day } from '../calendar/day.ts';
import { findMachineType } from '../catalogue/machines.ts';
import { keyOfMachine, type KnownRegister, type KnownUnit, type Said } from './known.ts';
import { differing, type CellChange } from './differing.ts';
import type { MachineCells, RegisterRow, RowProblem } from './row.ts';
import { tenancyStep, type TenancyStep } from './tenancyStep.ts';

export interface RowChanges {
  readonly property: readonly CellChange[];
  /** The building that the unit is in. */
  readonly unit: readonly CellChange[];
  readonly tenancy: TenancyStep | null;
  /** Null where the machine is a new one, or the row has none. */
  readonly machine: readonly CellChange[] | null;
  readonly problems: readonly RowProblem[];
}

const NOTHING: RowChanges = { property: [], unit: [], tenancy: null, machine: null, problems: [] };

/** The machine of a row as the register would say it; a size stands only where it has such a part. */
export function saidOfMachine(machine: MachineCells): Said {
  const has = (part: string) => findMachineType(machine.type)?.points.some((point) => point.startsWith(part));
  return {
    maker: machine.maker,
    model: machine.model,
    installed: machine.installed ?? '',
    fuel: machine.fuel,
    wired: machine.hardWired ? 'yes' : 'no',
    owner: machine.owner,
    branch: machine.drainBranch,
    filterSize: (has('airHandler.') && machine.filterSize) || '',
    drains: has('drains.dose') && machine.drains !== null ? String(machine.drains) : '',
    leftOut: [...machine.leftOut].sort().join('; '),
    lastDone: machine.lastDone ?? '',
    condition: machine.condition ?? '',
    by: machine.by,
  };
}

/** What a row changes of what is known of its property and unit; what it adds is not told here. */
export function changesOf(
  row: RegisterRow,
  { property, unit }: { readonly property: Said | undefined; readonly unit: KnownUnit | undefined },
  today: Day,
): RowChanges {
  if (!property) return NOTHING;
  const ofProperty = differing(
    row.said,
    {
      address: row.address,
      zone: row.zone,
      waterSource: row.waterSource,
      hardness: row.hardness === null ? '' : String(row.hardness),
    },
    property,
  );
  if (!unit) return { ...NOTHING, property: ofProperty };
  const problems: RowProblem[] = [];
  if (row.said.has('kind') && row.kind !== unit.kind)
    problems.push({ column: 'kind', key: 'kindStays', values: { name: row.unit, first: unit.kind } });
  const there = row.machine && unit.machines[keyOfMachine(row.machine.type, row.machine.label)];
  return {
    property: ofProperty,
    unit: differing(row.said, { building: row.building }, { building: unit.building }),
    tenancy: row.tenancy && tenancyStep(row, row.tenancy, unit, { problems, today }),
    machine: there ? differing(row.said, saidOfMachine(row.machine!), there) : null,
    problems,
  };
}

/** Units of the table in which nobody is named any more, where an empty tenant means that nobody lives there. */
export function vacatedUnits(
  known: KnownRegister,
  { seen, named }: { readonly seen: ReadonlySet<string>; readonly named: ReadonlySet<string> },
  today: Day,
): string[] {
  return [...seen].filter((key) => {
    const running = Object.hasOwn(known.units, key) ? known.units[key]!.tenancy : null;
    return running && !named.has(key) && !running.until && dayFromIso(running.since!) < today;
  });
}

/** The day before a day. */
export const dayBefore = (iso: string): string => isoFromDay(dayFromIso(iso) - 1);
