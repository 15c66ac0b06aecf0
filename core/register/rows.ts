/**
 * Rows of a register as a table: one machine a row, or a unit that has none yet. Read one by one, so that a
 * file of any length needs no more memory than its units; what was said of a unit before is held against
 * what is said later, and against the register as it stands.
 */
import { dayFromIso, isZone, type Day } from '../calendar/day.ts';
import { machineTypes } from '../catalogue/machines.ts';
import { COOKING } from '../due/drivers.ts';
import type { Values } from '../language/values.ts';
import { formatFilterSize, parseFilterSize } from '../quantities/filterSize.ts';
import { plainCell, type Column } from './columns.ts';
import { fingerprintOf } from './fingerprint.ts';

export type Cells = Readonly<Partial<Record<Column, string>>>;

export interface MachineCells {
  readonly type: string;
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly installed: string | null;
  readonly fuel: 'electric' | 'gas';
  /** Wired in, without a plug. */
  readonly hardWired: boolean;
  readonly owner: 'landlord' | 'tenant' | 'contractor';
  readonly drainBranch: string;
  readonly filterSize: string | null;
  readonly drains: number | null;
  readonly leftOut: readonly string[];
  /** When its parts were last served, as claimed. */
  readonly lastDone: string | null;
}

export interface TenancyCells {
  readonly name: string;
  readonly since: string;
  readonly people: number;
  readonly pets: number;
  readonly cooking: (typeof COOKING)[number];
  readonly loads: number | null;
}

export interface RegisterRow {
  readonly property: string;
  readonly address: string;
  readonly zone: string;
  readonly waterSource: 'public' | 'well';
  readonly hardness: number | null;
  readonly building: string;
  readonly unit: string;
  readonly kind: 'unit' | 'shared';
  readonly tenancy: TenancyCells | null;
  readonly machine: MachineCells | null;
}

/** What is wrong with a cell; words at `row.<key>`. */
export interface RowProblem {
  readonly column: Column;
  readonly key: string;
  readonly values: Values;
}

export interface KnownUnit {
  readonly kind: 'unit' | 'shared';
  readonly building: string;
  readonly tenant: string | null;
  /** `type`, a line break, `label`. */
  readonly machines: readonly string[];
}

/** The register as it stands, by property and by `property`, a line break, `unit`. */
export interface KnownRegister {
  readonly properties: Readonly<
    Record<
      string,
      {
        readonly address: string;
        readonly zone: string;
        readonly waterSource: string;
        readonly hardness: number | null;
      }
    >
  >;
  readonly units: Readonly<Record<string, KnownUnit>>;
}

export interface Wording {
  /** Key of the machine that goes by a name. */
  readonly machineOf: (name: string) => string | undefined;
  /** Key of the part of a machine that goes by a name. */
  readonly partOf: (type: string, name: string) => string | undefined;
  readonly exampleMachine: string;
  /** Where a property without a zone lies. */
  readonly zone: string;
  readonly today: Day;
}

export interface ReadRow {
  readonly row: RegisterRow;
  readonly problems: readonly RowProblem[];
}

export const keyOfUnit = (property: string, unit: string): string => `${property}\n${unit}`;
export const keyOfMachine = (type: string, label: string): string => `${type}\n${label}`;

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
};
const OF_PROPERTIES: readonly Column[] = ['address', 'zone', 'waterSource', 'hardness'];
const OF_UNITS: readonly Column[] = ['building', 'kind', 'tenant', 'since', 'people', 'pets', 'cooking', 'loads'];
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
    const cell = (column: Column): string => {
      const text = plainCell((raw[column] ?? '').trim())
        .trim()
        .replace(/\s*[\r\n]+\s*/g, ' ');
      const most = LONGEST[column];
      if (most !== undefined && text.length > most) wrong(column, 'long', { most });
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
    const zone = cell('zone') || standing?.zone || wording.zone;
    if (!isZone(zone)) wrong('zone', 'zone', { value: zone });
    const hardness = number('hardness', 0, 1000);
    const row: RegisterRow = {
      property,
      unit,
      zone,
      hardness: hardness ?? standing?.hardness ?? null,
      address: cell('address') || standing?.address || '',
      building: cell('building'),
      waterSource: oneOf('waterSource', ['public', 'well'], (standing?.waterSource ?? 'public') as 'public'),
      kind: oneOf('kind', ['unit', 'shared'], known.units[keyOfUnit(property, unit)]?.kind ?? 'unit'),
      tenancy: tenancyIn(),
      machine: machineIn(),
    };
    againstBefore();
    againstRegister();
    return { row, problems };

    function tenancyIn(): TenancyCells | null {
      const name = cell('tenant');
      if (name === '') return null;
      const since = day('since', true);
      const people = number('people', 1, 20);
      if (since === null) wrong('since', 'tenantDate');
      if (people === null) wrong('people', 'people');
      return {
        name,
        since: since ?? '',
        people: people ?? 1,
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
      const type = machineTypes.get(wording.machineOf(name) ?? '');
      if (!type) wrong('machine', 'machine', { value: name, example: wording.exampleMachine });
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
      const unitKey = keyOfUnit(property, unit);
      same(property, property, OF_PROPERTIES);
      same(unitKey, unit, OF_UNITS);
      if (!row.machine?.type) return;
      const machine = fingerprintOf(`${unitKey}\n${keyOfMachine(row.machine.type, row.machine.label)}`);
      const before = machines.get(machine);
      if (before !== undefined) wrong('machine', 'twice', { name: unit, row: before });
      else machines.set(machine, rowNumber);
    }

    function againstRegister(): void {
      const unitKnown = known.units[keyOfUnit(property, unit)];
      if (!unitKnown) return;
      if (row.machine && unitKnown.machines.includes(keyOfMachine(row.machine.type, row.machine.label)))
        wrong('machine', 'registered', { name: unit });
      if (row.tenancy && unitKnown.tenant !== null && unitKnown.tenant !== row.tenancy.name)
        wrong('tenant', 'tenancy', { name: unit });
      if (row.building !== '' && unitKnown.building !== row.building)
        wrong('building', 'registeredAs', { name: unit, value: row.building, first: unitKnown.building || '–' });
    }
  };
}
