/** The columns of a register as a table, and finding them under whatever heads a file gives them. */

export const COLUMNS = [
  'property',
  'address',
  'zone',
  'waterSource',
  'hardness',
  'building',
  'unit',
  'kind',
  'tenant',
  'since',
  'until',
  'people',
  'pets',
  'cooking',
  'loads',
  'machine',
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
] as const;
export type Column = (typeof COLUMNS)[number];

/** A row has at the least these. */
export const WANTED: readonly Column[] = ['property', 'unit'];

/** Other heads that people give them, in plain letters. */
const ALSO: Readonly<Partial<Record<Column, readonly string[]>>> = {
  property: ['site', 'estate', 'complex'],
  address: ['street'],
  zone: ['tz', 'timezone'],
  waterSource: ['water', 'watersupply'],
  hardness: ['waterhardness', 'hardness', 'hardnessmgl'],
  building: ['block', 'house'],
  unit: ['home', 'flat', 'apartment', 'number', 'unitname', 'unitnumber', 'place'],
  kind: ['unitkind'],
  tenant: ['resident', 'occupant', 'tenantname'],
  since: ['from', 'movein', 'moveindate', 'tenancystart'],
  until: ['to', 'moveout', 'moveoutdate', 'tenancyend', 'lefton', 'lastday'],
  people: ['persons', 'occupants', 'householdsize'],
  loads: ['loads', 'washloads'],
  machine: ['appliance', 'type', 'equipment', 'machinetype'],
  label: ['label', 'nickname', 'machinename'],
  maker: ['make', 'manufacturer', 'brand'],
  model: ['modelno', 'modelnumber'],
  installed: ['installdate', 'installedon'],
  branch: ['drain', 'riser'],
  wired: ['hardwired', 'wiring'],
  filterSize: ['filter', 'size'],
  drains: ['draincount'],
  leftOut: ['without', 'lacks', 'leftout'],
  lastDone: ['lastserviced', 'lastservice', 'lastcleaned', 'served'],
  condition: ['found', 'foundin', 'state', 'grade'],
  by: ['bywhom', 'servedby', 'doneby', 'technician'],
};

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');

/**
 * The column under each head; null where none fits. Each column is found once, at its first head. @param names the
 * columns' own names, in as many languages as are read
 */
export function matchColumns(
  heads: readonly string[],
  ...names: readonly Readonly<Record<Column, string>>[]
): (Column | null)[] {
  const taken = new Set<Column>();
  return heads.map((head) => {
    const wanted = plain(head);
    const found =
      wanted === ''
        ? undefined
        : COLUMNS.find(
            (column) =>
              !taken.has(column) &&
              [...names.map((it) => plain(it[column])), plain(column), ...(ALSO[column] ?? [])].includes(wanted),
          );
    if (found) taken.add(found);
    return found ?? null;
  });
}

const FORMULA = /^[=+\-@\t\r]/;

/** A cell that a spreadsheet would compute, made plain text by a mark in front. */
export const neutralised = (cell: string): string => (FORMULA.test(cell) ? `'${cell}` : cell);

/** The cell as it was before it was made plain. */
export const plainCell = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;
