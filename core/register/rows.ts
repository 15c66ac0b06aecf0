/**
 * Rows of a register as a table: one machine a row, or a unit that has none yet. Read one by one, so that a
 * file of any length needs no more memory than its units; what was said of a unit before is held against
 * what is said later, and against the register as it stands.
 */
import { dayFromIso, isZone, type Day } from '../calendar/day.ts';
import { findMachineType } from '../catalogue/machines.ts';
import { COOKING } from '../due/drivers.ts';
import type { Values } from '../language/values.ts';
import { formatFilterSize, parseFilterSize } from '../quantities/filterSize.ts';
import { GRADES } from '../catalogue/grades.ts';
import type { MachineCells, RegisterRow, RowProblem, TenancyCells } from './row.ts';
import { changesOf, type RowChanges } from './changes.ts';
import { plainCell, type Column } from './columns.ts';
import { fingerprintOf } from './fingerprint.ts';
import { keyOfMachine, keyOfUnit, type KnownRegister } from './known.ts';

export type Cells = Readonly<Partial<Record<Column, string>>>;

export interface Wording {
  /** Key of the machine that goes by a name; null where such a machine is not taken. */
  readonly machineOf: (name: string) => string | null | undefined;
  /** Key of the part of a machine that goes by a name. */
  readonly partOf: (type: string, name: string) => string | undefined;
  readonly exampleMachine: string;
  /** Where a property without a zone lies. */
  readonly zone: string;
  readonly today: Day;
}

export interface ReadRow {
  readonly row: RegisterRow;
  /** What it changes in the register as it stands. */
  readonly changes: RowChanges;
  readonly problems: readonly RowProblem[];
  /** A name that no machine goes by. */
  readonly unknown: string | null;
}

const LONGEST: Readonly<Partial<Record<Column, number>>> = {
  property: 120,
  address: 300,
  building: 120,
  unit: 120,
  tenant: 120,
  label: 60,
  maker: 80,
  model: 80,
  branch: 60,
  filterSize: 40,
  by: 120,
};
const OF_PROPERTIES: readonly Column[] = ['address', 'zone', 'waterSource', 'hardness'];
const OF_TENANCIES: readonly Column[] = ['since', 'until', 'people', 'pets', 'cooking', 'loads'];
const OF_UNITS: readonly Column[] = ['building', 'kind', 'tenant', ...OF_TENANCIES];
const OF_MACHINES: readonly Column[] = [
  'label',
  'maker',
  'model',
  'installed',
  'fuel',
  'wired',
  'owner',
  'branch',
  'filterSize',
  'drains',
  'leftOut',
  'lastDone',
  'condition',
  'by',
];

/**
 * A reader of rows that remembers what was said of each property and unit. Row numbers are those of the file, its head
 * being row 1.
 */
