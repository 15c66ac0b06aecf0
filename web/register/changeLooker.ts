/** What a table changes, gathered row by row and told in words before any of it is written. */
import type { CellChange } from '../../core/register/differing.ts';
import { vacatedUnits, type RowChanges } from '../../core/register/changes.ts';
import { keyOfUnit, namesOfKey } from '../../core/register/known.ts';
import type { RegisterRow } from '../../core/register/row.ts';
import { columnNames, partNames } from '../../core/register/wording.ts';
import type { Translator } from '../../core/language/message.ts';
import type { KnownAnswer } from '../../contract/register/bulk.ts';

/** A cell of the register that the file has otherwise. */
export interface ChangeLine {
  readonly where: string;
  readonly property: string;
  readonly what: string;
  readonly column: string;
  readonly was: string;
  readonly becomes: string;
}

/** What a file changes, by kind. */
export interface ChangeCounts {
  begin: number;
  end: number;
  tenancies: number;
  machines: number;
  homes: number;
  properties: number;
  /** New tenancies whose household is not told. */
  unsaid: number;
}

/** As many changes are listed. */
const CHANGES_LISTED = 300;

/** What changes about who lives there. */
function cellsOf(step: RowChanges['tenancy']): readonly CellChange[] {
  if (step?.step !== 'begins') return step?.cells ?? [];
  return [
    { column: 'tenant', was: step.ends ?? '', becomes: step.tenancy.name },
    { column: 'since', was: '', becomes: step.tenancy.since! },
  ];
}

/** Gathers what rows change, in words. */
export function changeLooker(say: Translator, { known, today }: KnownAnswer) {
  const changes: ChangeLine[] = [];
  const counts: ChangeCounts = { begin: 0, end: 0, tenancies: 0, machines: 0, homes: 0, properties: 0, unsaid: 0 };
  const names = columnNames(say);
  const told = new Set<string>();
  const [seen, named] = [new Set<string>(), new Set<string>()];
  const words = (column: CellChange['column'], cell: string) => (column === 'leftOut' ? partNames(say, cell) : cell);
  const list = (at: Pick<ChangeLine, 'where' | 'property' | 'what'>, cells: readonly CellChange[]) => {
    for (const { column, was, becomes } of cells)
      if (changes.length < CHANGES_LISTED)
        changes.push({ ...at, column: names[column], was: words(column, was), becomes: words(column, becomes) });
  };
  /** What several rows say alike is told once. */
  const once = (kind: string, key: string, cells: readonly CellChange[], tell: () => void) => {
    if (cells.length === 0 || told.has(`${kind} ${key}`)) return;
    told.add(`${kind} ${key}`);
    tell();
  };
  return {
    take(row: RegisterRow, { property, unit, tenancy, machine }: RowChanges): void {
      const key = keyOfUnit(row.property, row.unit);
      const at = { where: row.unit, property: row.property, what: '' };
      seen.add(key);
      if (row.tenancy) named.add(key);
      once('property', row.property, property, () => {
        counts.properties += 1;
        list({ where: row.property, property: '', what: '' }, property);
      });
      once('home', key, unit, () => {
        counts.homes += 1;
        list(at, unit);
      });
      const begins = tenancy?.step === 'begins' ? tenancy : null;
      const cells = cellsOf(tenancy);
      once('tenancy', key, cells, () => {
        list(at, cells);
        if (!begins) counts.tenancies += 1;
        else {
          counts.begin += 1;
          if (begins.ends !== null) counts.end += 1;
          if (begins.tenancy.people === null) counts.unsaid += 1;
        }
      });
      if (machine?.length) {
        counts.machines += 1;
        list({ ...at, what: row.machine!.label || say.text(`machine.${row.machine!.type}`) }, machine);
      }
    },
    vacate(): void {
      for (const key of vacatedUnits(known, { seen, named }, today)) {
        const [property, unit] = namesOfKey(key);
        counts.end += 1;
        const was = known.units[key]!.tenancy!.tenant!;
        list({ where: unit, property, what: '' }, [{ column: 'tenant', was, becomes: '' }]);
      }
    },
    all: () => ({ changes, counts }),
  };
}
