/** What goes into a whole export: every table but those that hold keys. */
import { TABLES, type TableName } from '../store/tables.ts';
import { tableNameOf } from '../store/db.ts';

/** Keys, sessions and answers kept for repetitions: an install has its own. */
const LEFT_OUT: readonly TableName[] = [
  'session',
  'link',
  'jobLink',
  'ownerLink',
  'accessLink',
  'recoveryCode',
  'accessToken',
  'calendarFeed',
  'receipt',
  'guess',
];
/** Columns that open doors. They are empty in the export: people come in by new links. */
const SECRET: Readonly<Record<string, readonly string[]>> = { person: ['passwordHash', 'totpSecret'] };

export const EXPORTED = (Object.keys(TABLES) as TableName[]).filter((name) => !LEFT_OUT.includes(name));

export interface ExportedColumn {
  readonly name: string;
  readonly sql: string;
  readonly type: 'text' | 'whole number' | 'number' | 'bytes, base64';
  readonly nullable: boolean;
  readonly secret: boolean;
}

const TYPES: Readonly<Record<string, ExportedColumn['type']>> = {
  TEXT: 'text',
  INTEGER: 'whole number',
  REAL: 'number',
  BLOB: 'bytes, base64',
};
/** The columns of a table, as they stand in its file. */
export function columnsOf(table: TableName): ExportedColumn[] {
  return Object.entries<{ readonly type: unknown; readonly nullable: boolean }>(TABLES[table]).map(
    ([name, { type, nullable }]) => ({
      name,
      sql: tableNameOf(name),
      type: TYPES[(type as { readonly key: string }).key]!,
      nullable,
      secret: SECRET[table]?.includes(name) ?? false,
    }),
  );
}