export function rowReader(known: KnownRegister, wording: Wording): (cells: Cells, rowNumber: number) => ReadRow {
  /** Of a property or unit: for each column the fingerprint of what was said first, and its row. */
  const said = new Map<string, number[]>();
  const machines = new Map<number, number>();
  return (raw, rowNumber) => {
    const problems: RowProblem[] = [];
    const wrong = (column: Column, key: string, values: Values = {}) => {
      problems.push({ column, key, values });
    };
    const cells = new Map<Column, string>();
    const cell = (column: Column): string => {
      const known = cells.get(column);
      if (known !== undefined) return known;
      const text = plainCell((raw[column] ?? '').trim())
        .trim()
        .replace(/\s*[\r\n]+\s*/g, ' ');
      const most = LONGEST[column];
      if (most !== undefined && text.length > most) wrong(column, 'long', { most });
      cells.set(column, text);
      return text;
    };
    const oneOf = <T extends string>(column: Column, choices: readonly T[], fallback: T): T => {
      const text = cell(column).toLowerCase();
      const found = choices.find((it) => it.toLowerCase() === text);
      if (text !== '' && !found) wrong(column, 'oneOf', { value: cell(column), choices: choices.join(', ') });
      return found ?? fallback;
    };
    const number = (column: Column, low: number, high: number): number | null => {
      const text = cell(column);
      if (text === '') return null;
      const value = Number(text.replace(',', '.'));
      if (!(value >= low && value <= high) || (column !== 'hardness' && !Number.isInteger(value)))
        wrong(column, 'number', { value: text, low, high });
      return value;
    };
    const day = (column: Column, future: boolean): string | null => {
      const text = cell(column);
      if (text === '') return null;
      try {
        if (!future && dayFromIso(text) > wording.today) wrong(column, 'future', { value: text });
        else dayFromIso(text);
      } catch {
        wrong(column, 'day', { value: text });
      }
      return text;
    };

    const property = cell('property');
    const unit = cell('unit');
    for (const column of ['property', 'unit'] as const) if (cell(column) === '') wrong(column, 'missing');
    const standing = Object.hasOwn(known.properties, property) ? known.properties[property] : undefined;
    const unitKey = keyOfUnit(property, unit);
    const unitKnown = Object.hasOwn(known.units, unitKey) ? known.units[unitKey] : undefined;
    let unknown: string | null = null;
    const zone = cell('zone') || standing?.zone || wording.zone;
    if (!isZone(zone)) wrong('zone', 'zone', { value: zone });
    const hardness = number('hardness', 0, 1000);
    const row: RegisterRow = {
      property,
      unit,
      zone,
      hardness: hardness ?? (standing?.hardness ? Number(standing.hardness) : null),
      address: cell('address') || standing?.address || '',
      building: cell('building'),
      waterSource: oneOf('waterSource', ['public', 'well'], (standing?.waterSource ?? 'public') as 'public'),
      kind: oneOf('kind', ['unit', 'shared'], unitKnown?.kind ?? 'unit'),
      tenancy: tenancyIn(),
      machine: machineIn(),
      said: new Set((Object.keys(raw) as Column[]).filter((column) => cell(column) !== '')),
    };
    againstBefore();
    const changes = changesOf(row, { property: standing, unit: unitKnown }, wording.today);
    problems.push(...changes.problems);
    return { row, changes, problems, unknown };

    function tenancyIn(): TenancyCells | null {
      const name = cell('tenant');
      if (name === '') return null;
      const since = day('since', true);
      const until = day('until', true);
      // In a unit that is there already, the register may know it.
      if (since === null && !unitKnown) wrong('since', 'tenantDate');
      if (since !== null && until !== null && until < since) wrong('until', 'untilBefore', { until, since });
      return {
        name,
        since,
        until,
        people: number('people', 1, 20),
        pets: number('pets', 0, 20) ?? 0,
        cooking: oneOf('cooking', COOKING, 'average'),
        loads: number('loads', 0, 60),
      };
    }

    function machineIn(): MachineCells | null {
      const name = cell('machine');
      if (name === '') {
        const alone = OF_MACHINES.find((column) => cell(column) !== '');
        if (alone) wrong(alone, 'alone');
        return null;
      }
      const called = wording.machineOf(name);
      if (called === null) return null;
      const type = findMachineType(called ?? '');
      if (!type) {
        unknown = name;
        wrong('machine', 'machine', { value: name, example: wording.exampleMachine });
      }
      const fuel = oneOf('fuel', ['electric', 'gas'], 'electric');
      if (type && !type.fuels.includes(fuel)) wrong('fuel', 'fuel', { machine: name });
      const sizeText = cell('filterSize');
      const size = sizeText === '' ? undefined : parseFilterSize(sizeText);
      if (sizeText !== '' && !size) wrong('filterSize', 'size', { value: sizeText });
      const leftOut = cell('leftOut')
        .split(';')
        .map((it) => it.trim())
        .filter(Boolean)
        .map((part) => {
          const key = type && wording.partOf(type.key, part);
          if (type && !key) wrong('leftOut', 'part', { value: part });
          return key ?? '';
        });
      for (const column of ['condition', 'by'] as const)
        if (cell(column) !== '' && cell('lastDone') === '') wrong(column, 'claimDay');
      return {
        type: type?.key ?? '',
        label: cell('label'),
        maker: cell('maker'),
        model: cell('model'),
        installed: day('installed', false),
        fuel,
        hardWired: oneOf('wired', ['yes', 'no'], 'no') === 'yes',
        owner: oneOf('owner', ['landlord', 'tenant', 'contractor'], 'landlord'),
        drainBranch: cell('branch'),
        filterSize: size ? formatFilterSize(size) : null,
        drains: number('drains', 1, 60),
        leftOut,
        lastDone: day('lastDone', false),
        condition: cell('condition') === '' ? null : oneOf('condition', GRADES, 'due'),
        by: cell('by'),
      };
    }

    /** What is said of a property or a unit is said once, or alike. */
    function againstBefore(): void {
      const same = (of: string, name: string, columns: readonly Column[]) => {
        const first = said.get(of) ?? [];
        if (first.length === 0) said.set(of, first);
        columns.forEach((column, i) => {
          const value = cell(column);
          if (value === '') return;
          const print = fingerprintOf(value);
          if (first[2 * i] === undefined) [first[2 * i], first[2 * i + 1]] = [print, rowNumber];
          else if (first[2 * i] !== print) wrong(column, 'differs', { name, value, row: first[2 * i + 1]! });
        });
      };
      same(property, property, OF_PROPERTIES);
      same(unitKey, unit, OF_UNITS);
      if (!row.machine?.type) return;
      const machine = fingerprintOf(`${unitKey}\n${keyOfMachine(row.machine.type, row.machine.label)}`);
      const before = machines.get(machine);
      if (before !== undefined) wrong('machine', 'twice', { name: unit, row: before });
      else machines.set(machine, rowNumber);
    }
  };
}
